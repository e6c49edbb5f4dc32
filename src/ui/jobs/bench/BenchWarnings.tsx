import { groupOf, isOnlyOne } from '#core/job/plan.ts';
import { displayTorque } from '#core/quantity/display.ts';
import { lowerHalf } from '#core/target/target-and-acceptance.ts';
import type { FastenerView } from '#core/view/bench.ts';
import { targetOrNull } from '#core/view/fastener-target.ts';
import type { JobView } from '#core/view/job-view.ts';
import { overloadOf } from '#core/view/overloads.ts';
import { classAskedWords } from '#wire/words/book.ts';
import { overloadWords } from '#wire/words/load.ts';
import { requirementView } from '../requirement-view.ts';

/** The upper end of the lower half of a fastener's range, in the unit its source printed. */
const halfWords = (view: JobView, fastener: FastenerView): string => {
  const target = targetOrNull(view, fastener);
  if (!target) return 'the middle of its range';
  const { unit, resolution } = requirementView(view, fastener);
  return displayTorque(lowerHalf(target, view.plan.schools).high, unit, resolution);
};

/** What must be known of the fastener in front before it is pulled: the only one of its kind, the screw that is asked for, a load above what it is
 *  rated for, what is held against it. */
export const BenchWarnings = ({
  fastener,
  view,
}: {
  readonly fastener: FastenerView;
  readonly view: JobView;
}) => {
  const { planned } = fastener;
  const overload = overloadOf(planned);
  const { isLowerHalf, book } = planned.requirement;
  const half = halfWords(view, fastener);
  const asked = book?.conditions.propertyClass;
  return (
    <>
      {isOnlyOne(groupOf(view.plan, planned), planned) && (
        <p className="mt-1 font-semibold text-low">
          There is no other {planned.part}:{' '}
          {isLowerHalf ? 'this is the lower half of its range' : `stay at or under ${half}`}. Stop at the
          first doubt.
        </p>
      )}
      {asked && (
        <p className="mt-1 font-semibold text-low">
          Only a {classAskedWords(asked)}
          {planned.propertyClass
            ? `; this one is ${planned.propertyClass}`
            : ': read the mark on its head, and leave it open where there is none'}
          .
        </p>
      )}
      {overload && <p className="mt-1 font-semibold text-high">{overloadWords(overload)}</p>}
      {planned.counterHold !== '' && (
        <p className="mt-1 font-semibold text-low">Counter-hold: {planned.counterHold}</p>
      )}
    </>
  );
};
