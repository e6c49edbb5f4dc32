import type { RouteProblem } from './route-problem.ts';
import { isBehindByMost, type Passage, type Standing, standingKey } from './standing.ts';

/** A way that leads to a standing: its cost so far, and the one it goes on from. */
export type Way = {
  readonly standing: Standing;
  readonly cost: number;
  readonly stage: number;
  readonly order: readonly number[];
  readonly before: Way | null;
};

/** Ways kept after each stage: as many as are worth it, until so many were looked at in all; from then on few. What a person waits for. */
const MOST_LOOKED_AT = 500_000;
const MOST_WAYS = 2_048;
const FEW_WAYS = 24;
/** Ways that others are measured by. */
const MOST_MEASURES = 64;

/** Whether nothing is gained by a way: with the changes it costs more, one of the better ones can stand as it does. */
const isBehind = (way: Way, better: readonly Way[]): boolean =>
  better.some((other) => isBehindByMost(other.standing, way.standing, way.cost - other.cost));

/** The ways worth going on with, the cheapest first, and whether one that might have been was left out. */
const kept = (
  ways: Iterable<Way>,
  most: number,
): { readonly ways: readonly Way[]; readonly isAll: boolean } => {
  const all = [...ways].sort((a, b) => a.cost - b.cost);
  const going: Way[] = [];
  for (const way of all) if (!isBehind(way, going.slice(0, MOST_MEASURES))) going.push(way);
  return { ways: going.slice(0, most), isAll: going.length <= most };
};

/** The best way found through all stages, and whether it is sure that none is better. */
export type Followed = { readonly best: Way; readonly isAll: boolean };

/** Follows every standing that is worth it through all stages. `passages` are the ways through one of them from a standing. */
export const followed = (
  { stages, inHand, leftAt }: Pick<RouteProblem, 'stages' | 'inHand' | 'leftAt'>,
  passages: (stage: number, from: Standing) => Iterable<Passage>,
): Followed => {
  const start: Way = { standing: { inHand, leftAt }, cost: 0, stage: -1, order: [], before: null };
  let looked = 0;
  let ways: readonly Way[] = [start];
  let isAll = true;
  for (const stage of stages.keys()) {
    const next = new Map<string, Way>();
    for (const way of ways)
      for (const { order, cost, after } of passages(stage, way.standing)) {
        const key = standingKey(after);
        const known = next.get(key);
        const whole = way.cost + cost;
        if (!known || whole < known.cost)
          next.set(key, { standing: after, cost: whole, stage, order, before: way });
      }
    looked += next.size * leftAt.length;
    const going = kept(next.values(), looked > MOST_LOOKED_AT ? FEW_WAYS : MOST_WAYS);
    ways = going.ways;
    isAll = isAll && going.isAll;
  }
  return { best: ways[0] ?? start, isAll };
};

/** The ways that a way goes on from, from the first stage on, itself the last. */
export const stepsOf = (way: Way): readonly Way[] => {
  const ways: Way[] = [];
  for (let at: Way | null = way; at?.before; at = at.before) ways.push(at);
  return ways.reverse();
};
