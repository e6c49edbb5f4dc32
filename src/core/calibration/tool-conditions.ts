import { newtonMetres, toNewtonMetres } from '../quantity/unit.ts';
import { EYE_SPLITS_GRADUATION, permissibleDeviation } from '../tool/pull-uncertainty.ts';
import type { Tool } from '../tool/tool.ts';
import type { SessionConditions } from './session-evaluation.ts';

/** What a session of a tool is judged by: its limit at each torque, as percent of the reading, and its scale's resolution. */
export const toolConditions = (tool: Tool, referenceExpandedPercent: number): SessionConditions => {
  const { graduation, unit, form } = tool.scale;
  const share = form === 'display' ? 1 : EYE_SPLITS_GRADUATION;
  return {
    limitPercentAt: (torque) => (permissibleDeviation(newtonMetres(torque), tool) / torque) * 100,
    referenceExpandedPercent,
    resolution: form === 'preset' ? 0 : toNewtonMetres(graduation, unit) * share,
  };
};
