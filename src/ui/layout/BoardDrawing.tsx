import { type KeyboardEvent, type ReactNode, useMemo, useRef, useState } from 'react';
import { type Board, moved } from '#core/layout/board.ts';
import { placeAt, within } from '#core/layout/board-view.ts';
import type { Place } from '#core/layout/generator.ts';
import { smallestPitch } from '#core/order/reading-order.ts';
import type { Drive } from '#core/tool/drive.ts';
import { useSize } from '../jobs/drawing/use-size.ts';
import { BoardHeads } from './BoardHeads.tsx';
import { BoardZoom } from './BoardZoom.tsx';
import { useBoardGestures } from './use-board-gestures.ts';

type Props = {
  readonly board: Board;
  readonly driveOf: (group: string) => Drive;
  /** The group whose path is drawn. */
  readonly current: string;
  readonly chosen: ReadonlySet<string>;
  /** Whether a pull on the empty sheet draws a frame that selects, instead of pushing the drawing. */
  readonly isFraming: boolean;
  /** Another value whenever all is to be seen again. */
  readonly fitAgain: string;
  readonly onChoose: (ids: ReadonlySet<string>, isAdded: boolean) => void;
  readonly onMove: (byXMm: number, byYMm: number) => void;
  readonly onKey: (event: KeyboardEvent) => void;
  /** What lies behind the fasteners, in millimetres. */
  readonly behind?: ReactNode;
};

const FIRST_SIZE = { width: 640, height: 420 };
const HEAD_SHARE = 0.28;
const LONE_HEAD_MM = 5;
/** The layer is this many times as large as the frame, so that there is something to see when it is pushed. */
const OVERSCAN = 2;

/** Fasteners laid out, in millimetres: pushed, pinched and zoomed, chosen one by one or by a frame, and moved. */
export const BoardDrawing = (props: Props) => {
  const { board, driveOf, current, chosen, isFraming, fitAgain, onChoose, onMove, onKey, behind } = props;
  const [frame, layer] = [useRef<HTMLDivElement>(null), useRef<HTMLDivElement>(null)];
  const size = useSize(frame, FIRST_SIZE);
  const [pulled, setPulled] = useState<Place | null>(null);
  const [framed, setFramed] = useState<readonly [Place, Place] | null>(null);
  const idAt = (target: EventTarget | null): string | null =>
    (target instanceof Element && target.closest('[data-id]')?.getAttribute('data-id')) || null;
  const { view, bind, zoom, showAll } = useBoardGestures(layer, size, board, fitAgain, {
    gripAt: (target) => {
      const id = idAt(target);
      if (id !== null && chosen.has(id)) return 'fasteners';
      return isFraming ? 'frame' : 'view';
    },
    onPull: (grip, from, by, isOver) => {
      const [x, y] = [by[0] / view.pixelsPerMm, by[1] / view.pixelsPerMm];
      if (grip === 'fasteners') {
        setPulled(isOver ? null : { xMm: x, yMm: y });
        if (isOver) onMove(x, y);
        return;
      }
      const a = placeAt(view, from[0], from[1]);
      const b = { xMm: a.xMm + x, yMm: a.yMm + y };
      setFramed(isOver ? null : [a, b]);
      if (isOver) onChoose(new Set(within(board, a, b).map(({ id }) => id)), false);
    },
  });
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
  const shown = pulled ? moved(board, chosen, pulled.xMm, pulled.yMm) : board;
  const [wide, high] = [
    (size.width * OVERSCAN) / view.pixelsPerMm,
    (size.height * OVERSCAN) / view.pixelsPerMm,
  ];
  const seen = within(
    shown,
    { xMm: view.xMm - wide / 2 - radiusMm, yMm: view.yMm - high / 2 - radiusMm },
    { xMm: view.xMm + wide / 2 + radiusMm, yMm: view.yMm + high / 2 + radiusMm },
  );
  const path = shown.filter(({ group }) => group === current);
  return (
    <div className="relative h-full min-h-0">
      <div
        {...bind()}
        ref={frame}
        role="application"
        aria-label="Drawing of what is laid out"
        className={`absolute inset-0 touch-none overflow-hidden rounded-lg border border-rule bg-ground ${isFraming ? 'cursor-crosshair' : 'cursor-grab'}`}
        onClick={(event) => {
          const id = idAt(event.target);
          onChoose(new Set(id === null ? [] : [id]), event.shiftKey || event.ctrlKey || event.metaKey);
        }}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: arrows move what is chosen here
        tabIndex={0}
        onKeyDown={onKey}
      >
        <div ref={layer} className="absolute -inset-1/2 will-change-transform">
          <svg
            viewBox={`${view.xMm - wide / 2} ${view.yMm - high / 2} ${wide} ${high}`}
            className="block h-full w-full"
            role="img"
            aria-label={`${board.length} fasteners`}
          >
            {behind}
            <polyline
              points={path.map(({ xMm, yMm }) => `${xMm},${yMm}`).join(' ')}
              fill="none"
              stroke="var(--c-layout)"
              strokeWidth={1.5 / view.pixelsPerMm}
              strokeDasharray={`${3 / view.pixelsPerMm} ${5 / view.pixelsPerMm}`}
              opacity="0.7"
              pointerEvents="none"
            />
            <BoardHeads
              laid={seen}
              driveOf={driveOf}
              placeOf={placeOf}
              chosen={chosen}
              radiusMm={radiusMm}
              pixelsPerMm={view.pixelsPerMm}
            />
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
        </div>
      </div>
      <BoardZoom pixelsPerMm={view.pixelsPerMm} onZoom={zoom} onAll={showAll} />
    </div>
  );
};
