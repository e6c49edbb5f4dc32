import type { JobRefusal } from '../job/refusal.ts';
import type { WrittenTorque } from '../quantity/torque.ts';
import { type Result, refused } from '../result.ts';
import { requirementTarget } from '../rules/requirement-target.ts';
import { rulesOf } from '../rules/rules-by-number.ts';
import type { Schools } from '../target/schools.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import type { FastenerView } from './bench.ts';
import type { JobView } from './job-view.ts';

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

/** A fastener's target and acceptance under the rules and the schools of its job, with the class limit of a tool in percent; null without one.
 *  Refuses: rules-unknown, and what requirementTarget refuses. */
export const targetWith = (
  job: Pick<JobView, 'rules' | 'plan'>,
  { planned, runOn }: Pick<FastenerView, 'planned' | 'runOn'>,
  limitPercent: number | null,
): Result<Target, JobRefusal> => {
  const { schools } = job.plan;
  const before = worked.get(planned);
  if (
    before &&
    before.runOn === runOn &&
    before.limitPercent === limitPercent &&
    before.rules === job.rules &&
    before.schools === schools
  )
    return before.target;
  const rules = rulesOf(job.rules);
  const target: Result<Target, JobRefusal> = rules
    ? requirementTarget(planned.requirement, runOn, schools, limitPercent, rules)
    : refused({ code: 'rules-unknown', number: job.rules });
  worked.set(planned, { runOn, limitPercent, rules: job.rules, schools, target });
  return target;
};
