import { z } from 'zod';
import { positionSchema, whySchema } from '../../bounds.ts';
import { requirementProblem } from '../../command/claims.ts';
import { unmetClass } from '../../job/in-hand.ts';
import { type PlannedRequirement, plannedRequirementSchema } from '../../job/plan.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { accepted, refused } from '../../result.ts';
import { requirementTarget } from '../../rules/requirement-target.ts';
import { asksNoTorque } from '../../target/target-and-acceptance.ts';
import { fastenerAt, fixedLimitNow, withFastener } from '../../view/bench.ts';
import { toolFor } from '../../view/tool-for.ts';
import { eventKind } from '../event-kind.ts';

type Moved = { readonly position: string; readonly requirement: PlannedRequirement; readonly why: string };

/** A fastener moved to another requirement, as after its source was withdrawn. What was pulled stays in the record; the fastener is open
 *  again, since nothing has been judged by the new one. */
export const requirementMoved = eventKind({
  kind: 'requirement-moved',
  body: z.strictObject({
    position: positionSchema,
    requirement: plannedRequirementSchema,
    why: whySchema,
  }) satisfies z.ZodType<Moved>,
  actions: () => ['work-on-job'],
  says: (body: Moved) => body,
  /** Refuses: unknown-position, why-missing, class-not-met, requirement-misread, book-reference-unknown, and what the target refuses. */
  decide: (job, said, known, rules) => {
    const { position, requirement, why } = said;
    const fastener = fastenerAt(job, position);
    if (!fastener) return refused({ code: 'unknown-position', position });
    if (saysNothing(why)) return refused({ code: 'why-missing' });
    const tooWeak = unmetClass({ ...fastener.planned, requirement });
    if (tooWeak) return refused(tooWeak);
    const problem = requirementProblem(position, requirement, known, rules);
    if (problem) return refused(problem);
    const target = requirementTarget(
      requirement,
      fastener.runOn,
      job.plan.schools,
      toolFor(job, fastener)?.tool.limitPercent ?? null,
      rules,
    );
    return target.ok || asksNoTorque(target.refusal) ? accepted(said) : target;
  },
  apply: {
    bench: (job, { body: { position, requirement } }) =>
      withFastener(job, position, (fastener) => ({
        ...fastener,
        planned: { ...fastener.planned, requirement },
        fixedLimit: fixedLimitNow(job, fastener),
        status: 'open',
        pass: 0,
        moved: null,
        unquietPass: 0,
        isWitnessMarked: false,
        leftOpen: null,
      })),
  },
});
