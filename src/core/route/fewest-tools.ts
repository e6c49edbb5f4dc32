import { fewestChanges } from './fewest-changes.ts';
import type { Changes, FoundRoute, RouteProblem, Stage } from './route-problem.ts';

const all = ({ settings, takenUp }: Changes): number => settings + takenUp;

/** The stages as one tool alone works them; null where it can't work all. */
const stagesOf = ({ stages, stations }: RouteProblem, tool: number): readonly Stage[] | null => {
  const own = stages.map((stage) =>
    stage.map((stop) => stop.filter((station) => stations[station]?.tool === tool)),
  );
  return own.every((stage) => stage.every((stop) => stop.length > 0)) ? own : null;
};

/** The way with the fewest changes; where one tool alone takes no more of them than several, the one that takes the fewest is the way: a second one would be fetched
 *  for nothing. Every stop must have a station. */
export const fewestTools = (problem: RouteProblem): FoundRoute => {
  const best = fewestChanges(problem);
  const used = new Set(best.visits.map(({ station }) => problem.stations[station]?.tool));
  if (used.size <= 1) return best;
  const alone = problem.leftAt
    .flatMap((_, tool) => {
      const stages = stagesOf(problem, tool);
      return stages ? [fewestChanges({ ...problem, stages })] : [];
    })
    .filter((found) => all(found) <= all(best))
    .sort((a, b) => all(a) - all(b));
  const [one] = alone;
  if (!one) return best;
  const atLeast = Math.min(best.atLeast, all(one));
  return { ...one, atLeast, isProved: atLeast === all(one) };
};
