import { settingThrough } from '../adapter/adapter.ts';
import { isWithoutVerdict, type Objection, type ObjectionCode } from '../job/objection.ts';
import {
  type Judgement,
  judgementOf,
  type PullBody,
  type PullMethod,
  type PullSaid,
  pullBody,
} from '../job/pull.ts';
import type { JobRefusal } from '../job/refusal.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { Rules } from '../rules/rules.ts';
import { rulesOf } from '../rules/rules-by-number.ts';
import type { ToolSetting } from '../setting/tool-setting.ts';
import { isIndicating, type Tool } from '../tool/tool.ts';
import { TOOL_BLOCKS, type ToolBlock } from '../tool/tool-standing.ts';
import { isInUsableBand } from '../tool/usable-band.ts';
import { displayDigits, writtenResolution } from '../torque/display.ts';
import { readNumber } from '../torque/read-number.ts';
import { type WrittenTorque, writtenInNewtonMetres } from '../torque/torque.ts';
import { fromNewtonMetres, newtonMetres } from '../torque/unit.ts';
import type { Judged, Outcome } from '../verdict/tightening-verdict.ts';
import { type FastenerView, fastenerAt, needsRunOn, type TakenTool } from '../view/bench.ts';
import { targetOf } from '../view/fastener-target.ts';
import type { JobView } from '../view/job-view.ts';
import { isSetFor, needsNoSetting, wantedSetting } from '../view/wanted-setting.ts';
import type { Known } from './known.ts';

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
): { readonly judged: Judged | null; readonly knownErrorPercent: number | null } => {
  if (said.method === 'by-feel') return { judged: { kind: 'by-feel' }, knownErrorPercent: null };
  if (said.method === 'over-shot') return { judged: { kind: 'over-shot' }, knownErrorPercent: null };
  if (!taken || !said.reading) return { judged: null, knownErrorPercent: null };
  const { tool, adapters, adapterFactor } = taken;
  const shown = writtenInNewtonMetres(said.reading);
  const { torque, knownErrorPercent } = rules.applied(shown, tool);
  return {
    judged: {
      kind: 'reading',
      reading: newtonMetres(torque * adapterFactor),
      standardUncertainty: rules.standardUncertainty(shown, tool, adapters, adapterFactor),
    },
    knownErrorPercent,
  };
};

/** How a pull is judged on a job as it stands, under rules. Without a target, or without a tool that is known, there is no verdict. */
export const judgement = (
  job: JobView,
  fastener: FastenerView,
  said: PullSaid,
  rules: Rules,
  objections: readonly Objection[] = [],
): Judgement => {
  const target = targetOf({ rules: rules.number, plan: job.plan, tool: job.tool }, fastener);
  const { judged, knownErrorPercent } = judgedOf(said, job.takenTools.get(said.toolId ?? ''), rules);
  const reading = judged?.kind === 'reading' ? judged : null;
  const verdict =
    target.ok && judged && !isWithoutVerdict(objections)
      ? rules.verdict(judged, target.value, job.plan.schools)
      : ({ outcome: 'no-verdict', probability: null } as const);
  return {
    rules: rules.number,
    targetNewtonMetres: target.ok ? recordedTorque(target.value.target) : null,
    lowNewtonMetres: target.ok ? recordedTorque(target.value.low) : null,
    highNewtonMetres: target.ok ? recordedTorque(target.value.high) : null,
    knownErrorPercent,
    torqueNewtonMetres: reading && recordedTorque(reading.reading),
    standardUncertaintyNewtonMetres: reading && recordedTorque(reading.standardUncertainty),
    outcome: verdict.outcome,
    probability: recordedProbability(verdict.probability),
  };
};

/** What can't be true of a pull, whatever stands against it. Refuses: unknown-position, no-click, reading-out-of-bounds, claim-untrue. */
const impossible = (job: JobView, said: PullSaid, rules: Rules): JobRefusal | null => {
  const { position, pass, method, toolId, setting, reading } = said;
  if (!fastenerAt(job, position)) return { code: 'unknown-position', position };
  // Every plan so far is worked in one round.
  if (pass !== 1) return { code: 'claim-untrue', field: 'pass' };
  const isBare = toolId === null && setting === null && reading === null;
  if (method === 'by-feel') return isBare ? null : { code: 'claim-untrue', field: 'toolId' };
  if (toolId === null || setting === null) return { code: 'claim-untrue', field: 'toolId' };
  if ((method === 'over-shot') !== (reading === null)) return { code: 'claim-untrue', field: 'reading' };
  const tool = job.takenTools.get(toolId)?.tool;
  if (!tool) return null;
  const { unit, maximum } = tool.scale;
  if (setting.unit !== unit || (reading && reading.unit !== unit))
    return { code: 'claim-untrue', field: 'unit' };
  if (method === 'click' && isIndicating(tool)) return { code: 'no-click' };
  if (method === 'click' && (reading?.value !== setting.value || reading.text !== setting.text))
    return { code: 'claim-untrue', field: 'reading' };
  if (reading && (reading.value <= 0 || reading.value > maximum * rules.readingMaxOfScale))
    return { code: 'reading-out-of-bounds' };
  return null;
};

