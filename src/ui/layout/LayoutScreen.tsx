import { useMemo, useState } from 'react';
import {
  addGroup,
  addPlace,
  BOARD_GROUPS_MOST,
  changeBoard,
  chooseGroup,
  currentGroup,
  dropGroup,
} from '#client/layout/board-store.ts';
import { siteKindOf, takeOwnKinds } from '#client/site-kinds.ts';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { cornersOf } from '#core/layout/behind.ts';
import { moved } from '#core/layout/board.ts';
import type { Site } from '#wire/site.ts';
import { TryOut } from '../simulate/TryOut.tsx';
import { BoardDrawing, type BoardMode } from './BoardDrawing.tsx';
import { BoardTools } from './BoardTools.tsx';
import { GroupTabs } from './GroupTabs.tsx';
import { JointChoice } from './JointChoice.tsx';
import { missingOn } from './missing-on.ts';
import { NewJobWays } from './NewJobWays.tsx';
import { OrderChoice } from './OrderChoice.tsx';
import { PassesChoice } from './PassesChoice.tsx';
import { PictureBehind } from './PictureBehind.tsx';
import { StartJob } from './StartJob.tsx';
import { useChoice } from './use-choice.ts';
import { useLaying } from './use-laying.ts';
import { usePicture } from './use-picture.ts';
import { WhereChoice } from './WhereChoice.tsx';

type Props = { readonly site: Site; readonly ownKinds: readonly JointKind[] };

const Step = ({
  number,
  title,
  children,
}: {
  readonly number: number;
  readonly title: string;
  readonly children: React.ReactNode;
}) => (
  <section className="panel order-2 grid gap-3 p-4" aria-label={title}>
    <h2 className="text-l font-bold">
      <span className="mr-2 font-mono text-faint">{number}</span>
      {title}
    </h2>
    {children}
  </section>
);

/** A job laid out without a file: what joint, where its fasteners sit, in which order and passes; tried out, and started. */
export const LayoutScreen = ({ site, ownKinds }: Props) => {
  takeOwnKinds(ownKinds);
  const laying = useLaying();
  const { board, groups, current, canUndo, canRedo } = laying;
  const group = currentGroup(laying);
  const kind = siteKindOf(group.jointKind);
  const choice = useChoice(board, current);
  const [mode, setMode] = useState<BoardMode>('look');
  const picture = usePicture();
  const own = useMemo(() => board.filter((laid) => laid.group === current), [board, current]);
  const drives = new Map(groups.map(({ id, jointKind }) => [id, siteKindOf(jointKind)?.usualDrive]));
  // All is shown anew whenever there are more or fewer of them, not when one is moved.
  const fitAgain = mode === 'add' ? 'as it is' : `${board.length} ${board[0]?.id ?? ''} ${picture.url ?? ''}`;
  return (
    <div className="mx-auto grid max-w-7xl gap-4">
      <NewJobWays way="layout" />
      <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
        {/* On a phone all of it is one column: the drawing, the steps, what becomes of it, and the start. */}
        <div className="contents content-start gap-4 lg:grid">
          <section className="panel order-1 grid gap-3 p-4" aria-label="Drawing">
            <GroupTabs
              groups={groups}
              current={current}
              onChoose={chooseGroup}
              onAdd={groups.length < BOARD_GROUPS_MOST ? addGroup : null}
              onDrop={groups.length > 1 ? dropGroup : null}
            />
            <BoardTools
              board={board}
              groups={groups}
              choice={choice}
              mode={mode}
              onMode={setMode}
              canUndo={canUndo}
              canRedo={canRedo}
            />
            <div className="h-[min(58vh,30rem)] min-h-72">
              <BoardDrawing
                board={board}
                driveOf={(id) => drives.get(id) ?? 'hex-socket'}
                current={current}
                chosen={choice.chosen}
                mode={mode}
                fitAgain={fitAgain}
                onChoose={choice.choose}
                onMove={(x, y) => changeBoard((laid) => moved(laid, choice.chosen, x, y))}
                onPlace={(place) => (mode === 'measure' ? picture.mark(place) : addPlace(place))}
                onKey={choice.onKey}
                behind={<PictureBehind picture={picture} />}
                corners={picture.behind ? cornersOf(picture.behind) : []}
              />
            </div>
          </section>
          {kind && (
            <section className="panel order-3 grid gap-3 p-4" aria-label="Try it out">
              <h2 className="text-l font-bold">Try it out</h2>
              <TryOut
                places={own}
                kind={kind}
                passes={group.passes}
                roundsUntilStill={group.roundsUntilStill}
              />
            </section>
          )}
        </div>
        <div className="contents content-start gap-4 lg:grid">
          <Step number={1} title="What joint">
            <JointChoice group={group} site={site} />
          </Step>
          <Step number={2} title="Where they sit">
            <WhereChoice key={group.id} group={group} laid={own.length} picture={picture} onMode={setMode} />
          </Step>
          <Step number={3} title="In which order">
            <OrderChoice group={group} own={own} onChoose={(id) => choice.choose(new Set([id]))} />
          </Step>
          <Step number={4} title="In how many passes">
            <PassesChoice group={group} />
          </Step>
          <div className="order-4">
            <StartJob laying={laying} missing={missingOn(laying, site)} />
          </div>
        </div>
      </div>
    </div>
  );
};
