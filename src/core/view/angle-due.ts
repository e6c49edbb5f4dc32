import { groupOf } from '../job/plan.ts';
import { rulesOf } from '../rules/rules-by-number.ts';
import { turnedDegrees, wholeAngle } from '../spec/requirement/requirement.ts';
import type { FastenerView } from './bench.ts';
import { isByHand } from './group-work.ts';
import type { JobView } from './job-view.ts';
import { lastPass } from './passes.ts';

/** An angle that is to be turned next: which of those that the source asks for, counted from 0, of how many, in degrees. */
export type AngleDue = { readonly step: number; readonly of: number; readonly degrees: number };

/** Every angle that a fastener of a job is turned by after its torque or from snug, in degrees: those of its own requirement, or of the other part in the joint where only
 *  that asks for one, and the larger in whole where both do. None under rules that turn none. */
export const anglesAsked = (
  { rules }: Pick<JobView, 'rules'>,
  { planned }: Pick<FastenerView, 'planned'>,
): readonly number[] => {
  if (!rulesOf(rules)?.anglesAreTurned) return [];
  const { requirement, book } = planned.requirement;
  const other = book?.otherPart?.requirement;
  return turnedDegrees(other && wholeAngle(other) > wholeAngle(requirement) ? other : requirement);
};

/** The angle that a fastener is to be turned by next: once its torque is reached, one step after the other; null where none is due. */
export const angleDue = (
  job: Pick<JobView, 'rules' | 'plan'>,
  fastener: Pick<FastenerView, 'planned' | 'pass' | 'status' | 'turned' | 'isPastLimit' | 'remedy'>,
): AngleDue | null => {
  const asked = anglesAsked(job, fastener);
  const degrees = asked[fastener.turned];
  const isReached =
    fastener.status === 'reached' &&
    (isByHand(fastener) || fastener.pass >= lastPass(groupOf(job.plan, fastener.planned).kind)) &&
    !fastener.isPastLimit &&
    fastener.remedy === null;
  return degrees !== undefined && isReached ? { step: fastener.turned, of: asked.length, degrees } : null;
};
