import type { RouteProblem, Stop } from './route-problem.ts';

/** Some tools that can do every stop, were there no order, and how many changes that takes at the least: one tool taken up each, and the settings of which
 *  no two can be one. */
export type ToolSet = { readonly tools: ReadonlySet<number>; readonly least: number };

/** More tools than so many are not tried in every combination. */
export const MOST_TOOLS = 12;

type Standing = Pick<RouteProblem, 'stations' | 'leftAt' | 'inHand'>;

/** What of a stop's stations a tool has, and whether it must be set for it. */
type Way = { readonly station: number; readonly isFree: boolean };
type ByTool = ReadonlyMap<number, readonly Way[]>;

const byTool = ({ stations, leftAt }: Standing, stop: Stop): ByTool => {
  const ways = new Map<number, Way[]>();
  for (const station of stop) {
    const { tool, isDialled } = stations[station] as RouteProblem['stations'][number];
    const isFree = !isDialled || leftAt[tool] === station;
    ways.set(tool, [...(ways.get(tool) ?? []), { station, isFree }]);
  }
  return ways;
};

/** The settings that some tools need at the least; null where they can't do every stop. */
const leastSettings = (stops: readonly ByTool[], tools: readonly number[]): number | null => {
  const used = new Set<number>();
  let count = 0;
  for (const stop of stops) {
    let can = false;
    let isFree = false;
    let isApart = true;
    for (const tool of tools)
      for (const way of stop.get(tool) ?? []) {
        can = true;
        isFree = isFree || way.isFree;
        isApart = isApart && !used.has(way.station);
      }
    if (!can) return null;
    if (isFree || !isApart) continue;
    count += 1;
    for (const tool of tools) for (const { station } of stop.get(tool) ?? []) used.add(station);
  }
  return count;
};

/** The tools of which none does only what another one does, with as little setting: in no order it is never better to take one of the others. The one in hand stays. */
const worthTaking = (
  stops: readonly ByTool[],
  all: readonly number[],
  inHand: number | null,
): readonly number[] => {
  const isNoBetter = (tool: number, other: number): boolean => {
    const partner = new Map<number, number>();
    return stops.every((stop) => {
      const [own, another] = stop.get(tool) ?? [];
      const [others] = stop.get(other) ?? [];
      if (!own) return true;
      if (another || !others || (own.isFree && !others.isFree)) return false;
      // What is one setting on this tool must be one on the other.
      const known = partner.get(own.station) ?? others.station;
      partner.set(own.station, known);
      return known === others.station;
    });
  };
  return all.reduce<readonly number[]>((kept, tool) => {
    if (tool === inHand) return kept;
    const rest = kept.filter((other) => other !== tool);
    return rest.some((other) => isNoBetter(tool, other)) ? rest : kept;
  }, all);
};

/** The sets of tools that can do some stops, those with the fewest changes first. Null where there are too many tools to try each set.
 *  `isOrdered` keeps tools that only pay where stops have an order. */
export const toolSets = (
  problem: Standing,
  stops: readonly Stop[],
  isOrdered: boolean,
): readonly ToolSet[] | null => {
  const ways = stops.map((stop) => byTool(problem, stop)).sort((a, b) => a.size - b.size);
  const all = [...new Set(ways.flatMap((stop) => [...stop.keys()]))];
  const tools = isOrdered && all.length <= MOST_TOOLS ? all : worthTaking(ways, all, problem.inHand);
  if (tools.length > MOST_TOOLS) return null;
  const found: ToolSet[] = [];
  for (let bits = 1; bits < 2 ** tools.length; bits += 1) {
    const some = tools.filter((_, place) => bits & (1 << place));
    const settings = leastSettings(ways, some);
    if (settings === null) continue;
    const takenUp = some.length - Number(problem.inHand !== null && some.includes(problem.inHand));
    found.push({ tools: new Set(some), least: takenUp + settings });
  }
  return found.sort((a, b) => a.least - b.least || a.tools.size - b.tools.size);
};
