import { hardest } from './covers.ts';
import type { RouteProblem, Stage, Stop } from './route-problem.ts';
import { toolSets } from './tool-sets.ts';

const isApart = (a: ReadonlySet<number>, b: Stop): boolean => b.every((station) => !a.has(station));

/** The places of stops of which no two share what they can be worked with, picked the hardest first. */
const apart = (stops: readonly Stop[]): readonly number[] => {
  const used = new Set<number>();
  const picked: number[] = [];
  for (const [place, stop] of [...stops.entries()].sort(([, a], [, b]) => a.length - b.length))
    if (isApart(used, stop)) {
      picked.push(place);
      for (const each of stop) used.add(each);
    }
  return picked;
};

/** Changes that no way can do without, were there no order at all; 0 where there are too many tools to say. */
const withoutOrder = (problem: RouteProblem): number => {
  const [best] = toolSets(problem, hardest(problem.stages.flat()), false) ?? [];
  return best?.least ?? 0;
};

/** What the order asks of a stage: the places of stops that need a change each, one less where the first of them may be had without. */
type Asked = { readonly stops: readonly number[]; readonly isHeld: boolean };

/** Changes that the order asks for by itself: one each time that no station could have done all since the last one, and within a stage one between stops that
 *  share none. By stage. */
export const askedByOrder = (stages: readonly Stage[]): readonly Asked[] => {
  // Where one may stand without a change since the last that was counted; null before the first stop.
  let possible: ReadonlySet<number> | null = null;
  return stages.map((stage) => {
    const all: ReadonlySet<number> = new Set(stage.flat());
    const before: ReadonlySet<number> = possible ?? all;
    const unchanged = [...before].filter((station) => stage.every((stop) => stop.includes(station)));
    if (unchanged.length > 0) {
      possible = new Set(unchanged);
      return { stops: [], isHeld: true };
    }
    possible = all;
    return { stops: apart(stage), isHeld: [...all].some((station) => before.has(station)) };
  });
};

const alongOrder = ({ stages }: RouteProblem): number =>
  askedByOrder(stages).reduce(
    (count, { stops, isHeld }) =>
      count + (stops.length === 0 ? 0 : Math.max(1, stops.length - Number(isHeld))),
    0,
  );

/** How many changes of tool and setting a way has at the least: the larger of what is needed without any order and what the order asks for. */
export const leastChanges = (problem: RouteProblem): number =>
  Math.max(withoutOrder(problem), alongOrder(problem));
