import { lazy, Suspense, useCallback, useEffect, useMemo } from 'react';
import { stayAwake } from '#client/device/awake.ts';
import { comingFrom } from '#client/job/bench-state.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import type { Person } from '#core/people/person.ts';
import { isDeviceWanted } from '#core/view/device-wanted.ts';
import { handedOver } from '#core/view/notes.ts';
import { passLimits } from '#core/view/pass-limits.ts';
import { Later } from '../../kit/Later.tsx';
import { AtHand } from '../AtHand.tsx';
import { JobDrawing } from '../drawing/JobDrawing.tsx';
import { JobHeader } from '../JobHeader.tsx';
import { useJob } from '../use-job.ts';
import { BenchActions } from './BenchActions.tsx';
import { BenchFoot } from './BenchFoot.tsx';
import { BenchReading } from './BenchReading.tsx';
import { BenchSetting } from './BenchSetting.tsx';
import { BenchStep } from './BenchStep.tsx';
import { BenchTarget } from './BenchTarget.tsx';
import { BenchVerdict } from './BenchVerdict.tsx';
import { ComfortChoice } from './ComfortChoice.tsx';
import { fetchLater, loadDevice, loadHandedOver, loadQuestions, loadRemedy, loadTurn } from './later.ts';
import { NotThisTool } from './NotThisTool.tsx';
import { useAfterFrame } from './use-after-frame.ts';
import { useBench } from './use-bench.ts';
import { letGo, useBenchKeys } from './use-bench-keys.ts';
import { useComfort } from './use-comfort.ts';

const BenchQuestions = lazy(loadQuestions);
const BenchRemedy = lazy(loadRemedy);
const BenchTurn = lazy(loadTurn);
const BenchDevice = lazy(loadDevice);
const HandedOver = lazy(loadHandedOver);
/** How many of those that follow are joined by the dotted line. */
const DRAWN_AHEAD = 3;

type Props = {
  readonly events: readonly LedgerEvent[];
  readonly person: Person;
  /** Everyone who works here. */
  readonly people: readonly Person[];
};

/** The bench: one fastener at a time, hands free. What changes scrolls above; the verdict and the actions keep their place at the foot. */
export const BenchScreen = ({ person, ...given }: Props) => (
  <AtHand person={person} job={given.events[0]?.job ?? ''}>
    {(hands) => <BenchInHand {...given} person={hands} />}
  </AtHand>
);

const BenchInHand = ({ events, person, people }: Props) => {
  const job = useJob(events[0]?.job ?? '', events, person);
  const [comfort, comfortStore] = useComfort();
  const bench = useBench(job, comfortStore, person);
  useBenchKeys(bench);
  useEffect(fetchLater, []);
  useEffect(stayAwake, []);
  const { view } = job;
  const { ask } = bench;
  // The verdict and what is next come first; the drawing, what comes and the foot follow within a frame or two, also on a slow tablet with 400 fasteners.
  const { position } = bench;
  const drawn = useAfterFrame(useMemo(() => ({ view, position }), [view, position]));
  const coming = useMemo(
    () => comingFrom(drawn.view, drawn.position, comfort.fewest),
    [drawn.view, drawn.position, comfort.fewest],
  );
  const ahead = useMemo(() => coming.slice(0, DRAWN_AHEAD), [coming]);
  const showLegend = useCallback(() => ask('legend'), [ask]);
  const showKeys = useCallback(() => ask('help'), [ask]);
  const { action } = bench;
  const left = handedOver(view, person);
  const foot = <BenchFoot view={drawn.view} coming={coming} onChoose={bench.choose} />;
  return (
    <>
      <JobHeader job={job} tab="bench" />
      {left && (
        <Later>
          <HandedOver key={left.eventId} note={left} />
        </Later>
      )}
      {/* biome-ignore lint/a11y/noStaticElementInteractions: it only lets go of the focus that a tap leaves behind */}
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: the keys do not come by here */}
      <div className="flex min-h-0 flex-1 flex-col lg:flex-row" onClick={letGo}>
        <section
          className="flex min-h-0 flex-col short:hidden lg:short:flex lg:min-w-0 lg:flex-1"
          aria-label="Drawing"
        >
          <div
            className={`${view.plan.groups.length > 1 ? 'h-52' : 'h-38'} p-2 sm:h-72 sm:p-3 lg:h-auto lg:min-h-0 lg:flex-1`}
          >
            <JobDrawing
              view={drawn.view}
              next={drawn.position}
              coming={ahead}
              onChoose={bench.choose}
              onLegend={showLegend}
            />
          </div>
          <div className="hidden lg:block">{foot}</div>
        </section>
        <section
          className="flex min-h-0 flex-1 flex-col border-rule bg-sheet max-lg:border-t lg:w-[452px] lg:flex-none lg:border-l"
          aria-label="Bench"
        >
          <div className="flex min-h-0 flex-1 flex-col gap-2 px-4 py-2 sm:overflow-y-auto lg:px-6">
            <BenchTarget bench={bench} view={view} />
            {action.kind === 'turn' && (
              <Later>
                <BenchTurn due={action.due} isInSixths={bench.isInSixths} />
              </Later>
            )}
            {/* What is pulled now is looked at before what the tool was set to. */}
            {isDeviceWanted(view, action) && (
              <Later>
                <BenchDevice bench={bench} view={view} />
              </Later>
            )}
            {(action.kind === 'set-tool' || action.kind === 'pull') && (
              <BenchSetting
                action={action}
                limits={bench.fastener ? passLimits(view, bench.fastener) : null}
              />
            )}
            {action.kind === 'another-tool' && <NotThisTool {...action} />}
            {bench.fastener?.remedy && (
              <Later>
                <BenchRemedy fastener={bench.fastener} view={view} />
              </Later>
            )}
            <BenchStep bench={bench} view={view} person={person} />
            <BenchReading bench={bench} view={view} />
          </div>
          <div className="grid gap-2 border-t border-rule bg-sheet px-4 py-2 max-sm:sticky max-sm:bottom-14 max-sm:z-10 lg:px-6">
            <BenchVerdict bench={bench} view={view} />
            <BenchActions bench={bench} view={view} person={person} isReady={job.isReady} />
            <div className="short:hidden max-sm:hidden">
              <ComfortChoice comfort={comfort} onChange={comfortStore.change} onKeys={showKeys} />
            </div>
          </div>
          <div className="px-4 sm:hidden">
            <ComfortChoice comfort={comfort} onChange={comfortStore.change} onKeys={showKeys} />
          </div>
          <div className="short:hidden lg:hidden">{foot}</div>
        </section>
      </div>
      {bench.question !== null && (
        <Suspense fallback={null}>
          <BenchQuestions bench={bench} job={job} person={person} people={people} />
        </Suspense>
      )}
    </>
  );
};
