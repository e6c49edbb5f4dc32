import { groupOf, type PlannedFastener } from '../job/plan.ts';
import type { JointKind, Pass } from '../joint/joint-kind.ts';
import { writtenInNewtonMetres } from '../quantity/torque.ts';
import { newtonMetres } from '../quantity/unit.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import type { FastenerView } from './bench.ts';
import type { JobView } from './job-view.ts';

/** The number of a kind's last pass: from it on, a pull is judged by acceptance. */
export const lastPass = ({ passes }: Pick<JointKind, 'passes'>): number => passes.length;

/** The pass or round that a fastener is pulled for next, counted from 1; rounds at full torque count on after the last pass. A kind without
 *  rounds has its last pass again. */
export const nextPass = (
  { plan }: Pick<JobView, 'plan'>,
  { planned, pass }: Pick<FastenerView, 'planned' | 'pass'>,
): number => {
  const { kind } = groupOf(plan, planned);
  return kind.roundsUntilStill ? pass + 1 : Math.min(pass + 1, lastPass(kind));
};

/** Whether a pull for a pass is judged by acceptance: the last pass, and every round after it. */
export const isFullPass = (kind: Pick<JointKind, 'passes'>, pass: number): boolean => pass >= lastPass(kind);

/** Whether a pull for a pass is one of the rounds at full torque, in which it is looked for what moves. */
export const isRound = (kind: Pick<JointKind, 'passes' | 'roundsUntilStill'>, pass: number): boolean =>
  kind.roundsUntilStill && pass > lastPass(kind);

/** Whether a fastener is pulled next in a round at full torque, in which it is said whether it moved. */
export const isRoundNext = (
  job: Pick<JobView, 'plan'>,
  fastener: Pick<FastenerView, 'planned' | 'pass'>,
): boolean => isRound(groupOf(job.plan, fastener.planned).kind, nextPass(job, fastener));

/** The run-on torque that a target was shifted by, in newton metres; 0 where it was not. */
const dragIn = ({ steps }: Target): number =>
  steps.findLast(({ rule }) => rule === 'run-on-added')?.from[1] ?? 0;

/** What a pass asks for of a whole target: its share, or its own torque with the target's tolerance. A run-on torque is felt in every pass, so
 *  that only what is above it is shared. */
const ofPass = (whole: Target, { amount }: Pass): Pick<Target, 'target' | 'low' | 'high'> => {
  const drag = dragIn(whole);
  const share =
    amount.kind === 'share' ? amount.share : writtenInNewtonMetres(amount.torque) / (whole.target - drag);
  const shared = (torque: number) => newtonMetres((torque - drag) * share + drag);
  return { target: shared(whole.target), low: shared(whole.low), high: shared(whole.high) };
};

/** What a fastener is pulled to in a pass: all of its target from the last pass on, before that what the pass asks for. */
export const passTarget = (
  plan: JobView['plan'],
  planned: PlannedFastener,
  whole: Target,
  pass: number,
): Pick<Target, 'target' | 'low' | 'high'> => {
  const { kind } = groupOf(plan, planned);
  const asked = isFullPass(kind, pass) ? undefined : kind.passes[pass - 1];
  return asked ? ofPass(whole, asked) : whole;
};
