import { type Covers, coversOf } from './covers.ts';
import { coversWithin } from './covers-within.ts';
import { type Followed, followed, type Way } from './followed.ts';
import { leastChanges } from './least-changes.ts';
import { type Outlook, outlookOf } from './outlook.ts';
import type { Beyond } from './passages.ts';
import { wholeChanges } from './prices.ts';
import type { RouteProblem, Stage } from './route-problem.ts';
import type { Standing } from './standing.ts';

/** How much a search looks at: standings gone on with after each stage, covers and passages in all, and steps in the search for covers. */
export type Effort = {
  readonly mostStandings: number;
  readonly mostPassages: number;
  readonly mostSteps: number;
};
/** At first little, to know what there is to be beaten; then as much as a person waits for. */
const LITTLE: Effort = { mostStandings: 64, mostPassages: 40_000, mostSteps: 0 };
const SOME: Effort = { mostStandings: 64, mostPassages: 24_000, mostSteps: 14_000 };
const MUCH: Effort = { mostStandings: 256, mostPassages: 18_000, mostSteps: 14_000 };
/** Where few changes are needed one more is a large share of them, and there is less to look at. */
const FEW_CHANGES = 40;
const MOST: Effort = { mostStandings: 256, mostPassages: 60_000, mostSteps: 100_000 };
/** Searches of the last kind together look at no more than so many times what one of them does. */
const TIMES_IN_ALL = 1.3;
/** From one standing a part of the steps that are left, but not too few to find any cover. */
const PART = 1 / 8;
const STEPS_AT_LEAST = 200;

/** What a stage asks, whatever comes first. */
export const askedIn = (stage: Stage): string =>
  [...new Set(stage.map((stop) => stop.join()))].sort().join(' ');

const coversByStage = (problem: RouteProblem): readonly Covers[] => {
  const known = new Map<string, Covers>();
  return problem.stages.map((stage) => {
    const key = askedIn(stage);
    const covers = known.get(key) ?? coversOf(problem, stage);
    known.set(key, covers);
    return covers;
  });
};

/** What is still needed after each stage: its stations and its tools. */
type Needed = Pick<Beyond, 'isUseful' | 'isToolUseful'>;

const neededAfter = ({ stages, stations }: RouteProblem): readonly Needed[] => {
  const needed: Needed[] = [];
  let later: ReadonlySet<number> = new Set();
  for (let index = stages.length - 1; index >= 0; index -= 1) {
    const own = later;
    const tools = new Set([...own].map((station) => stations[station]?.tool ?? 0));
    needed[index] = { isUseful: (station) => own.has(station), isToolUseful: (tool) => tools.has(tool) };
    later = new Set([...later, ...(stages[index] ?? []).flat()]);
  }
  return needed;
};

/** A problem with what is known of each of its stages. */
type Known = {
  readonly problem: RouteProblem;
  readonly covers: readonly Covers[];
  readonly needed: readonly Needed[];
};

/** Follows a few standings, whatever lies ahead. */
const quick = ({ problem, covers, needed }: Known, effort: Effort): Followed =>
  followed(problem, {
    ...effort,
    through: (stage) => ({
      covers: covers[stage] as Covers,
      beyond: { ...(needed[stage] as Needed), leastOf: () => 0, most: Number.POSITIVE_INFINITY },
    }),
    leastFrom: () => 0,
    below: Number.POSITIVE_INFINITY,
  });

/** Follows standings, led by what lies ahead, for a way with fewer changes than so many. */
const led = (
  { problem, covers, needed }: Known,
  outlook: Outlook,
  below: number,
  effort: Effort,
): Followed => {
  let steps = effort.mostSteps;
  const coversFrom = (stage: number, from: Standing, cost: number): Covers => {
    const own = covers[stage] as Covers;
    if (own.isAll) return own;
    const slack = below - 1 - cost - outlook.leastFrom(stage, from);
    const most = Math.min(steps, Math.max(STEPS_AT_LEAST, steps * PART));
    const within = coversWithin(problem, outlook.tollsAt(stage, from), slack, most);
    steps -= within.steps;
    return within.isAll ? within : { sets: [...within.sets, ...own.sets], isAll: false };
  };
  return followed(problem, {
    ...effort,
    through: (stage, from, cost) => ({
      covers: coversFrom(stage, from, cost),
      beyond: {
        ...(needed[stage] as Needed),
        leastOf: (tool, leftAt, isInHand) => outlook.leastOf(stage + 1, tool, leftAt, isInHand),
        most: below - 1 - cost - outlook.paidFrom(stage + 1),
      },
    }),
    leastFrom: outlook.leastFrom,
    below,
  });
};

/** A way through all stages, and changes that no way is without. */
export type BestWay = { readonly way: Way; readonly atLeast: number };

/** From a way that is known, looks for the best: first with little effort for any that is better, then for one with as few changes as there can be. Where it is sure that
 *  there is none, there can't be as few, and it is asked for one more. */
const bettered = (known: Known, start: Way): BestWay => {
  const { problem } = known;
  let outlook = outlookOf(problem, start.cost);
  let atLeast = Math.max(wholeChanges(outlook.least), leastChanges(problem));
  if (atLeast >= start.cost) return { way: start, atLeast: start.cost };
  const first = led(known, outlook, start.cost, SOME);
  const way = first.best ?? start;
  if (first.isAll) return { way, atLeast: way.cost };
  if (first.best) outlook = outlookOf(problem, way.cost, outlook);
  atLeast = Math.max(atLeast, wholeChanges(outlook.least));
  const effort = way.cost <= FEW_CHANGES ? MOST : MUCH;
  for (let below = atLeast + 1, left = effort.mostPassages * TIMES_IN_ALL; atLeast < way.cost && left > 0; ) {
    const found = led(known, outlook, below, {
      ...effort,
      mostPassages: Math.min(left, effort.mostPassages),
    });
    if (found.best) return { way: found.best, atLeast };
    if (found.isAll) atLeast = below;
    else if (below === way.cost) break;
    below = found.isAll ? atLeast + 1 : way.cost;
    left -= found.looked;
  }
  return { way, atLeast };
};

/** The way with the fewest changes that is found. Every stop must have a station. `effort` is what goes into the first look, which may find that nothing is better. */
export const bestWay = (problem: RouteProblem, effort: Effort = LITTLE): BestWay => {
  const known: Known = { problem, covers: coversByStage(problem), needed: neededAfter(problem) };
  const { best, isAll } = quick(known, effort);
  const way = best as Way;
  return isAll ? { way, atLeast: way.cost } : bettered(known, way);
};
