import { adapterSensitivity, settingThrough } from '../adapter/adapter.ts';
import { accepted, type Result, refused } from '../result.ts';
import { type ToolSetting, toolSetting } from '../setting/tool-setting.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import { isIndicating, isPreset, type Tool } from '../tool/tool.ts';
import { isInUsableBand } from '../tool/usable-band.ts';
import { displayDigits, writtenResolution } from '../torque/display.ts';
import { likelyMixUps } from '../torque/mix-up.ts';
import { readNumber } from '../torque/read-number.ts';
import { type WrittenTorque, writtenInNewtonMetres } from '../torque/torque.ts';
import { fromNewtonMetres, type NewtonMetres, newtonMetres } from '../torque/unit.ts';
import { pullStandardUncertainty } from '../verdict/pull-uncertainty.ts';
import { type Judged, tighteningVerdict } from '../verdict/tightening-verdict.ts';
import type { PullBody, PullMethod } from './event.ts';
import { needsRunOn } from './plan-happenings.ts';
import type { JobRefusal } from './refusal.ts';
import { type FastenerState, fastenerAt, type JobState } from './state.ts';

/** What a person does at a fastener, before it is judged. */
export type PullFacts = {
  readonly position: string;
  readonly method: PullMethod;
  /** The digits typed, in the tool's unit, for the method `reading`. */
  readonly readingText: string | null;
  readonly readingStands: boolean;
};

/** Highest reading accepted, as a multiple of the tool's maximum: past it, digits were typed wrong or the tool is broken. */
const READING_MAX_OF_SCALE = 20;
const TORQUE_DECIMALS = 6;
const PROBABILITY_DECIMALS = 4;

/** A torque as the record keeps it: newton metres, half away from zero to 1e-6. */
export const recordedTorque = (torque: number): number => Number(torque.toFixed(TORQUE_DECIMALS));

/** A probability as the record keeps it: half away from zero to 1e-4. */
export const recordedProbability = (probability: number | null): number | null =>
  probability === null ? null : Number(probability.toFixed(PROBABILITY_DECIMALS));

/** What a tool must be set to, so that a fastener's target reaches it through the adapters. */
const atTool = ({ target, low, high }: Target, factor: number): Pick<Target, 'target' | 'low' | 'high'> => ({
  target: settingThrough(target, factor),
  low: settingThrough(low, factor),
  high: settingThrough(high, factor),
});

/** The setting a fastener wants on the job's tool, corrected for its adapters.
 *  Refuses: tool-not-chosen, outside-usable-band (without a lead's override) and what toolSetting refuses. */
export const wantedSetting = (state: JobState, fastener: FastenerState): Result<ToolSetting, JobRefusal> => {
  if (!state.tool) return refused({ code: 'tool-not-chosen' });
  const { scale, calibration, restSetting } = state.tool;
  const wanted = toolSetting(
    atTool(fastener.target, state.adapterFactor),
    scale,
    state.plan.schools.betweenGraduations,
    state.setting?.value ?? restSetting,
  );
  const usable = calibration?.usable;
  if (!wanted.ok || !usable || state.override || isInUsableBand(state.tool, wanted.value.torque))
    return wanted;
  return refused({ code: 'outside-usable-band', ...usable });
};

/** Whether the tool is already set to what a fastener wants; one that shows a torque, or has one setting, always is. */
export const isSetFor = (state: JobState, wanted: ToolSetting): boolean =>
  (state.tool !== null && (isIndicating(state.tool) || isPreset(state.tool))) ||
  (state.setting !== null && Math.abs(state.setting.value - wanted.setting) < 1e-9);

const readingOf = (
  facts: PullFacts,
  tool: Tool,
  wanted: ToolSetting,
  fastener: FastenerState,
  factor: number,
): Result<WrittenTorque | null, JobRefusal> => {
  const { unit, maximum } = tool.scale;
  if (facts.method === 'over-shot') return accepted(null);
  if (facts.method === 'click' && isIndicating(tool)) return refused({ code: 'no-click' });
  if (facts.method === 'click') return accepted({ text: wanted.text, value: wanted.setting, unit });
  const number = readNumber(facts.readingText ?? '');
  if (!number.ok) return number;
  const { text, value } = number.value;
  if (value <= 0 || value > maximum * READING_MAX_OF_SCALE) return refused({ code: 'reading-out-of-bounds' });
  const target = fromNewtonMetres(settingThrough(fastener.target.target, factor), unit);
  const likely = likelyMixUps(value, target);
  if (likely.length > 0 && !facts.readingStands)
    return refused({
      code: 'mix-up-question',
      reading: text,
      target: displayDigits(target, writtenResolution(wanted.text)),
      unit,
      likely,
    });
  return accepted({ text, value, unit });
};

