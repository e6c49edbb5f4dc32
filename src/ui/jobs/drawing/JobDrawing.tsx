import { memo, useMemo, useState } from 'react';
import { groupOf } from '#core/job/plan.ts';
import { fastenerAt } from '#core/view/bench.ts';
import { fastenersIn } from '#core/view/group-work.ts';
import type { JobView } from '#core/view/job-view.ts';
import { FastenerDrawing } from './FastenerDrawing.tsx';

type Props = {
  readonly view: JobView;
  /** The fastener with the ring; null when none is next. */
  readonly next: string | null;
  /** Those that follow it, joined by a dotted line as far as they are on the same drawing. */
  readonly coming: readonly string[];
  readonly onChoose: (position: string) => void;
  /** Shows what the stripes mean; where a page says it otherwise, there is no way to it here. */
  readonly onLegend?: () => void;
};

/** The drawing of the group that the next fastener is in, and the way to those of the other groups. */
export const JobDrawing = memo(({ view, next, coming, onChoose, onLegend }: Props) => {
  const [looked, setLooked] = useState<{ readonly next: string | null; readonly group: string } | null>(null);
  const { groups } = view.plan;
  const fastener = next === null ? undefined : fastenerAt(view, next);
  const here = fastener ? groupOf(view.plan, fastener.planned) : groups[0];
  // A look at another group lasts until the work goes on.
  const shown = (looked?.next === next && groups.find(({ id }) => id === looked.group)) || here;
  const shownId = shown?.id;
  const places = useMemo(
    () => view.plan.fasteners.filter((planned) => groupOf(view.plan, planned).id === shownId),
    [view.plan, shownId],
  );
  if (!shown) return null;
  const fasteners = fastenersIn(view, shown);
  const isHere = (position: string): boolean =>
    fasteners.some(({ planned }) => planned.position === position);
  return (
    <div className="flex h-full min-h-0 flex-col">
      {groups.length > 1 && (
        <nav className="flex gap-2 overflow-x-auto pb-1" aria-label="Groups">
          {groups.map(({ id, title }, index) => (
            <button
              key={id}
              type="button"
              aria-pressed={id === shown.id}
              className="act-quiet whitespace-nowrap aria-pressed:border-layout aria-pressed:font-bold"
              onClick={() => setLooked({ next, group: id })}
            >
              {index + 1} {title}
            </button>
          ))}
        </nav>
      )}
      <div className="min-h-0 flex-1">
        <FastenerDrawing
          fasteners={fasteners}
          places={places}
          seenFrom={shown.seenFrom}
          outline={shown.kind.outline}
          next={next !== null && isHere(next) ? next : null}
          coming={coming.filter(isHere)}
          onChoose={onChoose}
          {...(onLegend ? { onLegend } : {})}
        />
      </div>
    </div>
  );
});
