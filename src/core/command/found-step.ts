import { groupOf, type PlannedGroup } from '../job/plan.ts';
import type { JobRefusal } from '../job/refusal.ts';
import type { StepPlace } from '../job/step-done.ts';
import type { JointStep } from '../joint/joint-step.ts';
import { accepted, type Result, refused } from '../result.ts';
import { type FastenerView, fastenerAt } from '../view/bench.ts';
import { jobSteps, makeSafeSteps } from '../view/due-steps.ts';
import type { JobView } from '../view/job-view.ts';

/** A step of a plan, and what it is done on. */
export type FoundStep = {
  readonly step: JointStep;
  readonly group: PlannedGroup | null;
  readonly fastener: FastenerView | undefined;
};

const isAfterPass = (
  { stage, scope }: JointStep,
  group: PlannedGroup | null,
  afterPass: number | null,
): boolean =>
  stage === 'between-passes' && scope !== 'job'
    ? afterPass !== null && afterPass < (group?.kind.passes.length ?? 0)
    : afterPass === null;

/** The step that is spoken of, where the plan has it. Refuses: group-unknown, step-unknown, unknown-position, step-misdone (on something it is not
 *  done on). */
export const foundStep = (
  job: JobView,
  { group: id, step: stepId, of, afterPass }: StepPlace,
): Result<FoundStep, JobRefusal> => {
  const misdone = refused({ code: 'step-misdone', step: stepId } as const);
  if (id === null) {
    const step = [
      ...makeSafeSteps(job.plan),
      ...(['prepare', 'between-passes', 'settle', 'check', 'close'] as const).flatMap((stage) =>
        jobSteps(job.plan, stage),
      ),
    ].find((each) => each.id === stepId);
    if (!step) return refused({ code: 'step-unknown', step: stepId });
    return of === null && afterPass === null ? accepted({ step, group: null, fastener: undefined }) : misdone;
  }
  const group = job.plan.groups.find((each) => each.id === id);
  if (!group) return refused({ code: 'group-unknown', group: id });
  const step = group.kind.steps.find((each) => each.id === stepId);
  if (!step || step.stage === 'make-safe' || step.scope === 'job')
    return refused({ code: 'step-unknown', step: stepId });
  if (!isAfterPass(step, group, afterPass)) return misdone;
  const fastener = step.scope === 'fastener' ? fastenerAt(job, of ?? '') : undefined;
  if (step.scope === 'fastener') {
    if (!fastener) return refused({ code: 'unknown-position', position: of ?? '' });
    return groupOf(job.plan, fastener.planned).id === id ? accepted({ step, group, fastener }) : misdone;
  }
  const isRight = step.scope === 'part' ? group.parts.some(({ code }) => code === of) : of === null;
  return isRight ? accepted({ step, group, fastener }) : misdone;
};
