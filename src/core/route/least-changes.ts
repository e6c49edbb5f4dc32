import { hardest } from './covers.ts';
import type { RouteProblem, Stop } from './route-problem.ts';
import { toolSets } from './tool-sets.ts';

const isApart = (a: ReadonlySet<number>, b: Stop): boolean => b.every((station) => !a.has(station));

/** Stops of which no two share what they can be worked with, picked the hardest first. */
const apart = (stops: readonly (readonly number[])[]): number => {
  const used = new Set<number>();
  let count = 0;
  for (const stop of [...stops].sort((a, b) => a.length - b.length))
    if (isApart(used, stop)) {
      count += 1;
      for (const each of stop) used.add(each);
    }
  return count;
};

/** Changes that no way can do without, were there no order at all; 0 where there are too many tools to say. */
const withoutOrder = (problem: RouteProblem): number => {
  const [best] = toolSets(problem, hardest(problem.stages.flat()), false) ?? [];
  return best?.least ?? 0;
};

/** Changes that the order asks for by itself: one each time that no station could have done all since the last one, and within a stage one between stops that
 *  share none. */
const alongOrder = ({ stages }: RouteProblem): number => {
  let count = 0;
  // Where one may stand without a change since the last that was counted; null before the first stop.
  let possible: ReadonlySet<number> | null = null;
  for (const stage of stages) {
    const within = apart(stage);
    const all: ReadonlySet<number> = new Set(stage.flat());
    const before: ReadonlySet<number> = possible ?? all;
    const unchanged = [...before].filter((station) => stage.every((stop) => stop.includes(station)));
    if (unchanged.length > 0) {
      possible = new Set(unchanged);
      continue;
    }
    const isHeld = [...all].some((station) => before.has(station));
    count += Math.max(1, within - Number(isHeld));
    possible = all;
  }
  return count;
};

/** How many changes of tool and setting a way has at the least: the larger of what is needed without any order and what the order asks for. */
export const leastChanges = (problem: RouteProblem): number =>
  Math.max(withoutOrder(problem), alongOrder(problem));
