import type { PlannedGroup } from '../job/plan.ts';
import { NEWEST_RULES, rulesOf } from '../rules/rules-by-number.ts';
import { NO_CONDITIONS } from '../spec/requirement/conditions.ts';
import { sureShare } from '../target/schools.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import { settingThrough } from '../tool/adapter.ts';
import {
  betterFit,
  type ToolCandidate,
  type ToolDemand,
  type ToolFit,
  type ToolOut,
} from '../tool/choose-tool.ts';
import { rankedTools } from '../tool/ranked-tools.ts';
import type { Tool } from '../tool/tool.ts';
import { type ToolToBuy, toolToBuy } from '../tool/tool-to-buy.ts';
import type { FastenerView } from './bench.ts';
import { targetOrNull } from './fastener-target.ts';
import { fastenersIn } from './group-work.ts';
import type { JobView } from './job-view.ts';
import { lastPass, passTarget } from './passes.ts';
import type { AcceptedGap } from './planning.ts';

/** How a tool does for a group of fasteners. */
export type ToolForGroup = {
  readonly tool: Tool;
  /** Fasteners it can bring to full torque. */
  readonly can: number;
  /** The fit it is least sure of, the first of those; null where it can do none. */
  readonly worst: ToolFit | null;
  /** The fit for the first fastener it can do. */
  readonly first: ToolFit | null;
  /** Why it is out for the others, each reason once. */
  readonly because: readonly ToolOut[];
  /** Passes before the last that it can't be set for. */
  readonly passesOut: readonly number[];
};

/** What some fasteners ask of a tool. */
export type Alike = { readonly wanted: ToolDemand; readonly positions: readonly string[] };

/** What fasteners of a group ask of a tool in a pass; those that ask the same are asked for once. */
export const alike = (
  state: JobView,
  fasteners: readonly FastenerView[],
  pass: number,
  factor: number,
): readonly Alike[] => {
  const asked = new Map<string, { wanted: ToolDemand; positions: string[] }>();
  for (const fastener of fasteners) {
    const whole = targetOrNull(state, fastener);
    if (!whole) continue;
    const { planned } = fastener;
    const conditions = planned.requirement.book?.conditions ?? NO_CONDITIONS;
    const { target, low, high }: Pick<Target, 'target' | 'low' | 'high'> = passTarget(
      state.plan,
      planned,
      whole,
      pass,
    );
    const wanted: ToolDemand = {
      target: {
        target: settingThrough(target, factor),
        low: settingThrough(low, factor),
        high: settingThrough(high, factor),
      },
      thread: planned.direction,
      tools: conditions.tools,
      drive: planned.drive,
    };
    const key = JSON.stringify(wanted);
    const same = asked.get(key) ?? { wanted, positions: [] };
    same.positions.push(planned.position);
    asked.set(key, same);
  }
  return [...asked.values()];
};

const better = (a: ToolForGroup, b: ToolForGroup): number =>
  b.can - a.can ||
  a.passesOut.length - b.passesOut.length ||
  (a.worst && b.worst ? betterFit(a.worst, b.worst) : a.tool.code.localeCompare(b.tool.code));

const passesBeforeLast = ({ kind }: PlannedGroup): readonly number[] =>
  kind.passes.slice(0, -1).map((_, index) => index + 1);

/** The tools for a group, the one that does most of it first, then the best fit. `factorOf` says how adapters multiply what a tool shows. */
export const toolsForGroup = (
  state: JobView,
  group: PlannedGroup,
  candidates: readonly ToolCandidate[],
  factorOf: (tool: Tool) => number,
): readonly ToolForGroup[] => {
  const { schools } = state.plan;
  const rules = rulesOf(state.rules) ?? NEWEST_RULES;
  const fasteners = fastenersIn(state, group);
  const asked = new Map<string, readonly Alike[]>();
  const askedOf = (pass: number, factor: number): readonly Alike[] => {
    const key = `${pass} ${factor}`;
    const known = asked.get(key) ?? alike(state, fasteners, pass, factor);
    asked.set(key, known);
    return known;
  };
  const tools = candidates.map((candidate): ToolForGroup => {
    const factor = factorOf(candidate.tool);
    const ranked = (pass: number) =>
      askedOf(pass, factor).map(({ wanted, positions }) => ({
        count: positions.length,
        ...rankedTools([candidate], wanted, schools, rules),
      }));
    const each = ranked(lastPass(group.kind));
    const fits = each.flatMap(({ count, fits: [fit] }) => (fit ? [{ count, fit }] : []));
    const unsure = each.flatMap(({ unsure: [fit] }) => (fit ? [fit] : []));
    return {
      tool: candidate.tool,
      can: fits.reduce((sum, { count }) => sum + count, 0),
      worst: [...fits.map(({ fit }) => fit), ...unsure].reduce<ToolFit | null>(
        (worst, fit) => (worst && worst.probability <= fit.probability ? worst : fit),
        null,
      ),
      first: fits[0]?.fit ?? unsure[0] ?? null,
      because: [
        ...new Set([
          ...each.flatMap(({ out: [none] }) => none?.because ?? []),
          ...(unsure.length > 0 ? (['not-sure-enough'] as const) : []),
        ]),
      ],
      passesOut: passesBeforeLast(group).filter((pass) =>
        ranked(pass).some(({ fits: [fit], unsure: [other] }) => !fit && !other),
      ),
    };
  });
  return tools.sort(better);
};

/** Fasteners that no tool of the crib can do, or none surely enough. */
export type ToolGap = {
  readonly group: PlannedGroup;
  readonly positions: readonly string[];
  /** The pass that none can do. */
  readonly pass: number;
  /** The surest there is; null where none can do it at all. */
  readonly best: ToolFit | null;
  readonly toBuy: ToolToBuy;
  /** How sure the site wants a pull to be, as a bare ratio. */
  readonly wantedShare: number;
  /** A lead's word that the group is done all the same; null where there is none. */
  readonly accepted: AcceptedGap | null;
};

/** What the crib can't do of a job, said before the first pull: for each group and pass the fasteners that no tool can do, and at full torque
 *  those that none can do surely enough. */
export const toolGaps = (state: JobView, candidates: readonly ToolCandidate[]): readonly ToolGap[] => {
  const { schools } = state.plan;
  const rules = rulesOf(state.rules) ?? NEWEST_RULES;
  return state.plan.groups.flatMap((group) => {
    const last = lastPass(group.kind);
    const fasteners = fastenersIn(state, group);
    return [...passesBeforeLast(group), last].flatMap((pass) =>
      alike(state, fasteners, pass, 1).flatMap(({ wanted, positions }): readonly ToolGap[] => {
        const { fits, unsure } = rankedTools(candidates, wanted, schools, rules);
        const best = fits[0] ?? unsure[0] ?? null;
        const isDone = fits.length > 0 || (pass < last && best !== null);
        const accepted = best ? (state.acceptedGaps.get(group.id) ?? null) : null;
        return isDone
          ? []
          : [
              {
                group,
                positions,
                pass,
                best,
                toBuy: toolToBuy(wanted),
                wantedShare: sureShare(schools),
                accepted,
              },
            ];
      }),
    );
  });
};
