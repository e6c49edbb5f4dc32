import { groupOf, isOnlyOne, type PlannedFastener } from '#core/job/plan.ts';
import type { JobView } from '#core/view/job-view.ts';
import { overloadOf } from '#core/view/overloads.ts';
import { classAskedWords } from '#wire/words/book.ts';
import { overloadWords } from '#wire/words/load.ts';

/** What must be known of the fastener in front before it is pulled: the only one of its kind, the screw that is asked for, a load above what it is
 *  rated for, what is held against it. */
export const BenchWarnings = ({
  planned,
  view,
}: {
  readonly planned: PlannedFastener;
  readonly view: JobView;
}) => {
  const overload = overloadOf(planned);
  const { isLowerHalf, book } = planned.requirement;
  const asked = book?.conditions.propertyClass;
  return (
    <>
      {isOnlyOne(groupOf(view.plan, planned), planned) && (
        <p className="mt-1 font-semibold text-low">
          There is no other {planned.part}: {isLowerHalf ? 'the' : 'stay in the'} lower half of its range, and
          stop at the first doubt.
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
