import { type FoundStep, foundStep } from '../../command/found-step.ts';
import type { Known } from '../../command/known.ts';
import { happenedAt } from '../../job/happened.ts';
import type { JobRefusal } from '../../job/refusal.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { type StepBody, type StepResult, type StepSaid, stepBodySchema } from '../../job/step-done.ts';
import type { Limits } from '../../joint/joint-step.ts';
import { whoMay } from '../../people/may.ts';
import { accepted, type Result, refused } from '../../result.ts';
import type { Rules } from '../../rules/rules.ts';
import { limitsFor, stepsBeside } from '../../view/due-steps.ts';
import type { JobView } from '../../view/job-view.ts';
import { MINUTE_MS } from '../../view/last-pulled.ts';
import { rowDone, rowOf } from '../../view/step-row.ts';
import { stepKey } from '../../view/steps.ts';
import { waitSince } from '../../view/wait-since.ts';
import { eventKind } from '../event-kind.ts';

// A limit that was read exactly must not fall outside through a last binary digit.
const HAIR = 1e-9;

const RESULT_OF = {
  confirm: 'confirmed',
  measure: 'measured',
  wait: 'waited',
  photograph: 'photographed',
  inspect: 'inspected',
} as const;

type Said<K extends StepResult['kind']> = { readonly result: Extract<StepResult, { readonly kind: K }> };
type Decided = Result<Pick<StepBody, 'waitedMinutes' | 'isGood'>, JobRefusal>;

/** Left undone. What something waits for is left with a reason, by a lead alone where the rules say so. */
const left = (
  { result }: Said<'left'>,
  { step }: FoundStep,
  { person }: Known,
  { leadLeavesSteps }: Rules,
): Decided => {
  if (step.isBlocking && saysNothing(result.why)) return refused({ code: 'why-missing' });
  const right = step.isBlocking && leadLeavesSteps ? whoMay(person, 'leave-step') : null;
  return right && !right.ok ? right : accepted({ waitedMinutes: null, isGood: false });
};

/** Whether what is measured now agrees with what it has to agree with. It does where a lead left that; where it was never done it does not. */
const agrees = (
  job: JobView,
  { group, of, afterPass }: StepSaid,
  { step }: FoundStep,
  value: number,
): boolean => {
  if (step.agrees === undefined) return true;
  const other = job.lastSteps.get(stepKey({ group, step: step.agrees.with, of, afterPass }));
  if (other?.result.kind !== 'measured') return other?.result.kind === 'left';
  const first = other.result.measure.value;
  return Math.abs(value - first) <= (Math.abs(first) * step.agrees.withinPercent) / 100 + HAIR;
};

const measured = (
  job: JobView,
  said: StepSaid & Said<'measured'>,
  found: FoundStep,
  limits: Limits,
  { hasHappened }: Known,
): Decided => {
  const { measure, instrument } = said.result;
  const { value, unit } = measure;
  if (unit !== limits.unit) return refused({ code: 'step-misdone', step: said.step });
  const row = rowOf(stepsBeside(job, found), found.step);
  const begun = rowDone(job, row, said);
  const isWithOther =
    begun.instrument !== null && begun.instrument !== instrument && row[0]?.id !== said.step;
  if (isWithOther && !hasHappened)
    return refused({ code: 'instrument-differs', instrument: begun.instrument ?? '' });
  const isInside =
    (limits.low === null || value >= limits.low - HAIR) &&
    (limits.high === null || value <= limits.high + HAIR);
  return accepted({ waitedMinutes: null, isGood: isInside && agrees(job, said, found, value) });
};

const waited = (job: JobView, said: StepSaid, found: FoundStep, at: string | null, rules: Rules): Decided => {
  const { act } = found.step;
  const since = waitSince(job, said, found, rules);
  if (since === null && rules.waitsAreBegun && found.step.stage !== 'settle')
    return refused({ code: 'wait-not-begun', step: said.step });
  const minutes = since && at ? Math.max(0, (Date.parse(at) - Date.parse(since)) / MINUTE_MS) : null;
  if (act.kind === 'wait' && minutes !== null && minutes < act.minutes - HAIR)
    return refused({ code: 'wait-not-over', minutesLeft: Math.ceil(act.minutes - minutes) });
  return accepted({ waitedMinutes: minutes, isGood: true });
};

/** What a step came to, as its act has it. */
const cameTo = (
  job: JobView,
  said: StepSaid,
  found: FoundStep,
  limits: Limits | null,
  known: Known,
  rules: Rules,
): Decided => {
  const { step } = found;
  const { result } = said;
  if (result.kind === 'left') return left({ result }, found, known, rules);
  if (RESULT_OF[step.act.kind] !== result.kind) return refused({ code: 'step-misdone', step: step.id });
  if (result.kind === 'measured' && limits) return measured(job, { ...said, result }, found, limits, known);
  if (result.kind === 'waited') return waited(job, said, found, known.at, rules);
  return accepted({ waitedMinutes: null, isGood: result.kind !== 'inspected' || result.isGood });
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
   *  nothing is said), role-may-not (left by somebody who may not), instrument-differs (before it is done), wait-not-begun, wait-not-over. */
  decide: (job, said, known, rules) => {
    const found = foundStep(job, said);
    if (!found.ok) return found;
    const { step, fastener } = found.value;
    const limits = limitsFor(step, fastener);
    const came = cameTo(job, said, found.value, limits, known, rules);
    return came.ok ? accepted({ ...said, limits, ...came.value }) : came;
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
