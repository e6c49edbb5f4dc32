import { type NewtonMetres, newtonMetres } from '../quantity/unit.ts';
import type { Schools } from '../target/schools.ts';
import type { JudgingRules, ToolCandidate, ToolDemand } from './choose-tool.ts';
import { rankedTools } from './ranked-tools.ts';
import type { ToolKind } from './tool.ts';
import { toolToBuy } from './tool-to-buy.ts';

/** A demand of the book, by what names it. */
export type NamedDemand = { readonly name: string; readonly wanted: ToolDemand };

/** A tool that would do what none of the crib can: a range in newton metres, and the deviation that keeps every pull inside. */
export type Purchase = {
  /** The kinds that a source allows; the usual kind for its range where none says. */
  readonly kinds: readonly string[];
  readonly from: NewtonMetres;
  readonly to: NewtonMetres;
  readonly limitPercent: number;
  readonly thread: ToolDemand['thread'];
  readonly names: readonly string[];
};

/** The top of a common tool's range as a multiple of its lowest graduation; what lies in it lies in the part that is calibrated. Common practice. */
const RANGE_OF_A_TOOL = 5;
/** Up to this a screwdriver turns it by hand; above, a wrench. Common practice. */
const SCREWDRIVER_MAX_NM = 6;

const usualKind = (target: number): ToolKind =>
  target <= SCREWDRIVER_MAX_NM ? 'adjustable-screwdriver' : 'adjustable-click-wrench';

const kindsOf = ({ tools, target }: ToolDemand): readonly string[] =>
  tools.kind === 'only' ? tools.tools : [usualKind(target.target)];

/** The demands that no tool of the crib does surely enough. */
const unmet = (
  demands: readonly NamedDemand[],
  candidates: readonly ToolCandidate[],
  schools: Schools,
  rules: JudgingRules,
): readonly NamedDemand[] =>
  demands.filter(({ wanted }) => rankedTools(candidates, wanted, schools, rules).fits.length === 0);

/** The smallest set of tools that would do what no tool of the crib does surely enough: of each kind and direction of thread as few ranges as
 *  cover the targets, taken from the lowest up, which no other choice of equal ranges betters. */
export const whatToBuy = (
  demands: readonly NamedDemand[],
  candidates: readonly ToolCandidate[],
  schools: Schools,
  rules: JudgingRules,
): readonly Purchase[] => {
  const groups = new Map<string, NamedDemand[]>();
  for (const each of unmet(demands, candidates, schools, rules)) {
    const key = `${each.wanted.thread} ${[...kindsOf(each.wanted)].sort().join()}`;
    groups.set(key, [...(groups.get(key) ?? []), each]);
  }
  return [...groups.values()].flatMap((group) => {
    const rising = [...group].sort((a, b) => a.wanted.target.target - b.wanted.target.target);
    const purchases: Purchase[] = [];
    for (const { name, wanted } of rising) {
      const last = purchases.at(-1);
      const { target } = wanted.target;
      const { limitPercent } = toolToBuy(wanted);
      if (last && target <= last.to)
        purchases[purchases.length - 1] = {
          ...last,
          limitPercent: Math.min(last.limitPercent, limitPercent),
          names: [...last.names, name],
        };
      else
        purchases.push({
          kinds: kindsOf(wanted),
          from: target,
          to: newtonMetres(target * RANGE_OF_A_TOOL),
          limitPercent,
          thread: wanted.thread,
          names: [name],
        });
    }
    return purchases;
  });
};
