import type { JobRefusal } from '../job/refusal.ts';
import { accepted, type Result, refused } from '../result.ts';
import { rulesOf } from '../rules/rules-by-number.ts';
import { settingThrough } from '../tool/adapter.ts';
import { betterFit, shownTarget, type ToolFit } from '../tool/choose-tool.ts';
import type { ToolSetting } from '../tool/tool-setting.ts';
import { isInUsableBand } from '../tool/usable-band.ts';
import { conformanceProbability } from '../verdict/conformance-probability.ts';
import { type FastenerView, type TakenTool, toolsAtHand } from './bench.ts';
import type { JobView } from './job-view.ts';
import { nextPass, passTarget } from './passes.ts';
import { targetWith } from './target-with.ts';

type Settable = Pick<JobView, 'rules' | 'plan' | 'toolsOf' | 'takenTools'>;

/** The setting a fastener wants on a tool for its next pass, corrected for the adapters on it.
 *  Refuses: rules-unknown, outside-usable-band (without a lead's override), what targetWith and toolSetting refuse. */
export const settingWith = (
  job: Pick<JobView, 'rules' | 'plan'>,
  fastener: FastenerView,
  { tool, adapterFactor, setting, override }: TakenTool,
): Result<ToolSetting, JobRefusal> => {
  const rules = rulesOf(job.rules);
  if (!rules) return refused({ code: 'rules-unknown', number: job.rules });
  const { fixedLimit } = fastener;
  const whole = targetWith(job, fastener, fixedLimit ? fixedLimit.percent : tool.limitPercent);
  if (!whole.ok) return whole;
  const { target, low, high } = passTarget(job.plan, fastener.planned, whole.value, nextPass(job, fastener));
  const { schools } = job.plan;
  const atTool = {
    target: settingThrough(target, adapterFactor),
    low: settingThrough(low, adapterFactor),
    high: settingThrough(high, adapterFactor),
  };
  const wanted = rules.setting(
    shownTarget(atTool, tool, schools, rules),
    tool.scale,
    schools.betweenGraduations,
    setting?.value ?? tool.restSetting,
  );
  const usable = tool.calibration?.usable;
  if (!wanted.ok || !usable || override || isInUsableBand(tool, wanted.value.torque)) return wanted;
  return refused({ code: 'outside-usable-band', ...usable });
};

/** How a tool that was taken does for a fastener, as one that is not yet taken is ranked. Refuses: what settingWith refuses. */
export const fitWith = (
  job: Pick<JobView, 'rules' | 'plan'>,
  fastener: FastenerView,
  taken: TakenTool,
): Result<ToolFit, JobRefusal> => {
  const { tool, adapters, adapterFactor } = taken;
  const setting = settingWith(job, fastener, taken);
  if (!setting.ok) return setting;
  const rules = rulesOf(job.rules);
  const whole = targetWith(
    job,
    fastener,
    fastener.fixedLimit ? fastener.fixedLimit.percent : tool.limitPercent,
  );
  if (!rules || !whole.ok) return refused({ code: 'rules-unknown', number: job.rules });
  const { torque, turns } = setting.value;
  const { low, high } = passTarget(job.plan, fastener.planned, whole.value, nextPass(job, fastener));
  const probability = conformanceProbability(
    settingThrough(rules.applied(torque, tool, job.plan.schools).torque, 1 / adapterFactor),
    rules.standardUncertainty(torque, tool, adapters, adapterFactor, job.plan.schools),
    low,
    high,
  );
  return accepted({
    tool,
    setting: setting.value,
    probability,
    isInCalibratedPart: true,
    travel: Math.abs(turns),
    high,
  });
};

/** Whether nothing stands against a tool that was taken. */
const isFree = ({ unallowed, foundSince }: TakenTool): boolean =>
  unallowed.length === 0 && foundSince.length === 0;

const bestOf = (job: Settable, fastener: FastenerView, atHand: readonly TakenTool[]): TakenTool | null => {
  const fits = atHand.filter(isFree).flatMap((taken) => {
    const fit = fitWith(job, fastener, taken);
    return fit.ok ? [{ taken, fit: fit.value }] : [];
  });
  const [best] = fits.sort((a, b) => betterFit(a.fit, b.fit));
  return best?.taken ?? atHand[0] ?? null;
};

type Chosen = Settable & { readonly taken: TakenTool | null };
// Which of several tools does a fastener best takes some working out, and holds until one is taken, set or found out.
const chosenBefore = new WeakMap<FastenerView, Chosen>();

/** The tool that a fastener takes: of those at hand for its group the one that is surest for it, where several are; the one taken last where
 *  none can do it, so that it can be said why. Null where none is at hand. */
export const toolFor = (job: Settable, fastener: FastenerView): TakenTool | null => {
  const atHand = toolsAtHand(job, fastener);
  if (atHand.length < 2) return atHand[0] ?? null;
  const before = chosenBefore.get(fastener);
  if (
    before &&
    before.takenTools === job.takenTools &&
    before.toolsOf === job.toolsOf &&
    before.rules === job.rules
  )
    return before.taken;
  const taken = bestOf(job, fastener, atHand);
  const { rules, plan, toolsOf, takenTools } = job;
  chosenBefore.set(fastener, { rules, plan, toolsOf, takenTools, taken });
  return taken;
};
