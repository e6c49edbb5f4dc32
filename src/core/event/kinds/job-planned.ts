import { requirementProblem } from '../../command/claims.ts';
import type { Known } from '../../command/known.ts';
import { type JobPlan, jobPlanSchema } from '../../job/plan.ts';
import type { JobRefusal } from '../../job/refusal.ts';
import { accepted, type Result, refused } from '../../result.ts';
import type { Rules } from '../../rules/rules.ts';
import { targetOnJob } from '../../view/fastener-target.ts';
import { type JobView, newJobView } from '../../view/job-view.ts';
import type { Happened } from '../happened.ts';

/** A job planned: the event that every job begins with. */
export const jobPlanned = {
  kind: 'job-planned',
  body: jobPlanSchema,
  actions: () => ['plan-job'],
  says: (body: JobPlan): JobPlan => body,
  knew: (): Partial<Known> => ({}),
  /** Refuses: position-repeated, requirement-misread, book-reference-unknown, and what targetOnJob refuses. */
  decide: (plan: JobPlan, known: Known, rules: Rules): Result<JobPlan, JobRefusal> => {
    const positions = new Set<string>();
    const checked = new Set<string>();
    for (const { position, requirement } of plan.fasteners) {
      if (positions.has(position)) return refused({ code: 'position-repeated', position });
      positions.add(position);
      // Hundreds of terminals say the same: each requirement is checked once.
      const key = JSON.stringify(requirement);
      if (checked.has(key)) continue;
      checked.add(key);
      const problem = requirementProblem(position, requirement, known, rules);
      if (problem) return refused(problem);
      const target = targetOnJob(requirement, null, plan.schools, null, rules);
      if (!target.ok) return target;
    }
    return accepted(plan);
  },
  begin: ({ job, body, person, deviceTime }: Happened<JobPlan>): JobView =>
    newJobView({ job, plan: body, person, at: deviceTime }),
} as const;