const mixUpQuestion = (
  job: JobView,
  fastener: FastenerView,
  said: Pick<PullSaid, 'method' | 'reading' | 'readingStands'>,
  { tool, adapterFactor }: Pick<TakenTool, 'tool' | 'adapterFactor'>,
  rules: Rules,
): Extract<JobRefusal, { code: 'mix-up-question' }> | null => {
  const target = targetOf(job, fastener);
  if (said.method !== 'reading' || !said.reading || said.readingStands || !target.ok) return null;
  const { unit } = tool.scale;
  const wanted = fromNewtonMetres(settingThrough(target.value.target, adapterFactor), unit);
  const likely = rules.likelyMixUps(said.reading.value, wanted);
  if (likely.length === 0) return null;
  const { text } = said.reading;
  const setting = wantedSetting(job, fastener);
  const resolution = writtenResolution(setting.ok ? setting.value.text : text);
  return { code: 'mix-up-question', reading: text, target: displayDigits(wanted, resolution), unit, likely };
};

/** What stands between the blocks that an objection to a tool is about. */
const BLOCKS_BETWEEN = ', ';

/** The blocks that a pull's tool had against it when it was recorded, by its objections. */
export const blocksObjected = (objections: PullBody['objections']): readonly ToolBlock[] => {
  const about = objections?.find(({ code }) => code === 'tool-blocked')?.about;
  const named = about?.split(BLOCKS_BETWEEN) ?? [];
  return TOOL_BLOCKS.filter((block) => named.includes(block));
};

/** What the tool of a pull has against it. */
const toolObjections = (
  job: JobView,
  fastener: FastenerView,
  said: PullSaid,
  known: Known,
  rules: Rules,
): readonly Objection[] => {
  if (said.method === 'by-feel') return [];
  const taken = job.takenTools.get(said.toolId ?? '');
  if (!taken) return [{ code: 'tool-not-chosen', about: '' }];
  const { tool, override, unallowed, setting } = taken;
  const objections: Objection[] = [];
  const object = (code: ObjectionCode, about: string): void => void objections.push({ code, about });
  const stands = known.blocksOf(tool.id);
  const blocks = [...new Set([...unallowed, ...stands])].filter((block) => !override?.blocks.includes(block));
  if (blocks.length > 0) object('tool-blocked', blocks.join(BLOCKS_BETWEEN));
  if (said.setting && !override && !isInUsableBand(tool, writtenInNewtonMetres(said.setting)))
    object('outside-usable-band', tool.code);
  if (!needsNoSetting(tool) && setting?.value !== said.setting?.value)
    object('setting-differs', setting ? setting.text : tool.code);
  if (mixUpQuestion(job, fastener, said, taken, rules)) object('mix-up-question', said.reading?.text ?? '');
  return objections;
};

/** Everything that stands against a pull that was made, as far as the asker knows. */
const objectionsTo = (
  job: JobView,
  fastener: FastenerView,
  said: PullSaid,
  known: Known,
  rules: Rules,
): readonly Objection[] => {
  const objections: Objection[] = [];
  const object = (code: ObjectionCode, about = ''): void => void objections.push({ code, about });
  if (job.signatures.length > 0) object('job-signed', job.signatures[0]?.person.name ?? '');
  if (!job.cautions) object('cautions-incomplete');
  if (fastener.isPastLimit) object('loosen-first');
  if (needsRunOn(fastener)) object('run-on-missing');
  if (!targetOf(job, fastener).ok) object('no-target');
  objections.push(...toolObjections(job, fastener, said, known, rules));
  const last = fastener.pulls.at(-1);
  if (said.seenPulls !== null && said.seenPulls < fastener.pulls.length && last)
    object('pulled-meanwhile', last.person.name);
  return objections;
};

const isSameJudgement = (a: Judgement, b: Judgement): boolean =>
  a.outcome === b.outcome &&
  a.probability === b.probability &&
  a.torqueNewtonMetres === b.torqueNewtonMetres &&
  a.standardUncertaintyNewtonMetres === b.standardUncertaintyNewtonMetres &&
  a.lowNewtonMetres === b.lowNewtonMetres &&
  a.highNewtonMetres === b.highNewtonMetres &&
  a.targetNewtonMetres === b.targetNewtonMetres &&
  a.knownErrorPercent === b.knownErrorPercent &&
  a.rules === b.rules;

