import { settingThrough } from '../adapter/adapter.ts';
import type { JobRefusal } from '../job/refusal.ts';
import { type Result, refused } from '../result.ts';
import { rulesOf } from '../rules/rules-by-number.ts';
import type { ToolSetting } from '../setting/tool-setting.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import { isIndicating, isPreset, type Tool } from '../tool/tool.ts';
import { isInUsableBand } from '../tool/usable-band.ts';
import type { FastenerView } from './bench.ts';
import { targetOf } from './fastener-target.ts';
import type { JobView } from './job-view.ts';

/** What a tool must be set to, so that a fastener's target reaches it through the adapters. */
const atTool = ({ target, low, high }: Target, factor: number): Pick<Target, 'target' | 'low' | 'high'> => ({
  target: settingThrough(target, factor),
  low: settingThrough(low, factor),
  high: settingThrough(high, factor),
});

/** The setting a fastener wants on the tool in hand, corrected for its adapters.
 *  Refuses: tool-not-chosen, rules-unknown, outside-usable-band (without a lead's override), what targetOf and toolSetting refuse. */
export const wantedSetting = (job: JobView, fastener: FastenerView): Result<ToolSetting, JobRefusal> => {
  if (!job.tool) return refused({ code: 'tool-not-chosen' });
  const rules = rulesOf(job.rules);
  if (!rules) return refused({ code: 'rules-unknown', number: job.rules });
  const target = targetOf(job, fastener);
  if (!target.ok) return target;
  const { scale, calibration, restSetting } = job.tool;
  const wanted = rules.setting(
    atTool(target.value, job.adapterFactor),
    scale,
    job.plan.schools.betweenGraduations,
    job.setting?.value ?? restSetting,
  );
  const usable = calibration?.usable;
  if (!wanted.ok || !usable || job.override || isInUsableBand(job.tool, wanted.value.torque)) return wanted;
  return refused({ code: 'outside-usable-band', ...usable });
};

/** Whether a tool always is at what is wanted: one that shows a torque, or has one setting. */
export const needsNoSetting = (tool: Tool): boolean => isIndicating(tool) || isPreset(tool);

/** Whether the tool in hand is already set to what a fastener wants. */
export const isSetFor = (
  { tool, setting }: Pick<JobView, 'tool' | 'setting'>,
  wanted: ToolSetting,
): boolean =>
  (tool !== null && needsNoSetting(tool)) ||
  (setting !== null && Math.abs(setting.value - wanted.setting) < 1e-9);
