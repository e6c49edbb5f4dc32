import { happenedAt } from '../../job/happened.ts';
import { groupOf, type PlannedGroup } from '../../job/plan.ts';
import type { JobRefusal } from '../../job/refusal.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { type StepBody, type StepSaid, stepBodySchema } from '../../job/step-done.ts';
import type { JointStep } from '../../joint/joint-step.ts';
import { accepted, type Result, refused } from '../../result.ts';
import { type FastenerView, fastenerAt } from '../../view/bench.ts';
import { jobSteps, limitsFor } from '../../view/due-steps.ts';
import type { JobView } from '../../view/job-view.ts';
import { lastPulledAt, MINUTE_MS } from '../../view/last-pulled.ts';
import { stepKey } from '../../view/steps.ts';
import { eventKind } from '../event-kind.ts';

// A limit that was read exactly must not fall outside through a last binary digit.
const HAIR = 1e-9;

type Found = {
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

/** The step that is said to be done, where the plan has it. Refuses: group-unknown, step-unknown, unknown-position, step-misdone (on something it
 *  is not done on). */
const foundStep = (job: JobView, said: StepSaid): Result<Found, JobRefusal> => {
  const { group: id, step: stepId, of, afterPass } = said;
  const misdone = refused({ code: 'step-misdone', step: stepId } as const);
  if (id === null) {
    const step = (['prepare', 'between-passes', 'settle', 'check', 'close'] as const)
      .flatMap((stage) => jobSteps(job.plan, stage))
      .find((each) => each.id === stepId);
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

const RESULT_OF = {
  confirm: 'confirmed',
  measure: 'measured',
  wait: 'waited',
  photograph: 'photographed',
  inspect: 'inspected',
} as const;

const waitedMinutes = (job: JobView, group: PlannedGroup | null, at: string | null): number | null => {
  const since = lastPulledAt(job, group);
  return since === null || at === null ? null : Math.max(0, (Date.parse(at) - Date.parse(since)) / MINUTE_MS);
};

/** A step of the plan done, or left with a reason. It stands beside the signatures and strikes none. */
export const stepDone = eventKind({
  kind: 'step-done',
  body: stepBodySchema,
  mayFollowSignature: true,
  actions: () => ['work-on-job'],
  says: ({ group, step, of, afterPass, result }: StepBody): StepSaid => ({
    group,
    step,
    of,
    afterPass,
    result,
  }),
  /** Refuses: what foundStep refuses, step-misdone (another thing than the step asks, another unit), why-missing (something waits for it and
   *  nothing is said), wait-not-over. */
  decide: (job, said, { at }) => {
    const found = foundStep(job, said);
    if (!found.ok) return found;
    const { step, group, fastener } = found.value;
    const { result } = said;
    const limits = limitsFor(step, fastener);
    const bare = { ...said, limits, waitedMinutes: null };
    if (result.kind === 'left')
      return step.isBlocking && saysNothing(result.why)
        ? refused({ code: 'why-missing' })
        : accepted({ ...bare, isGood: false });
    if (RESULT_OF[step.act.kind] !== result.kind) return refused({ code: 'step-misdone', step: step.id });
    if (result.kind === 'measured' && limits) {
      const { value, unit } = result.measure;
      if (unit !== limits.unit) return refused({ code: 'step-misdone', step: step.id });
      const isGood =
        (limits.low === null || value >= limits.low - HAIR) &&
        (limits.high === null || value <= limits.high + HAIR);
      return accepted({ ...bare, isGood });
    }
    if (step.act.kind === 'wait') {
      const waited = waitedMinutes(job, group, at);
      if (waited !== null && waited < step.act.minutes - HAIR)
        return refused({ code: 'wait-not-over', minutesLeft: Math.ceil(step.act.minutes - waited) });
      return accepted({ ...bare, waitedMinutes: waited, isGood: true });
    }
    return accepted({ ...bare, isGood: result.kind !== 'inspected' || result.isGood });
  },
  apply: {
    steps: (job, event) => {
      const { body, id: eventId, person } = event;
      const done = { ...body, eventId, person, at: happenedAt(event) };
      return {
        steps: [...job.steps, done],
        lastSteps: new Map(job.lastSteps).set(stepKey(body), done),
      };
    },
  },
});
