import type { AllowedTools } from '../spec/requirement/conditions.ts';
import { type Schools, sureShare } from '../target/schools.ts';
import { conformanceProbability } from '../verdict/conformance-probability.ts';
import {
  betterFit,
  type JudgingRules,
  shownTarget,
  type ToolCandidate,
  type ToolDemand,
  type ToolFit,
  type ToolOut,
} from './choose-tool.ts';
import type { Drive } from './drive.ts';
import { settingInNewtonMetres } from './scale.ts';
import { isIndicating, type Tool } from './tool.ts';
import { toolSetting } from './tool-setting.ts';
import { isInUsableBand } from './usable-band.ts';

export type ToolRanking = {
  /** The best first. */
  readonly fits: readonly ToolFit[];
  /** Those that can be set for it, but not surely enough for the site; the surest first. */
  readonly unsure: readonly ToolFit[];
  readonly out: readonly { readonly tool: Tool; readonly because: readonly ToolOut[] }[];
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
