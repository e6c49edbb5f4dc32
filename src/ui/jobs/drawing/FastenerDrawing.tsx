import { useMemo, useRef } from 'react';
import type { PlannedFastener } from '#core/job/plan.ts';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { smallestPitch } from '#core/order/reading-order.ts';
import type { FastenerView } from '#core/view/bench.ts';
import { DrawingRuler } from './DrawingRuler.tsx';
import { CELL, type DrawingView, drawingView, RULER_PX } from './drawing-view.ts';
import { FastenerHead } from './FastenerHead.tsx';
import { GroupOutline } from './GroupOutline.tsx';
import { type ShortName, shortNames } from './short-names.ts';
import { useSize } from './use-size.ts';

type Props = {
  readonly fasteners: readonly FastenerView[];
  /** Where they sit: the same list for as long as the plan is the same, for what is worked out from it holds over every pull. */
  readonly places: readonly PlannedFastener[];
  readonly seenFrom: string;
  readonly outline: JointKind['outline'];
  /** The fastener with the ring; null when none is next. */
  readonly next: string | null;
  /** Those that follow it, joined by a dotted line. */
  readonly coming: readonly string[];
  readonly onChoose: (position: string) => void;
  readonly onLegend?: () => void;
};

const NO_NAME: ShortName = { strip: '', own: '' };
const FIRST_SIZE = { width: 690, height: 560 };

// What is out of view is not drawn: 400 heads repainted at each pull would hold up the verdict. Nor is what the edge would cut: a row is seen whole or not at all.
const isWhole = (
  { x, y, width, height, radius }: DrawingView,
  pixelsPerMm: number,
  place: { readonly xMm: number; readonly yMm: number },
): boolean =>
  place.xMm - radius * CELL.side >= x &&
  place.xMm + radius * CELL.side <= x + width &&
  place.yMm - radius * CELL.above >= y + RULER_PX / pixelsPerMm &&
  place.yMm + radius * CELL.below <= y + height;

/** The same view for as long as it shows the same. */
const useSameView = (view: DrawingView): DrawingView => {
  const { x, y, width, height, radius, isFollowing } = view;
  return useMemo(
    () => ({ x, y, width, height, radius, isFollowing }),
    [x, y, width, height, radius, isFollowing],
  );
};

/** The fasteners where they sit, in millimetres as seen from one side, each with its head and witness stripe. Follows the next one when the
 *  whole would be too small to read. */
export const FastenerDrawing = ({
  fasteners,
  places,
  seenFrom,
  outline,
  next,
  coming,
  onChoose,
  onLegend,
}: Props) => {
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame, FIRST_SIZE);
  const around = places.find(({ position }) => position === next);
  // A drawing that is put away for want of room has no size.
  const isSeen = size.width > 0 && size.height > RULER_PX;
  const pitch = useMemo(() => smallestPitch(places), [places]);
  const view = useSameView(drawingView(places, isSeen ? size : FIRST_SIZE, around, outline, pitch));
  const pixelsPerMm = (isSeen ? size.width : FIRST_SIZE.width) / view.width;
  const shown = useMemo(
    () => (view.isFollowing ? places.filter((place) => isWhole(view, pixelsPerMm, place)) : places),
    [view, pixelsPerMm, places],
  );
  const isShown = useMemo(() => new Set(shown.map(({ position }) => position)), [shown]);
  const names = useMemo(() => shortNames(places.map(({ position }) => position)), [places]);
  const path = [next, ...coming].flatMap(
    (position) => places.find((place) => place.position === position) ?? [],
  );
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex items-center justify-between gap-3 px-1 text-s text-faint">
        <span>seen {seenFrom} · ↑ top · millimetres</span>
        {view.isFollowing && (
          <span className="max-sm:hidden">
            around {next ?? places[0]?.position}, {shown.length} of {fasteners.length}
          </span>
        )}
        {onLegend && (
          <button
            type="button"
            className="min-h-11 shrink-0 px-1 text-layout underline underline-offset-3"
            onClick={onLegend}
          >
            stripes <span className="key max-sm:hidden">L</span>
          </button>
        )}
      </div>
      <div
        ref={frame}
        className="min-h-0 flex-1 contain-content overflow-hidden will-change-transform rounded-lg border border-rule"
      >
        <svg
          viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
          className="block h-full w-full"
          role="img"
          aria-label="Drawing of the fasteners"
        >
          <GroupOutline
            outline={outline}
            places={outline === 'rails' ? shown : places}
            view={view}
            pixelsPerMm={pixelsPerMm}
          />
          {fasteners.map(
            (fastener) =>
              isShown.has(fastener.planned.position) && (
                <FastenerHead
                  key={fastener.planned.position}
                  fastener={fastener}
                  radius={view.radius}
                  isNext={fastener.planned.position === next}
                  name={names.get(fastener.planned.position) ?? NO_NAME}
                  onChoose={onChoose}
                />
              ),
          )}
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
