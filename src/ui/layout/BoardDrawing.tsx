import { type KeyboardEvent, type ReactNode, useRef, useState } from 'react';
import { type Board, moved } from '#core/layout/board.ts';
import { placeAt, within } from '#core/layout/board-view.ts';
import type { Place } from '#core/layout/generator.ts';
import type { Drive } from '#core/tool/drive.ts';
import { useSize } from '../jobs/drawing/use-size.ts';
import { BoardSheet } from './BoardSheet.tsx';
import { BoardZoom } from './BoardZoom.tsx';
import { useBoardGestures } from './use-board-gestures.ts';

/** What a pull or a tap on the empty sheet does: push the drawing, draw a frame that chooses, or say a place, to add a fastener there or to measure. */
export type BoardMode = 'look' | 'frame' | 'add' | 'measure';

type Props = {
  readonly board: Board;
  readonly driveOf: (group: string) => Drive;
  /** The group whose path is drawn. */
  readonly current: string;
  readonly chosen: ReadonlySet<string>;
  readonly mode: BoardMode;
  /** Another value whenever all is to be seen again. */
  readonly fitAgain: string;
  readonly onChoose: (ids: ReadonlySet<string>, isAdded: boolean) => void;
  readonly onMove: (byXMm: number, byYMm: number) => void;
  /** A place tapped, while places are asked for. */
  readonly onPlace: (place: Place) => void;
  readonly onKey: (event: KeyboardEvent) => void;
  /** What lies behind the fasteners, in millimetres. */
  readonly behind?: ReactNode;
  /** The corners of what lies behind. */
  readonly corners: readonly Place[];
};

const FIRST_SIZE = { width: 640, height: 420 };
/** The layer is this many times as large as the frame, so that there is something to see when it is pushed. */
const OVERSCAN = 2;

/** Fasteners laid out, in millimetres: pushed, pinched and zoomed, chosen one by one or by a frame, and moved. */
export const BoardDrawing = (props: Props) => {
  const {
    board,
    driveOf,
    current,
    chosen,
    mode,
    fitAgain,
    onChoose,
    onMove,
    onPlace,
    onKey,
    behind,
    corners,
  } = props;
  const [frame, layer] = [useRef<HTMLDivElement>(null), useRef<HTMLDivElement>(null)];
  const size = useSize(frame, FIRST_SIZE);
  const [pulled, setPulled] = useState<Place | null>(null);
  const [framed, setFramed] = useState<readonly [Place, Place] | null>(null);
  const idAt = (target: EventTarget | null): string | null =>
    (target instanceof Element && target.closest('[data-id]')?.getAttribute('data-id')) || null;
  const { view, bind, zoom, showAll } = useBoardGestures(layer, size, { places: board, corners }, fitAgain, {
    gripAt: (target) => {
      const id = idAt(target);
      if (id !== null && chosen.has(id)) return 'fasteners';
      return mode === 'frame' ? 'frame' : 'view';
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
  const shown = pulled ? moved(board, chosen, pulled.xMm, pulled.yMm) : board;
  return (
    <div className="relative h-full min-h-0">
      <div
        {...bind()}
        ref={frame}
        role="application"
        aria-label="Drawing of what is laid out"
        className={`absolute inset-0 touch-none overflow-hidden rounded-lg border border-rule bg-ground ${mode === 'look' ? 'cursor-grab' : 'cursor-crosshair'}`}
        onClick={(event) => {
          const id = idAt(event.target);
          if (id === null && (mode === 'add' || mode === 'measure')) {
            const box = event.currentTarget.getBoundingClientRect();
            onPlace(
              placeAt(
                view,
                event.clientX - box.left - box.width / 2,
                event.clientY - box.top - box.height / 2,
              ),
            );
            return;
          }
          onChoose(new Set(id === null ? [] : [id]), event.shiftKey || event.ctrlKey || event.metaKey);
        }}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: arrows move what is chosen here
        tabIndex={0}
        onKeyDown={onKey}
      >
        <div ref={layer} className="absolute -inset-1/2 will-change-transform">
          <BoardSheet
            board={shown}
            driveOf={driveOf}
            current={current}
            chosen={chosen}
            view={view}
            width={size.width * OVERSCAN}
            height={size.height * OVERSCAN}
            framed={framed}
            behind={behind}
          />
        </div>
      </div>
      <BoardZoom pixelsPerMm={view.pixelsPerMm} onZoom={zoom} onAll={showAll} />
    </div>
  );
};
