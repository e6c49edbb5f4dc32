import { type Covers, coversOf } from './covers.ts';
import { followed, stepsOf } from './followed.ts';
import { leastChanges } from './least-changes.ts';
import { leastThroughLoose } from './loose-stages.ts';
import type { Changes, FoundRoute, RouteProblem, Stage, Visit } from './route-problem.ts';
import { passagesThrough } from './standing.ts';

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
  const { best, isAll } = followed(problem, (stage, from) => {
    const { stations, tools } = needed[stage] as Needed;
    return (covers[stage]?.sets ?? []).flatMap((set) =>
      passagesThrough(
        problem,
        set,
        from,
        (station) => stations.has(station),
        (tool) => tools.has(tool),
      ),
    );
  });
  const visits = stepsOf(best).flatMap(({ stage, order }) =>
    visitsOf(problem.stages[stage] ?? [], stage, order),
  );
  const changes = changesAlong(problem, visits);
  const found = changes.settings + changes.takenUp;
  const isProved = isAll && covers.every(({ isAll: isEverySet }) => isEverySet);
  const atLeast = isProved
    ? found
    : Math.min(found, Math.max(leastChanges(problem), leastThroughLoose(problem, covers) ?? 0));
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
