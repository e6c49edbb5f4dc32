import type { JobRefusal } from '../job/refusal.ts';
import type { Result } from '../result.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import type { FastenerView } from './bench.ts';
import type { JobView } from './job-view.ts';
import { targetWith } from './target-with.ts';
import { toolFor } from './tool-for.ts';

type Targeted = Pick<JobView, 'rules' | 'plan' | 'toolsOf' | 'takenTools'>;

/** The class limit in percent that a fastener's acceptance is worked out with; null while no tool is at hand for it. */
export const limitPercentOf = (job: Targeted, fastener: FastenerView): number | null =>
  fastener.fixedLimit ? fastener.fixedLimit.percent : (toolFor(job, fastener)?.tool.limitPercent ?? null);

/** A fastener's target and acceptance under the rules and the schools of its job, with how they came about.
 *  Refuses: what targetWith refuses. */
export const targetOf = (job: Targeted, fastener: FastenerView): Result<Target, JobRefusal> =>
  targetWith(job, fastener, limitPercentOf(job, fastener));

/** The same where a screen has nothing to say of a refusal: null. */
export const targetOrNull = (job: Targeted, fastener: FastenerView): Target | null => {
  const target = targetOf(job, fastener);
  return target.ok ? target.value : null;
};
