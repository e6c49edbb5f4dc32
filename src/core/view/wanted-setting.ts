import type { JobRefusal } from '../job/refusal.ts';
import { type Result, refused } from '../result.ts';
import { isIndicating, isPreset, type Tool } from '../tool/tool.ts';
import type { ToolSetting } from '../tool/tool-setting.ts';
import type { FastenerView, TakenTool } from './bench.ts';
import type { JobView } from './job-view.ts';
import { settingWith, toolFor } from './tool-for.ts';

/** The setting a fastener wants for its next pass on the tool it takes. Refuses: tool-not-chosen, and what settingWith refuses. */
export const wantedSetting = (job: JobView, fastener: FastenerView): Result<ToolSetting, JobRefusal> => {
  const taken = toolFor(job, fastener);
  return taken ? settingWith(job, fastener, taken) : refused({ code: 'tool-not-chosen' });
};

/** Whether a tool always is at what is wanted: one that shows a torque, or has one setting. */
export const needsNoSetting = (tool: Tool): boolean => isIndicating(tool) || isPreset(tool);

/** Whether a tool that was taken is already set to what a fastener wants. */
export const isSetFor = (
  { tool, setting }: Pick<TakenTool, 'tool' | 'setting'>,
  wanted: ToolSetting,
): boolean => needsNoSetting(tool) || (setting !== null && Math.abs(setting.value - wanted.setting) < 1e-9);
