import type { PlannedRequirement } from '../job/plan.ts';
import type { JobRefusal } from '../job/refusal.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { Rules } from '../rules/rules.ts';
import { rulesOf } from '../rules/rules-by-number.ts';
import type { Schools } from '../target/schools.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import type { WrittenTorque } from '../torque/torque.ts';
import { type FastenerView, limitPercentOf } from './bench.ts';
import type { JobView } from './job-view.ts';

/** Target and acceptance of a requirement on a job. The school "tool class" has none until a tool is chosen, which works it out again; the
 *  site's tolerance stands in until then. Refuses: what specifiedTarget refuses, and angle-not-recordable. */
export const targetOnJob = (
  { requirement, book }: PlannedRequirement,
  runOn: WrittenTorque | null,
  schools: Schools,
  toolLimitPercent: number | null,
  rules: Rules,
): Result<Target, JobRefusal> => {
  const known =
    toolLimitPercent === null ? { ...schools, nominalTolerance: 'site-tolerance' as const } : schools;
  const printedRunOn = book?.conditions.runOn.kind === 'measured' ? book.conditions.runOn.torque : null;
  const target = rules.target(
    {
      requirement,
      otherPart: book?.otherPart?.requirement ?? null,
      runOn: runOn ?? printedRunOn,
      isForHarderMaterial: book?.isPartSofter ?? false,
    },
    known,
    toolLimitPercent,
  );
  if (!target.ok) return target;
  const { thenAngleDegrees, ...torqueTarget } = target.value;
  return thenAngleDegrees === null
    ? accepted(torqueTarget)
    : refused({ code: 'angle-not-recordable', angleDegrees: thenAngleDegrees });
};

type Worked = {
  readonly runOn: WrittenTorque | null;
  readonly limitPercent: number | null;
  readonly rules: number;
  readonly schools: Schools;
  readonly target: Result<Target, JobRefusal>;
};
// What was planned is never changed, only replaced, and outlasts every pull: what was worked out for it holds while all that it was worked out
// from is the same.
const worked = new WeakMap<FastenerView['planned'], Worked>();

/** A fastener's target and acceptance under the rules and the schools of its job, with how they came about.
 *  Refuses: rules-unknown, and what targetOnJob refuses. */
export const targetOf = (
  job: Pick<JobView, 'rules' | 'plan' | 'tool'>,
  fastener: FastenerView,
): Result<Target, JobRefusal> => {
  const limitPercent = limitPercentOf(job, fastener);
  const { schools } = job.plan;
  const before = worked.get(fastener.planned);
  if (
    before &&
    before.runOn === fastener.runOn &&
    before.limitPercent === limitPercent &&
    before.rules === job.rules &&
    before.schools === schools
  )
    return before.target;
  const rules = rulesOf(job.rules);
  const target: Result<Target, JobRefusal> = rules
    ? targetOnJob(fastener.planned.requirement, fastener.runOn, schools, limitPercent, rules)
    : refused({ code: 'rules-unknown', number: job.rules });
  worked.set(fastener.planned, { runOn: fastener.runOn, limitPercent, rules: job.rules, schools, target });
  return target;
};

/** The same where a screen has nothing to say of a refusal: null. */
export const targetOrNull = (
  job: Pick<JobView, 'rules' | 'plan' | 'tool'>,
  fastener: FastenerView,
): Target | null => {
  const target = targetOf(job, fastener);
  return target.ok ? target.value : null;
};
