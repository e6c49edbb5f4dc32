import { requirementProblem } from '../../command/claims.ts';
import type { Known } from '../../command/known.ts';
import type { Happened } from '../../job/happened.ts';
import { unmetClass } from '../../job/in-hand.ts';
import { type JobPlan, jobPlanSchema } from '../../job/plan.ts';
import type { JobRefusal } from '../../job/refusal.ts';
import type { Action } from '../../people/may.ts';
import { accepted, type Result, refused } from '../../result.ts';
import { requirementTarget } from '../../rules/requirement-target.ts';
import type { Rules } from '../../rules/rules.ts';
import { asksNoTorque } from '../../target/target-and-acceptance.ts';
import { type JobView, newJobView } from '../../view/job-view.ts';

/** What is wrong with how a plan hangs together; null when nothing is: every fastener in one of its groups, the groups one after the other, none
 *  empty, and each kind of joint as the site has it. */
const shapeProblem = ({ groups, fasteners }: JobPlan, known: Known): JobRefusal | null => {
  const ids = groups.map(({ id }) => id);
  if (new Set(ids).size < ids.length) return { code: 'plan-misshaped', what: 'group-repeated' };
  const runs = fasteners.flatMap(({ group }, index) =>
    fasteners[index - 1]?.group === group ? [] : [group],
  );
  if (runs.some((id) => !ids.includes(id))) return { code: 'plan-misshaped', what: 'group-unknown' };
  if (ids.some((id) => !runs.includes(id))) return { code: 'plan-misshaped', what: 'group-empty' };
  if (runs.join('\n') !== ids.join('\n')) return { code: 'plan-misshaped', what: 'group-scattered' };
  const foreign = groups.find(({ kind }) => !known.isJointKind(kind));
  if (foreign) return { code: 'joint-kind-unknown', jointKind: foreign.kind.name };
  const details = new Map(groups.map(({ id, kind }) => [id, kind.details.map((detail) => detail.id)]));
  const isKnown = fasteners.every(({ group, details: own }) =>
    Object.keys(own).every((id) => details.get(group)?.includes(id)),
  );
  return isKnown ? null : { code: 'plan-misshaped', what: 'detail-unknown' };
};

/** A job planned: the event that every job begins with. */
export const jobPlanned = {
  kind: 'job-planned',
  body: jobPlanSchema,
  actions: (): readonly Action[] => ['plan-job'],
  says: (body: JobPlan): JobPlan => body,
  knew: (): Partial<Known> => ({}),
  /** Refuses: plan-misshaped, joint-kind-unknown, position-repeated, class-not-met, requirement-misread, book-reference-unknown, and what targetOnJob refuses. */
  decide: (plan: JobPlan, known: Known, rules: Rules): Result<JobPlan, JobRefusal> => {
    const shape = shapeProblem(plan, known);
    if (shape) return refused(shape);
    const positions = new Set<string>();
    const checked = new Set<string>();
    for (const fastener of plan.fasteners) {
      const { position, requirement } = fastener;
      if (positions.has(position)) return refused({ code: 'position-repeated', position });
      positions.add(position);
      const tooWeak = unmetClass(fastener);
      if (tooWeak) return refused(tooWeak);
      // Hundreds of terminals say the same: each requirement is checked once.
      const key = JSON.stringify(requirement);
      if (checked.has(key)) continue;
      checked.add(key);
      const problem = requirementProblem(position, requirement, known, rules);
      if (problem) return refused(problem);
      const target = requirementTarget(requirement, null, plan.schools, null, rules);
      if (!target.ok && !asksNoTorque(target.refusal)) return target;
    }
    return accepted(plan);
  },
  begin: ({ job, body, person, deviceTime }: Happened<JobPlan>): JobView =>
    newJobView({ job, plan: body, person, at: deviceTime }),
} as const;
