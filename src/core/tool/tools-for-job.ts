import { settingThrough } from '../adapter/adapter.ts';
import { NO_CONDITIONS } from '../requirement/conditions.ts';
import { NEWEST_RULES, rulesOf } from '../rules/rules-by-number.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import type { FastenerView } from '../view/bench.ts';
import { targetOrNull } from '../view/fastener-target.ts';
import type { JobView } from '../view/job-view.ts';
import {
  betterFit,
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
  /** The fit it is least sure of, the first of those; null where it can do none. */
  readonly worst: ToolFit | null;
  /** The fit for the first fastener it can do. */
  readonly first: ToolFit | null;
  /** Why it is out for the others, each reason once. */
  readonly because: readonly ToolOut[];
};

const wantedOf = ({ planned }: FastenerView, target: Target, factor: number): ToolWanted => {
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
  state: JobView,
  factor: number,
): readonly { readonly wanted: ToolWanted; readonly count: number }[] => {
  const groups = new Map<string, { wanted: ToolWanted; count: number }>();
  for (const fastener of state.fasteners) {
    const target = targetOrNull(state, fastener);
    if (!target) continue;
    const wanted = wantedOf(fastener, target, factor);
    const key = JSON.stringify(wanted);
    const group = groups.get(key) ?? { wanted, count: 0 };
    group.count += 1;
    groups.set(key, group);
  }
  return [...groups.values()];
};

const better = (a: ToolForJob, b: ToolForJob): number =>
  b.can - a.can ||
  (a.worst && b.worst ? betterFit(a.worst, b.worst) : a.tool.code.localeCompare(b.tool.code));

/** The tools for a job, the one that does most of it first, then the best fit; and what the shop would have to buy for the first fastener that
 *  none can do. `factorOf` says how adapters multiply what a tool shows. */
export const toolsForJob = (
  state: JobView,
  candidates: readonly ToolCandidate[],
  factorOf: (tool: Tool) => number,
): { readonly tools: readonly ToolForJob[]; readonly toBuy: ToolToBuy | null } => {
  const { betweenGraduations } = state.plan.schools;
  const rules = rulesOf(state.rules) ?? NEWEST_RULES;
  const groupsOf = new Map<number, ReturnType<typeof alike>>();
  const tools = candidates.map((candidate): ToolForJob => {
    const factor = factorOf(candidate.tool);
    const groups = groupsOf.get(factor) ?? alike(state, factor);
    groupsOf.set(factor, groups);
    const each = groups.map(({ wanted, count }) => ({
      count,
      ...rankedTools([candidate], wanted, betweenGraduations, rules),
    }));
    const fits = each.flatMap(({ count, fits: [fit] }) => (fit ? [{ count, fit }] : []));
    const [first] = fits;
    return {
      tool: candidate.tool,
      can: fits.reduce((sum, { count }) => sum + count, 0),
      worst: fits.reduce<ToolFit | null>(
        (worst, { fit }) => (worst && worst.probability <= fit.probability ? worst : fit),
        null,
      ),
      first: first?.fit ?? null,
      because: [...new Set(each.flatMap(({ out: [none] }) => none?.because ?? []))],
    };
  });
  const without = alike(state, 1).find(
    ({ wanted }) => rankedTools(candidates, wanted, betweenGraduations, rules).fits.length === 0,
  );
  return { tools: tools.sort(better), toBuy: without ? toolToBuy(without.wanted) : null };
};
