import type { Objection, ObjectionCode } from '../job/objection.ts';
import type { PullBody, PullSaid } from '../job/pull.ts';
import type { JobRefusal } from '../job/refusal.ts';
import { displayDigits, writtenResolution } from '../quantity/display.ts';
import { writtenInNewtonMetres } from '../quantity/torque.ts';
import { fromNewtonMetres } from '../quantity/unit.ts';
import type { Rules } from '../rules/rules.ts';
import { settingThrough } from '../tool/adapter.ts';
import { TOOL_BLOCKS, type ToolBlock } from '../tool/tool-blocks.ts';
import { isInUsableBand } from '../tool/usable-band.ts';
import { type FastenerView, needsRunOn, type TakenTool } from '../view/bench.ts';
import { stepsBefore } from '../view/due-steps.ts';
import { targetOf } from '../view/fastener-target.ts';
import type { JobView } from '../view/job-view.ts';
import { nextPass, passTarget } from '../view/passes.ts';
import { settingWith } from '../view/tool-for.ts';
import { needsNoSetting } from '../view/wanted-setting.ts';
import type { Known } from './known.ts';

/** The question whether a reading was in another unit than it is said to be; null where there is none to ask. */
export const mixUpQuestion = (
  job: JobView,
  fastener: FastenerView,
  said: Pick<PullSaid, 'method' | 'reading' | 'readingStands' | 'pass'>,
  taken: TakenTool,
  rules: Rules,
): Extract<JobRefusal, { code: 'mix-up-question' }> | null => {
  const whole = targetOf(job, fastener);
  if (said.method !== 'reading' || !said.reading || said.readingStands || !whole.ok) return null;
  const { unit } = taken.tool.scale;
  const { target } = passTarget(job.plan, fastener.planned, whole.value, said.pass);
  const wanted = fromNewtonMetres(settingThrough(target, taken.adapterFactor), unit);
  const likely = rules.likelyMixUps(said.reading.value, wanted);
  if (likely.length === 0) return null;
  const { text } = said.reading;
  const setting = settingWith(job, fastener, taken);
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
export const objectionsTo = (
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
  if (fastener.remedy) object('remedy-left', fastener.remedy.left.join(BLOCKS_BETWEEN));
  if (needsRunOn(fastener)) object('run-on-missing');
  if (!targetOf(job, fastener).ok) object('no-target');
  objections.push(...toolObjections(job, fastener, said, known, rules));
  const wanted = nextPass(job, fastener);
  if (said.pass !== wanted) object('pass-out-of-order', String(wanted));
  const missing = stepsBefore(job, fastener).find(({ step }) => step.isBlocking);
  if (missing) object('step-missing', missing.step.title);
  const last = fastener.pulls.at(-1);
  if (said.seenPulls !== null && said.seenPulls < fastener.pulls.length && last)
    object('pulled-meanwhile', last.person.name);
  return objections;
};
