import { settingThrough } from '../adapter/adapter.ts';
import type { FastenerState, JobState } from '../job/state.ts';
import { NO_CONDITIONS } from '../requirement/conditions.ts';
import { printedUnit } from '../requirement/requirement.ts';
import {
  rankedTools,
  type ToolCandidate,
  type ToolFit,
  type ToolOut,
  type ToolToBuy,
  type ToolWanted,
  toolToBuy,
} from './choose-tool.ts';
import type { Tool } from './tool.ts';

/** How a tool does for a whole job. */
export type ToolForJob = {
  readonly tool: Tool;
  /** Fasteners it can do. */
  readonly can: number;
  /** The lowest probability over those, that a pull lands inside acceptance; null where it can do none. */
  readonly worstProbability: number | null;
  /** Whether its scale reads in a unit the job's requirements are printed in, so that nothing is converted by eye. */
  readonly isInPrintedUnit: boolean;
  /** The setting for the first of them. */
  readonly first: ToolFit | null;
  /** Why it is out for the others, each reason once. */
  readonly because: readonly ToolOut[];
};

const wantedOf = ({ planned, target }: FastenerState, factor: number): ToolWanted => {
  const conditions = planned.requirement.book?.conditions ?? NO_CONDITIONS;
  return {
    target: {
      target: settingThrough(target.target, factor),
      low: settingThrough(target.low, factor),
      high: settingThrough(target.high, factor),
    },
    thread: conditions.thread,
    tools: conditions.tools,
    drive: planned.drive,
  };
};

/** Fasteners that ask the same of a tool are asked for once. */
const alike = (
  state: JobState,
  factor: number,
): readonly { readonly wanted: ToolWanted; readonly count: number }[] => {
  const groups = new Map<string, { wanted: ToolWanted; count: number }>();
  for (const fastener of state.fasteners) {
    const wanted = wantedOf(fastener, factor);
    const key = JSON.stringify(wanted);
    const group = groups.get(key) ?? { wanted, count: 0 };
    group.count += 1;
    groups.set(key, group);
  }
  return [...groups.values()];
};

/** Past this the difference between two tools is smaller than anything that is shown or felt. */
const SURE = 0.999;
const rankedProbability = ({ worstProbability }: ToolForJob): number => Math.min(worstProbability ?? 0, SURE);

/** Orders tools for a job, the better one first: what does more of it, lands inside acceptance more surely, reads in the unit that is printed,
 *  and works in its calibrated part. */
export const betterTool = (a: ToolForJob, b: ToolForJob): number =>
  b.can - a.can ||
  rankedProbability(b) - rankedProbability(a) ||
  Number(b.isInPrintedUnit) - Number(a.isInPrintedUnit) ||
  Number(b.first?.isInCalibratedPart ?? false) - Number(a.first?.isInCalibratedPart ?? false) ||
  a.tool.code.localeCompare(b.tool.code);

/** The tools for a job, the best first, through whatever adapter multiplies the torque by `factor`; and what the shop would have to buy for the
 *  first fastener that none can do. */
export const toolsForJob = (
  state: JobState,
  candidates: readonly ToolCandidate[],
  factor: number,
): { readonly tools: readonly ToolForJob[]; readonly toBuy: ToolToBuy | null } => {
  const groups = alike(state, factor).map((group) => ({
    ...group,
    ranking: rankedTools(candidates, group.wanted, state.plan.schools.betweenGraduations),
  }));
  const printed = new Set(
    state.fasteners.map(({ planned }) => printedUnit(planned.requirement.requirement, 'N.m')),
  );
  const tools = candidates.map(({ tool }) => {
    const fits = groups.flatMap(({ count, ranking }) => {
      const fit = ranking.fits.find((each) => each.tool === tool);
      return fit ? [{ count, fit }] : [];
    });
    const because = groups.flatMap(
      ({ ranking }) => ranking.out.find((each) => each.tool === tool)?.because ?? [],
    );
    return {
      tool,
      can: fits.reduce((sum, { count }) => sum + count, 0),
      worstProbability: fits.length > 0 ? Math.min(...fits.map(({ fit }) => fit.probability)) : null,
      isInPrintedUnit: printed.has(tool.scale.unit),
      first: fits[0]?.fit ?? null,
      because: [...new Set(because)],
    };
  });
  const without = groups.find(({ ranking }) => ranking.fits.length === 0);
  return { tools: tools.sort(betterTool), toBuy: without ? toolToBuy(without.wanted) : null };
};
