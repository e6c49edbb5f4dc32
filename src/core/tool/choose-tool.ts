import type { NewtonMetres } from '../quantity/unit.ts';
import type { AllowedTools, Conditions } from '../spec/requirement/conditions.ts';
import { type Schools, sureShare } from '../target/schools.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import { conformanceProbability } from '../verdict/conformance-probability.ts';
import type { MountedAdapter } from './adapter.ts';
import type { Drive } from './drive.ts';
import { settingInNewtonMetres } from './scale.ts';
import { isIndicating, type Tool } from './tool.ts';
import type { ToolBlock } from './tool-blocks.ts';
import { type ToolSetting, toolSetting } from './tool-setting.ts';
import { isInUsableBand } from './usable-band.ts';

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

export type ToolRanking = {
  /** The best first. */
  readonly fits: readonly ToolFit[];
  /** Those that can be set for it, but not surely enough for the site; the surest first. */
  readonly unsure: readonly ToolFit[];
  readonly out: readonly { readonly tool: Tool; readonly because: readonly ToolOut[] }[];
};

export type ToolCandidate = {
  readonly tool: Tool;
  readonly blocks: readonly ToolBlock[];
  /** Where it stands now, in its unit; null for at rest. */
  readonly standsAt: number | null;
};

/** Below this share of its maximum a tool is not calibrated. Source: ISO 6789-1:2017 (from memory). */
const CALIBRATED_FROM = 0.2;

const kindOut = ({ kind }: Tool, tools: AllowedTools): readonly ToolOut[] => {
  if (tools.kind === 'only' && !tools.tools.includes(kind)) return ['not-the-kind-allowed'];
  return tools.kind === 'never' && tools.tools.includes(kind) ? ['forbidden-kind'] : [];
};

/** Heads with flats that an open jaw goes on from the side. */
const WITH_FLATS: ReadonlySet<Drive> = new Set(['hex-head', 'flare-nut', 'round-connector']);

const driveOut = ({ drive }: Tool, fastener: Drive): readonly ToolOut[] => {
  const isWrong =
    (drive === 'own-blade' && fastener !== 'slot') || (drive === 'open-jaw' && !WITH_FLATS.has(fastener));
  return isWrong ? ['drive-does-not-fit'] : [];
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

type Considered = { readonly fit: ToolFit | null; readonly because: readonly ToolOut[] };

const considered = (
  { tool, blocks, standsAt }: ToolCandidate,
  wanted: ToolDemand,
  schools: Schools,
  rules: JudgingRules,
): Considered => {
  const { scale } = tool;
  const plain: readonly ToolOut[] = [
    ...blocks,
    ...kindOut(tool, wanted.tools),
    ...driveOut(tool, wanted.drive),
    ...(tool.directions.includes(wanted.thread) ? [] : (['wrong-direction'] as const)),
  ];
  const shown = shownTarget(wanted.target, tool, schools, rules);
  const setting = toolSetting(shown, scale, schools.betweenGraduations, standsAt ?? tool.restSetting);
  if (!setting.ok) {
    const isTooLow = settingInNewtonMetres(scale, scale.maximum) < shown.target;
    const range =
      setting.refusal.code === 'outside-tool-range'
        ? isTooLow
          ? 'range-too-low'
          : 'range-too-high'
        : 'no-graduation';
    return { fit: null, because: [...plain, range] };
  }
  const { torque, turns } = setting.value;
  const because = [...plain, ...(isInUsableBand(tool, torque) ? [] : (['outside-usable-band'] as const))];
  if (because.length > 0) return { fit: null, because };
  const { low, high } = wanted.target;
  return {
    because,
    fit: {
      tool,
      setting: setting.value,
      probability: conformanceProbability(
        rules.applied(torque, tool, schools).torque,
        rules.standardUncertainty(torque, tool, [], 1, schools),
        low,
        high,
      ),
      isInCalibratedPart: setting.value.setting >= CALIBRATED_FROM * scale.maximum,
      travel: isIndicating(tool) ? 0 : Math.abs(turns),
      high,
    },
  };
};

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

/** Ranks the tools for a fastener, the best first, those apart that are not sure enough for the site, and says why each of the others is out. */
export const rankedTools = (
  candidates: readonly ToolCandidate[],
  wanted: ToolDemand,
  schools: Schools,
  rules: JudgingRules,
): ToolRanking => {
  const all = candidates.map((candidate) => ({
    tool: candidate.tool,
    ...considered(candidate, wanted, schools, rules),
  }));
  const can = all.flatMap(({ fit }) => (fit ? [fit] : [])).sort(betterFit);
  const isSure = ({ probability }: ToolFit): boolean => probability >= sureShare(schools);
  return {
    fits: can.filter(isSure),
    unsure: can.filter((fit) => !isSure(fit)),
    out: all.flatMap(({ tool, fit, because }) => (fit ? [] : [{ tool, because }])),
  };
};

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