/** A pull that was made, judged anew with all the asker knows. It is recorded whatever stands against it.
 *  Refuses: rules-unknown, and only what can't be true: unknown-position, no-click, reading-out-of-bounds, claim-untrue. */
export const recordedPull = (
  job: JobView,
  said: PullSaid,
  known: Known,
  rules: Rules,
): Result<PullBody, JobRefusal> => {
  const untrue = impossible(job, said, rules);
  const fastener = fastenerAt(job, said.position);
  if (untrue || !fastener) return refused(untrue ?? { code: 'unknown-position', position: said.position });
  const objections = objectionsTo(job, fastener, said, known, rules);
  const stands = judgement(job, fastener, said, rules, objections);
  const { shown } = known;
  const isAsShown = shown === null || isSameJudgement(shown, stands);
  const beside = { shown: isAsShown ? null : shown, objections: objections.length > 0 ? objections : null };
  return accepted(pullBody(said, stands, beside));
};

/** What a person does at a fastener, before it is judged. */
export type PullFacts = {
  readonly position: string;
  readonly method: PullMethod;
  /** The digits typed, in the tool's unit, for the method `reading`. */
  readonly readingText: string | null;
  readonly readingStands: boolean;
};

const readingOf = (
  facts: PullFacts,
  tool: Tool,
  setting: WrittenTorque,
): Result<WrittenTorque | null, JobRefusal> => {
  if (facts.method === 'over-shot') return accepted(null);
  if (facts.method === 'click') return isIndicating(tool) ? refused({ code: 'no-click' }) : accepted(setting);
  const number = readNumber(facts.readingText ?? '');
  return number.ok ? accepted({ ...number.value, unit: tool.scale.unit }) : number;
};

const settingFor = (job: JobView, tool: Tool, wanted: ToolSetting): Result<WrittenTorque, JobRefusal> => {
  const { text, setting: value } = wanted;
  const { unit } = tool.scale;
  return isSetFor(job, wanted)
    ? accepted({ text, value, unit })
    : refused({ code: 'setting-not-made', wanted: text, unit });
};

/** Judges a pull at the bench on the job as it stands: the event body with its verdict, or why it must not be recorded yet.
 *  Refuses: unknown-position, rules-unknown, job-signed, cautions-incomplete, loosen-first, run-on-missing, tool-not-chosen,
 *  setting-not-made, no-click, outside-usable-band, reading-out-of-bounds, mix-up-question, and what targetOf, toolSetting and readNumber refuse. */
export const judgePull = (job: JobView, facts: PullFacts): Result<PullBody, JobRefusal> => {
  const { position, method, readingStands } = facts;
  const rules = rulesOf(job.rules);
  if (!rules) return refused({ code: 'rules-unknown', number: job.rules });
  const fastener = fastenerAt(job, position);
  if (!fastener) return refused({ code: 'unknown-position', position });
  if (job.signatures.length > 0) return refused({ code: 'job-signed' });
  if (!job.cautions) return refused({ code: 'cautions-incomplete' });
  if (fastener.isPastLimit) return refused({ code: 'loosen-first', position });
  if (needsRunOn(fastener)) return refused({ code: 'run-on-missing', position });
  const target = targetOf(job, fastener);
  if (!target.ok) return target;
  const bare = { position, pass: 1, method, readingStands, seenPulls: fastener.pulls.length };
  const body = (said: PullSaid): PullBody =>
    pullBody(said, judgement(job, fastener, said, rules), { shown: null, objections: null });
  if (method === 'by-feel') return accepted(body({ ...bare, toolId: null, setting: null, reading: null }));
  const { tool } = job;
  if (!tool) return refused({ code: 'tool-not-chosen' });
  const { unallowed = [] } = job.takenTools.get(tool.id) ?? {};
  if (unallowed.length > 0) return refused({ code: 'tool-blocked', toolCode: tool.code, blocks: unallowed });
  const wanted = wantedSetting(job, fastener);
  if (!wanted.ok) return wanted;
  const setting = settingFor(job, tool, wanted.value);
  if (!setting.ok) return setting;
  const reading = readingOf(facts, tool, setting.value);
  if (!reading.ok) return reading;
  const said: PullSaid = { ...bare, toolId: tool.id, setting: setting.value, reading: reading.value };
  const untrue = impossible(job, said, rules);
  if (untrue) return refused(untrue);
  const question = mixUpQuestion(job, fastener, said, job as JobView & { readonly tool: Tool }, rules);
  return question ? refused(question) : accepted(body(said));
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
