import { type Covers, coversOf } from './covers.ts';
import { leastChanges } from './least-changes.ts';
import type { Changes, FoundRoute, RouteProblem, Stage, Visit } from './route-problem.ts';
import { isBehindByMost, passagesThrough, type Standing, standingKey } from './standing.ts';

/** A way that leads to a standing: its cost so far, and the one it goes on from. */
type Way = {
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

/** What is still needed after each stage: its stations and its tools. */
type Needed = { readonly stations: ReadonlySet<number>; readonly tools: ReadonlySet<number> };

const neededAfter = ({ stages, stations }: RouteProblem): readonly Needed[] => {
  const needed: Needed[] = [];
  let later: ReadonlySet<number> = new Set();
  for (let index = stages.length - 1; index >= 0; index -= 1) {
    needed[index] = {
      stations: later,
      tools: new Set([...later].map((station) => stations[station]?.tool ?? 0)),
    };
    later = new Set([...later, ...(stages[index] ?? []).flat()]);
  }
  return needed;
};

/** Which stops of a stage are worked at each station of a way through it: each at the first that can. */
const visitsOf = (stage: Stage, index: number, order: readonly number[]): readonly Visit[] => {
  const done = new Set<number>();
  return order.flatMap((station): readonly Visit[] => {
    const stops = stage.flatMap((stop, place) => (!done.has(place) && stop.includes(station) ? [place] : []));
    for (const place of stops) done.add(place);
    return stops.length > 0 ? [{ stage: index, station, stops }] : [];
  });
};

/** How many changes a list of visits takes. */
export const changesAlong = (problem: RouteProblem, visits: readonly Visit[]): Changes => {
  const leftAt = [...problem.leftAt];
  let { inHand } = problem;
  let settings = 0;
  let takenUp = 0;
  for (const { station } of visits) {
    const { tool, isDialled } = problem.stations[station] as RouteProblem['stations'][number];
    takenUp += Number(tool !== inHand);
    settings += Number(isDialled && leftAt[tool] !== station);
    inHand = tool;
    leftAt[tool] = station;
  }
  return { settings, takenUp };
};

const wayBack = (way: Way | null): readonly Way[] => {
  const ways: Way[] = [];
  for (let at = way; at?.before; at = at.before) ways.push(at);
  return ways.reverse();
};

const askedIn = (stage: Stage): string => [...new Set(stage.map((stop) => stop.join()))].sort().join(' ');

/** Stages that follow each other and ask for one and the same are walked as one: the places of the first of each, behind them where the next begins. */
const runsOf = (stages: readonly Stage[]): readonly number[] =>
  stages.flatMap((stage, index) => {
    const before = stages[index - 1];
    const isSame = before && askedIn(before) === askedIn(stage) && !askedIn(stage).includes(' ');
    return isSame ? [] : [index];
  });

const coversByStage = (problem: RouteProblem): readonly Covers[] => {
  const known = new Map<string, Covers>();
  return problem.stages.map((stage) => {
    const key = askedIn(stage);
    const covers = known.get(key) ?? coversOf(problem, stage);
    known.set(key, covers);
    return covers;
  });
};

/** The way with the fewest changes through stages of which no two neighbours ask for one and the same. */
const throughRuns = (problem: RouteProblem): FoundRoute => {
  const covers = coversByStage(problem);
  const needed = neededAfter(problem);
  const { inHand, leftAt } = problem;
  const start: Way = { standing: { inHand, leftAt }, cost: 0, stage: -1, order: [], before: null };
  let looked = 0;
  let ways: readonly Way[] = [start];
  let isAll = true;
  for (const [stage, { sets, isAll: isEverySet }] of covers.entries()) {
    const { stations, tools } = needed[stage] as Needed;
    const next = new Map<string, Way>();
    for (const way of ways)
      for (const set of sets)
        for (const { order, cost, after } of passagesThrough(
          problem,
          set,
          way.standing,
          (station) => stations.has(station),
          (tool) => tools.has(tool),
        )) {
          const key = standingKey(after);
          const known = next.get(key);
          const whole = way.cost + cost;
          if (!known || whole < known.cost)
            next.set(key, { standing: after, cost: whole, stage, order, before: way });
        }
    looked += next.size * problem.leftAt.length;
    const going = kept(next.values(), looked > MOST_LOOKED_AT ? FEW_WAYS : MOST_WAYS);
    ways = going.ways;
    isAll = isAll && isEverySet && going.isAll;
  }
  const [best] = ways;
  const visits = wayBack(best ?? null).flatMap(({ stage, order }) =>
    visitsOf(problem.stages[stage] ?? [], stage, order),
  );
  const changes = changesAlong(problem, visits);
  const found = changes.settings + changes.takenUp;
  const atLeast = isAll ? found : Math.min(found, leastChanges(problem));
  return { ...changes, visits, atLeast, isProved: atLeast === found };
};

/** The way through all stages with the fewest changes of tool and setting. Every stop must have a station.
 *  Every standing that is worth it is followed through every cover of each stage; where these are too many, the best are, and what is found may be worse than the
 *  best by what `atLeast` says. */
export const fewestChanges = (problem: RouteProblem): FoundRoute => {
  const { stages } = problem;
  const firsts = runsOf(stages);
  const found = throughRuns({ ...problem, stages: firsts.map((first) => stages[first] as Stage) });
  const visits = found.visits.flatMap((visit) => {
    const first = firsts[visit.stage] as number;
    const runs = stages.slice(first + 1, firsts[visit.stage + 1]);
    return [
      { ...visit, stage: first },
      ...runs.map((stage, index) => ({
        ...visit,
        stage: first + 1 + index,
        stops: stage.map((_, place) => place),
      })),
    ];
  });
  return { ...found, visits };
};