const judgedBody = (
  state: JobState,
  fastener: FastenerState,
  facts: PullFacts,
  judged: Judged,
  seen: Pick<PullBody, 'toolId' | 'setting' | 'reading'>,
): PullBody => {
  const { target, low, high } = fastener.target;
  const verdict = tighteningVerdict(judged, fastener.target, state.plan.schools);
  return {
    position: facts.position,
    pass: 1,
    method: facts.method,
    ...seen,
    readingStands: facts.readingStands,
    targetNewtonMetres: recordedTorque(target),
    lowNewtonMetres: recordedTorque(low),
    highNewtonMetres: recordedTorque(high),
    torqueNewtonMetres: judged.kind === 'reading' ? recordedTorque(judged.reading) : null,
    standardUncertaintyNewtonMetres:
      judged.kind === 'reading' ? recordedTorque(judged.standardUncertainty) : null,
    outcome: verdict.outcome,
    probability: recordedProbability(verdict.probability),
  };
};

/** Standard uncertainty at the fastener: the tool's, through the adapters, and where the hand was, 10 mm either way as a rectangular
 *  distribution. */
const uncertaintyAtFastener = (state: JobState, tool: Tool, shown: NewtonMetres): NewtonMetres => {
  const sensitivity = adapterSensitivity(tool.leverMillimetres, state.adapters);
  const handPercent =
    sensitivity.ok && state.adapterFactor !== 1 ? sensitivity.value.tenMillimetresPercent : 0;
  const hand = (shown * state.adapterFactor * handPercent) / 100 / Math.sqrt(3);
  return newtonMetres(Math.hypot(pullStandardUncertainty(shown, tool) * state.adapterFactor, hand));
};

/** Judges a pull on the job as it stands: the event body with its verdict, or why it can't be recorded yet.
 *  Refuses: unknown-position, job-signed, cautions-incomplete, loosen-first, run-on-missing, tool-not-chosen, setting-not-made,
 *  no-click, outside-usable-band, reading-out-of-bounds, mix-up-question, and what toolSetting and readNumber refuse. */
export const judgePull = (state: JobState, facts: PullFacts): Result<PullBody, JobRefusal> => {
  const fastener = fastenerAt(state, facts.position);
  if (!fastener) return refused({ code: 'unknown-position', position: facts.position });
  if (state.signatures.length > 0) return refused({ code: 'job-signed' });
  if (!state.cautions) return refused({ code: 'cautions-incomplete' });
  if (fastener.isPastLimit) return refused({ code: 'loosen-first', position: facts.position });
  if (needsRunOn(fastener)) return refused({ code: 'run-on-missing', position: facts.position });
  if (facts.method === 'by-feel')
    return accepted(
      judgedBody(state, fastener, facts, { kind: 'by-feel' }, { toolId: null, setting: null, reading: null }),
    );
  const { tool } = state;
  if (!tool) return refused({ code: 'tool-not-chosen' });
  const wanted = wantedSetting(state, fastener);
  if (!wanted.ok) return wanted;
  const { unit } = tool.scale;
  const { text, setting } = wanted.value;
  if (!isSetFor(state, wanted.value)) return refused({ code: 'setting-not-made', wanted: text, unit });
  const reading = readingOf(facts, tool, wanted.value, fastener, state.adapterFactor);
  if (!reading.ok) return reading;
  const shown = reading.value ? writtenInNewtonMetres(reading.value) : null;
  const judged: Judged =
    shown === null
      ? { kind: 'over-shot' }
      : {
          kind: 'reading',
          reading: newtonMetres(shown * state.adapterFactor),
          standardUncertainty: uncertaintyAtFastener(state, tool, shown),
        };
  return accepted(
    judgedBody(state, fastener, facts, judged, {
      toolId: tool.id,
      setting: { text, value: setting, unit },
      reading: reading.value,
    }),
  );
};
