import type { NewtonMetres } from '../quantity/unit.ts';
import type { AllowedTools, Conditions } from '../spec/requirement/conditions.ts';
import type { Schools } from '../target/schools.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import type { MountedAdapter } from './adapter.ts';
import type { Drive } from './drive.ts';
import type { Tool } from './tool.ts';
import type { ToolBlock } from './tool-blocks.ts';
import type { ToolSetting } from './tool-setting.ts';

/** What a fastener asks of a tool. */
export type ToolDemand = {
  readonly target: Pick<Target, 'target' | 'low' | 'high'>;
  readonly thread: Conditions['thread'];
  readonly tools: AllowedTools;
  readonly drive: Drive;
};

/** Why a tool is out for a fastener. */
export type ToolOut =
  | ToolBlock
  | 'range-too-low'
  | 'range-too-high'
  | 'outside-usable-band'
  | 'no-graduation'
  | 'wrong-direction'
  | 'forbidden-kind'
  | 'not-sure-enough'
  | 'not-the-kind-allowed'
  | 'drive-does-not-fit';

export type ToolFit = {
  readonly tool: Tool;
  readonly setting: ToolSetting;
  /** Probability that a pull at the setting lands inside acceptance. */
  readonly probability: number;
  /** Whether the setting lies in the upper 80 % of the range, which is what gets calibrated. */
  readonly isInCalibratedPart: boolean;
  /** Turns, or shares of the scale, from where it stands. */
  readonly travel: number;
  /** The upper limit that it was fitted to. */
  readonly high: NewtonMetres;
};

export type ToolCandidate = {
  readonly tool: Tool;
  readonly blocks: readonly ToolBlock[];
  /** Where it stands now, in its unit; null for at rest. */
  readonly standsAt: number | null;
};

/** What a tool applied when it showed a torque, as far as it is known. */
export type Applied = {
  readonly torque: NewtonMetres;
  /** The known error that was corrected for, in percent; null where none was. */
  readonly knownErrorPercent: number | null;
};

/** What of the rules says how sure a tool's pulls are. */
export type JudgingRules = {
  readonly applied: (
    shown: NewtonMetres,
    tool: Pick<Tool, 'calibration'>,
    schools: Pick<Schools, 'knownError'>,
  ) => Applied;
  /** What the tool must show for a torque to be applied. */
  readonly shownFor: (
    torque: NewtonMetres,
    tool: Pick<Tool, 'calibration'>,
    schools: Pick<Schools, 'knownError'>,
  ) => NewtonMetres;
  /** Standard uncertainty at the fastener, in newton metres, when the tool shows a torque through adapters. */
  readonly standardUncertainty: (
    shown: NewtonMetres,
    tool: Pick<Tool, 'limitPercent' | 'limitOf' | 'scale' | 'calibration' | 'leverMillimetres' | 'sight'>,
    adapters: readonly MountedAdapter[],
    adapterFactor: number,
    schools: Pick<Schools, 'knownError'>,
  ) => NewtonMetres;
};

/** What a tool must show so that a target is reached and neither limit passed. */
export const shownTarget = (
  { target, low, high }: Pick<Target, 'target' | 'low' | 'high'>,
  tool: Pick<Tool, 'calibration'>,
  schools: Schools,
  rules: JudgingRules,
): Pick<Target, 'target' | 'low' | 'high'> => ({
  target: rules.shownFor(target, tool, schools),
  low: rules.shownFor(low, tool, schools),
  high: rules.shownFor(high, tool, schools),
});

/** Steps of probability: two tools in one step are as sure to a person at a bench. */
const PROBABILITY_STEP = 0.005;
/** The step that a probability is in. */
export const stepOf = (probability: number): number => Math.round(probability / PROBABILITY_STEP);

/** Orders tools that can do something, the better one first: by the probability that a pull lands inside acceptance, then by a setting in the
 *  part of the range that is calibrated, then by least travel from where each stands. */
export const betterFit = (a: ToolFit, b: ToolFit): number =>
  stepOf(b.probability) - stepOf(a.probability) ||
  Number(b.isInCalibratedPart) - Number(a.isInCalibratedPart) ||
  a.travel - b.travel ||
  a.tool.code.localeCompare(b.tool.code);
