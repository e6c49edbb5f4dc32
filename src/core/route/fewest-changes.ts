import { askedIn, bestWay } from './best-way.ts';
import { foundRoute } from './found-route.ts';
import type { FoundRoute, RouteProblem, Stage } from './route-problem.ts';

/** Stages that follow each other and ask for one and the same are walked as one: the places of the first of each, behind them where the next begins. */
const runsOf = (stages: readonly Stage[]): readonly number[] =>
  stages.flatMap((stage, index) => {
    const before = stages[index - 1];
    const isSame = before && askedIn(before) === askedIn(stage) && !askedIn(stage).includes(' ');
    return isSame ? [] : [index];
  });

/** The way through all stages with the fewest changes of tool and setting. Every stop must have a station.
 *  Every standing that is worth it is followed through every cover of each stage; where these are too many, the best are, and what is found may be worse than the
 *  best by what `atLeast` says. */
export const fewestChanges = (problem: RouteProblem): FoundRoute => {
  const { stages } = problem;
  const firsts = runsOf(stages);
  const runs = { ...problem, stages: firsts.map((first) => stages[first] as Stage) };
  const { way, atLeast } = bestWay(runs);
  const found = foundRoute(runs, way, atLeast);
  const visits = found.visits.flatMap((visit) => {
    const first = firsts[visit.stage] as number;
    const later = stages.slice(first + 1, firsts[visit.stage + 1]);
    return [
      { ...visit, stage: first },
      ...later.map((stage, index) => ({
        ...visit,
        stage: first + 1 + index,
        stops: stage.map((_, place) => place),
      })),
    ];
  });
  return { ...found, visits };
};
