import type { RouteProblem, Stage, Stop } from './route-problem.ts';
import { toolSets } from './tool-sets.ts';

/** A set of stations with which every stop of a stage can be worked, tool by tool. */
export type Cover = readonly { readonly tool: number; readonly stations: readonly number[] }[];

/** The stations of a set, tool by tool. */
export const coverOf = ({ stations }: Pick<RouteProblem, 'stations'>, set: readonly number[]): Cover => {
  const byTool = new Map<number, number[]>();
  for (const station of set) {
    const { tool } = stations[station] as RouteProblem['stations'][number];
    const known = byTool.get(tool);
    if (known) known.push(station);
    else byTool.set(tool, [station]);
  }
  return [...byTool].map(([tool, some]) => ({ tool, stations: some }));
};

/** Covers of a stage. */
export type Covers = {
  readonly sets: readonly Cover[];
  /** Whether every set that holds no other one is among them. */
  readonly isAll: boolean;
};

/** More than so many different stations in one stage are not tried in every combination. */
const MOST_IN_ALL = 10;
const MOST_SETS = 24;

const isPart = (inner: Stop, outer: Stop): boolean => inner.every((station) => outer.includes(station));

/** The stops of a stage that ask the most: one whose stations hold all of another's is done with it. */
export const hardest = (stage: Stage): readonly Stop[] => {
  const different = [
    ...new Map(stage.map((stop) => [[...stop].sort((a, b) => a - b).join(), stop])).values(),
  ].sort((a, b) => a.length - b.length);
  const kept: Stop[] = [];
  for (const stop of different) if (!kept.some((other) => isPart(other, stop))) kept.push(stop);
  return kept;
};

const inOrder = (set: readonly number[]): readonly number[] => [...new Set(set)].sort((a, b) => a - b);

const withoutLarger = (sets: readonly (readonly number[])[]): readonly (readonly number[])[] => {
  const byKey = [...new Map(sets.map((set) => [set.join(), set])).values()].sort(
    (a, b) => a.length - b.length,
  );
  const kept: (readonly number[])[] = [];
  for (const set of byKey) if (!kept.some((other) => isPart(other, set))) kept.push(set);
  return kept;
};

const everyCover = (stops: readonly Stop[]): readonly (readonly number[])[] => {
  const found: number[][] = [];
  const go = (chosen: readonly number[], index: number): void => {
    const stop = stops[index];
    if (!stop) found.push([...chosen]);
    else if (stop.some((station) => chosen.includes(station))) go(chosen, index + 1);
    else for (const station of stop) go([...chosen, station], index + 1);
  };
  go([], 0);
  return withoutLarger(found.map(inOrder));
};

/** Stations of some tools that do every stop: again and again the one that does most of what is left. Null where the tools can't. */
const greedyCover = (
  stops: readonly Stop[],
  isAllowed: (station: number) => boolean,
): readonly number[] | null => {
  const chosen: number[] = [];
  let left = stops;
  while (left.length > 0) {
    const counts = new Map<number, number>();
    for (const stop of left)
      for (const station of stop) if (isAllowed(station)) counts.set(station, (counts.get(station) ?? 0) + 1);
    const [best] = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
    if (!best) return null;
    chosen.push(best[0]);
    left = left.filter((stop) => !stop.includes(best[0]));
  }
  return inOrder(chosen);
};

/** Covers with few changes: of the best sets of tools one each; of any tools where these are too many to try each set. */
const coversByTools = (problem: RouteProblem, stops: readonly Stop[]): readonly (readonly number[])[] => {
  const { stations } = problem;
  const ofTools = (toolSets(problem, stops, true) ?? []).slice(0, MOST_SETS).flatMap(({ tools }) => {
    const cover = greedyCover(stops, (station) => tools.has(stations[station]?.tool ?? -1));
    return cover ? [cover] : [];
  });
  const any = ofTools.length === 0 ? greedyCover(stops, () => true) : null;
  return withoutLarger(any ? [any] : ofTools);
};

/** The covers of a stage: all that hold no other one where its stations are few, else those with few tools. */
export const coversOf = (problem: RouteProblem, stage: Stage): Covers => {
  const stops = hardest(stage);
  const covers = (sets: readonly (readonly number[])[], isAll: boolean): Covers => ({
    sets: sets.map((set) => coverOf(problem, set)),
    isAll,
  });
  const isForced = stops.every((stop) => stop.length === 1);
  if (isForced || new Set(stops.flat()).size <= MOST_IN_ALL) return covers(everyCover(stops), true);
  const [only] = stops;
  if (stops.length === 1 && only)
    return covers(
      only.map((station) => [station]),
      true,
    );
  return covers(coversByTools(problem, stops), false);
};
