import { isWithoutVerdict, type Objection } from '../job/objection.ts';
import { groupOf } from '../job/plan.ts';
import { type Judgement, judgementOf, type PullSaid } from '../job/pull.ts';
import { writtenInNewtonMetres } from '../quantity/torque.ts';
import { newtonMetres } from '../quantity/unit.ts';
import type { Rules } from '../rules/rules.ts';
import type { Schools } from '../target/schools.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import type { Judged, Outcome, Verdict } from '../verdict/tightening-verdict.ts';
import { type FastenerView, type TakenTool, toolPulledWith } from '../view/bench.ts';
import { limitPercentOf } from '../view/fastener-target.ts';
import type { JobView } from '../view/job-view.ts';
import { isFullPass, passTarget } from '../view/passes.ts';
import { sureShareOf } from '../view/rejudged-fastener.ts';
import { targetWith } from '../view/target-with.ts';

const TORQUE_DECIMALS = 6;
const PROBABILITY_DECIMALS = 4;

/** A torque as the record keeps it: newton metres, half away from zero to 1e-6. */
export const recordedTorque = (torque: number): number => Number(torque.toFixed(TORQUE_DECIMALS));

/** A probability as the record keeps it: half away from zero to 1e-4. */
export const recordedProbability = (probability: number | null): number | null =>
  probability === null ? null : Number(probability.toFixed(PROBABILITY_DECIMALS));

/** What is judged of a pull: what its tool applied, as far as that is known. */
const judgedOf = (
  said: PullSaid,
  taken: TakenTool | undefined,
  rules: Rules,
  schools: Schools,
): { readonly judged: Judged | null; readonly knownErrorPercent: number | null } => {
  if (said.method === 'by-feel') return { judged: { kind: 'by-feel' }, knownErrorPercent: null };
  if (said.method === 'over-shot') return { judged: { kind: 'over-shot' }, knownErrorPercent: null };
  if (!taken || !said.reading) return { judged: null, knownErrorPercent: null };
  const { tool, adapters, adapterFactor } = taken;
  const shown = writtenInNewtonMetres(said.reading);
  const { torque, knownErrorPercent } = rules.applied(shown, tool, schools);
  return {
    judged: {
      kind: 'reading',
      reading: newtonMetres(torque * adapterFactor),
      standardUncertainty: rules.standardUncertainty(shown, tool, adapters, adapterFactor, schools),
    },
    knownErrorPercent,
  };
};

type Limits = Pick<Target, 'target' | 'low' | 'high'>;

/** What a pull is judged against: in a pass before the last, its own target and low limit, with the high limit of the whole. */
const limitsOf = (job: JobView, fastener: FastenerView, said: PullSaid, rules: Rules): Limits | null => {
  const atHand = toolPulledWith(job, fastener, said.toolId);
  const limitPercent =
    fastener.fixedLimit || atHand?.tool.id !== said.toolId
      ? limitPercentOf(job, fastener)
      : atHand.tool.limitPercent;
  const whole = targetWith({ rules: rules.number, plan: job.plan }, fastener, limitPercent);
  if (!whole.ok) return null;
  const { target, low } = passTarget(job.plan, fastener.planned, whole.value, said.pass);
  return { target, low, high: whole.value.high };
};

/** How a pull is judged on a job as it stands, under rules. Without a target, or without a tool that is known, there is no verdict. */
export const judgement = (
  job: JobView,
  fastener: FastenerView,
  said: PullSaid,
  rules: Rules,
  objections: readonly Objection[] = [],
): Judgement => {
  const limits = limitsOf(job, fastener, said, rules);
  const { judged, knownErrorPercent } = judgedOf(
    said,
    job.takenTools.get(said.toolId ?? ''),
    rules,
    job.plan.schools,
  );
  const reading = judged?.kind === 'reading' ? judged : null;
  const isFull = isFullPass(groupOf(job.plan, fastener.planned).kind, said.pass);
  const verdict: Verdict =
    limits && judged && !isWithoutVerdict(objections)
      ? isFull
        ? rules.verdict(judged, limits, job.plan.schools, sureShareOf(job, fastener))
        : rules.passVerdict(judged, limits)
      : { outcome: 'no-verdict', probability: null };
  return {
    rules: rules.number,
    targetNewtonMetres: limits && recordedTorque(limits.target),
    lowNewtonMetres: limits && recordedTorque(limits.low),
    highNewtonMetres: limits && recordedTorque(limits.high),
    knownErrorPercent,
    torqueNewtonMetres: reading && recordedTorque(reading.reading),
    standardUncertaintyNewtonMetres: reading && recordedTorque(reading.standardUncertainty),
    outcome: verdict.outcome,
    probability: recordedProbability(verdict.probability),
  };
};

/** How each pull that stands would be judged under other rules, where that is another outcome. */
export const changedByRules = (
  job: JobView,
  rules: Rules,
): readonly {
  readonly position: string;
  readonly pullId: string;
  readonly was: Outcome;
  readonly would: Outcome;
}[] =>
  job.fasteners.flatMap((fastener) => {
    const pull = fastener.pulls.findLast(({ voided }) => voided === null);
    if (!pull || pull.body.outcome === 'no-verdict') return [];
    const would = judgement(job, fastener, pull.body, rules).outcome;
    const was = judgementOf(pull.body).outcome;
    return would === was ? [] : [{ position: fastener.planned.position, pullId: pull.eventId, was, would }];
  });
