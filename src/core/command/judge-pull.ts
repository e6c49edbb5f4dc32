import type { PullDevice } from '../device/curve-facts.ts';
import { type PullBody, type PullMethod, type PullSaid, pullBody } from '../job/pull.ts';
import type { JobRefusal } from '../job/refusal.ts';
import { readNumber } from '../quantity/read-number.ts';
import type { WrittenTorque } from '../quantity/torque.ts';
import { accepted, type Result, refused } from '../result.ts';
import { rulesOf } from '../rules/rules-by-number.ts';
import { isIndicating, type Tool } from '../tool/tool.ts';
import type { ToolSetting } from '../tool/tool-setting.ts';
import { fastenerAt, needsRunOn, type TakenTool } from '../view/bench.ts';
import { stepsBefore } from '../view/due-steps.ts';
import { targetOf } from '../view/fastener-target.ts';
import type { JobView } from '../view/job-view.ts';
import { nextPass } from '../view/passes.ts';
import { settingWith, toolFor } from '../view/tool-for.ts';
import { isSetFor } from '../view/wanted-setting.ts';
import { judgement } from './judgement.ts';
import { mixUpQuestion } from './pull-objections.ts';
import { impossible } from './recorded-pull.ts';

/** What a person does at a fastener, before it is judged. */
export type PullFacts = {
  readonly position: string;
  readonly method: PullMethod;
  /** The digits typed, in the tool's unit, for the method `reading`. */
  readonly readingText: string | null;
  readonly readingStands: boolean;
  /** Whether it moved before the tool gave, in a round at full torque; left out in a pass. */
  readonly moved?: boolean | null;
  /** The device that read it; left out where a person did. */
  readonly device?: PullDevice | undefined;
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

const settingFor = (taken: TakenTool, wanted: ToolSetting): Result<WrittenTorque, JobRefusal> => {
  const { text, setting: value } = wanted;
  const { unit } = taken.tool.scale;
  return isSetFor(taken, wanted)
    ? accepted({ text, value, unit })
    : refused({ code: 'setting-not-made', wanted: text, unit });
};

/** Judges a pull at the bench on the job as it stands: the event body with its verdict, or why it must not be recorded yet.
 *  Refuses: unknown-position, rules-unknown, job-signed, cautions-incomplete, step-first, loosen-first, remedy-first, run-on-missing, tool-not-chosen,
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
  const [act] = fastener.remedy?.left ?? [];
  if (act) return refused({ code: 'remedy-first', position, act });
  if (needsRunOn(fastener)) return refused({ code: 'run-on-missing', position });
  const waiting = stepsBefore(job, fastener).find(({ step }) => step.isBlocking);
  if (waiting) return refused({ code: 'step-first', title: waiting.step.title });
  const target = targetOf(job, fastener);
  if (!target.ok) return target;
  const bare = {
    position,
    pass: nextPass(job, fastener),
    method,
    readingStands,
    seenPulls: fastener.pulls.length,
    moved: facts.moved ?? null,
    ...(facts.device ? { device: facts.device } : {}),
  };
  const body = (said: PullSaid): PullBody =>
    pullBody(said, judgement(job, fastener, said, rules), { shown: null, objections: null });
  if (method === 'by-feel') return accepted(body({ ...bare, toolId: null, setting: null, reading: null }));
  const taken = toolFor(job, fastener);
  if (!taken) return refused({ code: 'tool-not-chosen' });
  const { tool, unallowed } = taken;
  if (unallowed.length > 0) return refused({ code: 'tool-blocked', toolCode: tool.code, blocks: unallowed });
  const wanted = settingWith(job, fastener, taken);
  if (!wanted.ok) return wanted;
  const setting = settingFor(taken, wanted.value);
  if (!setting.ok) return setting;
  const reading = readingOf(facts, tool, setting.value);
  if (!reading.ok) return reading;
  const said: PullSaid = { ...bare, toolId: tool.id, setting: setting.value, reading: reading.value };
  const untrue = impossible(job, said, rules);
  if (untrue) return refused(untrue);
  const question = mixUpQuestion(job, fastener, said, taken, rules);
  return question ? refused(question) : accepted(body(said));
};
