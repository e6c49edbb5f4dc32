import { type ReactNode, useMemo } from 'react';
import type { Board } from '#core/layout/board.ts';
import { type BoardView, within } from '#core/layout/board-view.ts';
import type { Place } from '#core/layout/generator.ts';
import { smallestPitch } from '#core/order/reading-order.ts';
import type { Drive } from '#core/tool/drive.ts';
import { BoardDots, BoardHeads } from './BoardHeads.tsx';
import { useGrowing } from './use-growing.ts';

type Props = {
  readonly board: Board;
  readonly driveOf: (group: string) => Drive;
  readonly current: string;
  readonly chosen: ReadonlySet<string>;
  readonly view: BoardView;
  /** In pixels. */
  readonly width: number;
  readonly height: number;
  /** The frame that is drawn to choose by; null while none is. */
  readonly framed: readonly [Place, Place] | null;
  readonly behind: ReactNode;
};

const SMALLEST_SYMBOL_PX = 5;
const SMALLEST_NAME_PX = 9;
const HEAD_SHARE = 0.24;
const LONE_HEAD_MM = 5;

/** What a board shows of its view: what lies behind, the path of the group that is worked at, the heads, and the frame that chooses. */
export const BoardSheet = ({
  board,
  driveOf,
  current,
  chosen,
  view,
  width,
  height,
  framed,
  behind,
}: Props) => {
  const radiusMm = useMemo(() => {
    const pitch = smallestPitch(board);
    return Number.isFinite(pitch) ? pitch * HEAD_SHARE : LONE_HEAD_MM;
  }, [board]);
  const placeOf = useMemo(() => {
    const counts = new Map<string, number>();
    return new Map(
      board.map(({ id, group }) => {
        const place = (counts.get(group) ?? 0) + 1;
        counts.set(group, place);
        return [id, place];
      }),
    );
  }, [board]);
  const [wide, high] = [width / view.pixelsPerMm, height / view.pixelsPerMm];
  const [left, top] = [view.xMm - wide / 2, view.yMm - high / 2];
  const radiusPx = radiusMm * view.pixelsPerMm;
  // What is out of view is not drawn; dots are one stroke, which stays the same wherever it is looked at from.
  const isDots = radiusPx < SMALLEST_SYMBOL_PX;
  const seen = isDots
    ? board
    : within(
        board,
        { xMm: left - radiusMm, yMm: top - radiusMm },
        { xMm: left + wide + radiusMm, yMm: top + high + radiusMm },
      );
  const drawn = useGrowing(isDots ? 0 : seen.length);
  const path = useMemo(
    () =>
      board
        .filter(({ group }) => group === current)
        .map(({ xMm, yMm }) => `${xMm},${yMm}`)
        .join(' '),
    [board, current],
  );
  return (
    <svg
      viewBox={`${left} ${top} ${wide} ${high}`}
      className="block h-full w-full"
      role="img"
      aria-label={`${board.length} fasteners`}
    >
      {behind}
      <polyline
        points={path}
        fill="none"
        stroke="var(--c-layout)"
        strokeWidth={1.5 / view.pixelsPerMm}
        strokeDasharray={`${3 / view.pixelsPerMm} ${5 / view.pixelsPerMm}`}
        opacity="0.7"
        pointerEvents="none"
      />
      {isDots ? (
        <BoardDots laid={seen} chosen={chosen} radiusMm={radiusMm} />
      ) : (
        <>
          {drawn < seen.length && <BoardDots laid={seen.slice(drawn)} chosen={chosen} radiusMm={radiusMm} />}
          <BoardHeads
            laid={drawn < seen.length ? seen.slice(0, drawn) : seen}
            driveOf={driveOf}
            placeOf={placeOf}
            chosen={chosen}
            radiusMm={radiusMm}
            isNamed={radiusPx >= SMALLEST_NAME_PX}
          />
        </>
      )}
      {framed && (
        <rect
          x={Math.min(framed[0].xMm, framed[1].xMm)}
          y={Math.min(framed[0].yMm, framed[1].yMm)}
          width={Math.abs(framed[1].xMm - framed[0].xMm)}
          height={Math.abs(framed[1].yMm - framed[0].yMm)}
          fill="var(--c-layout)"
          fillOpacity="0.1"
          stroke="var(--c-layout)"
          strokeWidth={1 / view.pixelsPerMm}
        />
      )}
    </svg>
  );
};
