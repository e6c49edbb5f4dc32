import type { AllowedTools, Conditions } from '../spec/requirement/conditions.ts';
import type { ToolDemand } from './choose-tool.ts';

/** What a shop would have to buy where no tool can do it: a range, in newton metres, that has the target in its upper 80 %, and the
 *  permissible deviation that keeps a pull inside acceptance. */
export type ToolToBuy = {
  readonly fromNewtonMetres: number;
  readonly toNewtonMetres: number;
  readonly limitPercent: number;
  readonly thread: Conditions['thread'];
  readonly tools: AllowedTools;
};

/** The range of a common tool as a multiple of its lowest graduation. Common practice. */
const RANGE_OF_A_TOOL = 5;

/** The kind of tool that could do what none of the crib can. */
export const toolToBuy = ({ target: { target, low, high }, thread, tools }: ToolDemand): ToolToBuy => ({
  fromNewtonMetres: (target * 2) / RANGE_OF_A_TOOL,
  toNewtonMetres: target * 2,
  limitPercent: (Math.min(high - target, target - low) / target) * 100,
  thread,
  tools,
});
