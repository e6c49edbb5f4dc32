import { groupOf } from '../job/plan.ts';
import type { PullBody } from '../job/pull.ts';
import { NEWEST_RULES, rulesOf } from '../rules/rules-by-number.ts';
import { sureShare } from '../target/schools.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import { rejudgedPull } from '../verdict/rejudged-pull.ts';
import type { Verdict } from '../verdict/tightening-verdict.ts';
import type { FastenerView, PullRecord } from './bench.ts';
import type { JobView } from './job-view.ts';
import { isFullPass } from './passes.ts';

/** The pull that a fastener stands on: its last one at full torque, neither voided nor loosened since; null where it stands on none. */
export const standingPull = (
  { plan }: Pick<JobView, 'plan'>,
  { planned, pulls, status }: FastenerView,
): PullRecord | null => {
  if (status === 'open' || status === 'voided') return null;
  const last = pulls.findLast(({ voided }) => voided === null);
  return last && isFullPass(groupOf(plan, planned).kind, last.body.pass) ? last : null;
};

/** How likely a pull must be inside to be called in: as the site asks, or not at all where a lead accepted that no tool is sure enough. */
export const sureShareOf = (
  { plan, acceptedGaps }: Pick<JobView, 'plan' | 'acceptedGaps'>,
  { planned }: Pick<FastenerView, 'planned'>,
): number => (acceptedGaps.has(planned.group) ? 0 : sureShare(plan.schools));

/** The verdict that a recorded pull would get under other limits, by the rules and schools of its job. One that never got a verdict gets none. */
export const wouldBe = (
  job: Pick<JobView, 'plan' | 'rules' | 'acceptedGaps'>,
  fastener: Pick<FastenerView, 'planned'>,
  pull: PullBody,
  limits: Pick<Target, 'low' | 'high'>,
): Verdict => {
  if (pull.outcome === 'no-verdict') return { outcome: 'no-verdict', probability: null };
  const { verdict } = rulesOf(job.rules) ?? NEWEST_RULES;
  return rejudgedPull(pull, limits, { ...job.plan.schools, verdict, sureShare: sureShareOf(job, fastener) });
};
