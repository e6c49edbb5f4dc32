import { takingHalf } from '#core/job/moved-requirement.ts';
import type { PlannedPart } from '#core/job/plan.ts';
import type { FastenerView } from '#core/view/bench.ts';
import { isByHand } from '#core/view/group-work.ts';
import type { OpenJob } from '../use-job.ts';

type Props = { readonly part: PlannedPart; readonly job: OpenJob };

const isUntouched = ({ pulls }: FastenerView): boolean => pulls.every(({ voided }) => voided !== null);

/** A part there is no other of: the warning, and the lower half of the range to be taken for what is not pulled yet. */
export const LowerHalfOffer = ({ part, job }: Props) => {
  const { view } = job;
  const own = view.fasteners.filter((each) => each.planned.part === part.code && !isByHand(each));
  const isTaken = ({ planned }: FastenerView): boolean => planned.requirement.isLowerHalf === true;
  const taken = own.filter(isTaken);
  const untouched = own.filter(isUntouched);
  const isLower = untouched.length > 0 && untouched.every(isTaken);
  const change = (): void => {
    for (const { planned } of untouched)
      job.happen({
        kind: 'requirement-moved',
        body: {
          position: planned.position,
          requirement: takingHalf(planned.requirement, !isLower),
          why: isLower
            ? `the whole range again for ${part.code}`
            : `there is no other ${part.code}: the lower half of its range`,
        },
      });
  };
  return (
    <div className="grid justify-items-start gap-2" data-testid={`only-one-${part.code}`}>
      <p className="font-semibold text-low">
        There is no other: stay in the lower half of its range, and stop at the first doubt.
        {taken.length > 0 && ` The lower half is taken for ${taken.length} of ${own.length}.`}
      </p>
      {untouched.length > 0 && view.signatures.length === 0 && (
        <button type="button" className="act-quiet" disabled={!job.isReady} onClick={change}>
          {isLower ? 'Take the whole range again' : `Take the lower half for ${untouched.length}`}
        </button>
      )}
    </div>
  );
};
