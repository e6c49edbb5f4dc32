import { groupOf } from '../job/plan.ts';
import { rulesOf } from '../rules/rules-by-number.ts';
import { turnedDegrees } from '../spec/requirement/requirement.ts';
import type { FastenerView } from './bench.ts';
import type { JobView } from './job-view.ts';
import { lastPass } from './passes.ts';

/** An angle that is to be turned next: which of those that the source asks for, counted from 0, of how many, in degrees. */
export type AngleDue = { readonly step: number; readonly of: number; readonly degrees: number };

/** Every angle that a fastener of a job is turned by after its torque, in degrees; none under rules that turn none. */
export const anglesAsked = (
  { rules }: Pick<JobView, 'rules'>,
  { planned }: Pick<FastenerView, 'planned'>,
): readonly number[] =>
  rulesOf(rules)?.anglesAreTurned ? turnedDegrees(planned.requirement.requirement) : [];

/** The angle that a fastener is to be turned by next: once its torque is reached, one step after the other; null where none is due. */
export const angleDue = (
  job: Pick<JobView, 'rules' | 'plan'>,
  fastener: Pick<FastenerView, 'planned' | 'pass' | 'status' | 'turned' | 'isPastLimit' | 'remedy'>,
): AngleDue | null => {
  const asked = anglesAsked(job, fastener);
  const degrees = asked[fastener.turned];
  const isReached =
    fastener.status === 'reached' &&
    fastener.pass >= lastPass(groupOf(job.plan, fastener.planned).kind) &&
    !fastener.isPastLimit &&
    fastener.remedy === null;
  return degrees !== undefined && isReached ? { step: fastener.turned, of: asked.length, degrees } : null;
};
