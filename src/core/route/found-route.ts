import { stepsOf, type Way } from './followed.ts';
import type { Changes, FoundRoute, RouteProblem, Stage, Visit } from './route-problem.ts';

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

/** The route along a way, where it is known that none takes fewer changes than so many. */
export const foundRoute = (problem: RouteProblem, way: Way, atLeast: number): FoundRoute => {
  const visits = stepsOf(way).flatMap(({ stage, order }) =>
    visitsOf(problem.stages[stage] ?? [], stage, order),
  );
  const changes = changesAlong(problem, visits);
  const found = changes.settings + changes.takenUp;
  return { ...changes, visits, atLeast: Math.min(found, atLeast), isProved: atLeast >= found };
};
