import type { Target } from '../target/target-and-acceptance.ts';
import type { FastenerView } from './bench.ts';
import { targetOrNull } from './fastener-target.ts';
import type { JobView } from './job-view.ts';
import { nextPass, passTarget } from './passes.ts';

/** What a fastener is pulled to in the pass that is next; null where it has no target. */
export const passLimits = (
  job: JobView,
  fastener: FastenerView,
): Pick<Target, 'target' | 'low' | 'high'> | null => {
  const whole = targetOrNull(job, fastener);
  return whole && passTarget(job.plan, fastener.planned, whole, nextPass(job, fastener));
};
