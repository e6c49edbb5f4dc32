import type { Covers } from './covers.ts';
import { type Beyond, passagesThrough } from './passages.ts';
import { wholeChanges } from './prices.ts';
import type { RouteProblem, Stage } from './route-problem.ts';
import { isBehindByMost, type Standing, standingKey } from './standing.ts';

/** A way that leads to a standing: its cost so far, and the one it goes on from. */
export type Way = {
  readonly standing: Standing;
  readonly cost: number;
  readonly stage: number;
  readonly order: readonly number[];
  readonly before: Way | null;
};

/** A way, and what it comes to at the least when it is gone to its end. */
type Ranked = { readonly way: Way; readonly least: number };

/** Ways that others are measured by. */
const MOST_MEASURES = 32;

/** Whether nothing is gained by a way: with the changes it costs more, one of the better ones can stand as it does. */
const isBehind = (way: Way, better: readonly Way[]): boolean =>
  better.some((other) => isBehindByMost(other.standing, way.standing, way.cost - other.cost));

/** The ways worth going on with, the most promising first, and whether one that might have been was left out. */
const kept = (
  ranked: readonly Ranked[],
  most: number,
): { readonly ways: readonly Way[]; readonly isAll: boolean } => {
  const going: Way[] = [];
  for (const { way } of [...ranked].sort((a, b) => a.least - b.least || a.way.cost - b.way.cost)) {
    if (isBehind(way, going.slice(0, MOST_MEASURES))) continue;
    if (going.length === most) return { ways: going, isAll: false };
    going.push(way);
  }
  return { ways: going, isAll: true };
};

/** Where a stage is gone into from a standing: its covers that may be worth it, and what is known of what comes after. */
export type Through = { readonly covers: Covers; readonly beyond: Beyond };

/** How a problem is searched. */
export type Search = {
  readonly through: (stage: number, from: Standing, cost: number) => Through;
  /** What is still to come from a standing before a stage at the least. */
  readonly leastFrom: (stage: number, standing: Standing) => number;
  /** Only ways with fewer changes than this are looked for. */
  readonly below: number;
  /** Standings gone on with after each stage. */
  readonly mostStandings: number;
  /** Covers and passages looked at in all, those from the most promising standings first. */
  readonly mostPassages: number;
};

/** The best way found through all stages, null where none has as few changes as asked; whether it is sure that none has fewer; and the covers and passages looked at. */
export type Followed = { readonly best: Way | null; readonly isAll: boolean; readonly looked: number };

/** A stage of many stops has as much of the work as so many of one stop, and one standing at the most a fourth of what is left for its stage. */
const MOST_WEIGHT = 16;
const FIRST = 4;
/** A cover and a passage, so that there is always a way. */
const AT_LEAST = 2;

const weightOf = (stage: Stage): number => Math.min(MOST_WEIGHT, stage.length);

type Step = { readonly ranked: readonly Ranked[]; readonly isAll: boolean; readonly looked: number };

/** The standings after a stage, each with the best way to it. */
const after = (
  problem: RouteProblem,
  { through, leastFrom, below }: Search,
  stage: number,
  ways: readonly Way[],
  share: number,
): Step => {
  const best = new Map<string, Ranked>();
  let looked = 0;
  let isEvery = true;
  /** Goes on from a way until so much is looked at; whether that was all. */
  const goOn = (way: Way, most: number): boolean => {
    const { covers, beyond } = through(stage, way.standing, way.cost);
    for (const cover of covers.sets) {
      looked += Number(covers.sets.length > 1);
      for (const { order, cost, after: standing } of passagesThrough(problem, cover, way.standing, beyond)) {
        if (looked >= most) return false;
        looked += 1;
        const whole = way.cost + cost;
        const least = whole + leastFrom(stage + 1, standing);
        if (wholeChanges(least) >= below) continue;
        const key = standingKey(standing);
        const known = best.get(key);
        if (!known || whole < known.way.cost)
          best.set(key, { way: { standing, cost: whole, stage, order, before: way }, least });
      }
    }
    return covers.isAll;
  };
  for (const [place, way] of ways.entries()) {
    if (place > 0 && looked >= share) return { ranked: [...best.values()], isAll: false, looked };
    const own = Math.ceil((share - looked) / Math.min(ways.length - place, FIRST));
    isEvery = goOn(way, looked + Math.max(AT_LEAST, own)) && isEvery;
  }
  return { ranked: [...best.values()], isAll: isEvery, looked };
};

/** Follows the standings that are worth it through all stages. */
export const followed = (problem: RouteProblem, search: Search): Followed => {
  const { stages, inHand, leftAt } = problem;
  let ways: readonly Way[] = [{ standing: { inHand, leftAt }, cost: 0, stage: -1, order: [], before: null }];
  let isAll = true;
  let looked = 0;
  let weightLeft = stages.reduce((sum, stage) => sum + weightOf(stage), 0);
  for (const [stage, stops] of stages.entries()) {
    const share = Math.ceil(((search.mostPassages - looked) * weightOf(stops)) / weightLeft);
    weightLeft -= weightOf(stops);
    const step = after(problem, search, stage, ways, share);
    const going = kept(step.ranked, search.mostStandings);
    looked += step.looked;
    ways = going.ways;
    isAll = isAll && step.isAll && going.isAll;
  }
  return { best: ways[0] ?? null, isAll, looked };
};

/** The ways that a way goes on from, from the first stage on, itself the last. */
export const stepsOf = (way: Way): readonly Way[] => {
  const ways: Way[] = [];
  for (let at: Way | null = way; at?.before; at = at.before) ways.push(at);
  return ways.reverse();
};
