import { useMemo, useRef } from 'react';
import type { JointKind } from '#core/joint/joint-kind.ts';
import type { FastenerView } from '#core/view/bench.ts';
import { DrawingRuler } from './DrawingRuler.tsx';
import { type DrawingView, drawingView } from './drawing-view.ts';
import { FastenerHead } from './FastenerHead.tsx';
import { GroupOutline } from './GroupOutline.tsx';
import { useSize } from './use-size.ts';

type Props = {
  readonly fasteners: readonly FastenerView[];
  readonly seenFrom: string;
  readonly outline: JointKind['outline'];
  /** The fastener with the ring; null when none is next. */
  readonly next: string | null;
  /** Those that follow it, joined by a dotted line. */
  readonly coming: readonly string[];
  readonly onChoose: (position: string) => void;
};

const FIRST_SIZE = { width: 690, height: 560 };

// What is out of view is not drawn: 400 heads repainted at each pull would hold up the verdict.
const isInView = (
  { x, y, width, height, radius }: DrawingView,
  place: { readonly xMm: number; readonly yMm: number },
): boolean =>
  place.xMm > x - radius * 3 &&
  place.xMm < x + width + radius * 3 &&
  place.yMm > y - radius * 3 &&
  place.yMm < y + height + radius * 3;

/** The fasteners where they sit, in millimetres as seen from one side, each with its head and witness stripe. Follows the next one when the
 *  whole would be too small to read. */
export const FastenerDrawing = ({ fasteners, seenFrom, outline, next, coming, onChoose }: Props) => {
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame, FIRST_SIZE);
  const places = useMemo(() => fasteners.map(({ planned }) => planned), [fasteners]);
  const around = places.find(({ position }) => position === next);
  const view = drawingView(places, size, around, outline);
  const pixelsPerMm = size.width / view.width;
  const path = [next, ...coming].flatMap(
    (position) => places.find((place) => place.position === position) ?? [],
  );
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex justify-between gap-3 px-1 pb-1 text-s text-faint">
        <span>seen {seenFrom} · ↑ top · millimetres</span>
        {view.isFollowing && (
          <span className="max-sm:hidden">showing the part around {next ?? places[0]?.position}</span>
        )}
      </div>
      <div ref={frame} className="min-h-0 flex-1 overflow-hidden rounded-lg border border-rule">
        <svg
          viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
          className="block h-full w-full"
          role="img"
          aria-label="Drawing of the fasteners"
        >
          <GroupOutline outline={outline} places={places} view={view} pixelsPerMm={pixelsPerMm} />
          {fasteners
            .filter(({ planned }) => isInView(view, planned))
            .map((fastener) => (
              <FastenerHead
                key={fastener.planned.position}
                fastener={fastener}
                radius={view.radius}
                isNext={fastener.planned.position === next}
                onChoose={onChoose}
              />
            ))}
          {path.length > 1 && (
            <polyline
              points={path.map(({ xMm, yMm }) => `${xMm},${yMm}`).join(' ')}
              fill="none"
              stroke="var(--c-layout)"
              strokeWidth={2 / pixelsPerMm}
              strokeDasharray={`${3 / pixelsPerMm} ${7 / pixelsPerMm}`}
              pointerEvents="none"
            />
          )}
          <rect x={view.x} y={view.y} width={view.width} height={20 / pixelsPerMm} fill="var(--c-ground)" />
          <DrawingRuler view={view} pixelsPerMm={pixelsPerMm} />
        </svg>
      </div>
    </div>
  );
};
