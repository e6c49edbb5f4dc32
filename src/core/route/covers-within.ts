import { type Cover, type Covers, coverOf } from './covers.ts';
import type { Tolls } from './outlook.ts';
import { OFF } from './prices.ts';
import type { RouteProblem, Station } from './route-problem.ts';

/** Covers, and how many steps it took to find them. */
export type CoversWithin = Covers & { readonly steps: number };

/** More covers than so many from one standing are not looked for. */
const MOST_FOUND = 256;

/** The sets of stations that work a stage from a standing and may take `slack` more than the least there can be, or less. Stop by stop, that first which the fewest
 *  stations may still do, each of these is tried, and left out once it was. `most` are the steps after which the search is given up. */
export const coversWithin = (
  { stations }: Pick<RouteProblem, 'stations'>,
  { stops, twice, forced }: Tolls,
  slack: number,
  most: number,
): CoversWithin => {
  const found: Cover[] = [];
  const stopsOf = new Map<number, number[]>();
  for (const [place, stop] of stops.entries())
    for (const station of stop) stopsOf.set(station, [...(stopsOf.get(station) ?? []), place]);
  const timesDone = new Int32Array(stops.length);
  const isOut = new Uint8Array(stations.length);
  const chosen: number[] = [];
  // By tool: how many of its stations are chosen, and the dearest of them, which may be its last and so take nothing more.
  const count = new Int32Array(forced.length);
  const dearest = new Float64Array(forced.length);
  let steps = 0;

  const tollOf = (station: number): number =>
    forced[(stations[station] as Station).tool]?.stations.get(station) ?? 0;
  /** What it takes more to choose a station as well. */
  const moreFor = (station: number): number => {
    const { tool } = stations[station] as Station;
    const use = count[tool] === 0 ? (forced[tool]?.use ?? 0) : 0;
    return use + Math.min(tollOf(station), dearest[tool] as number);
  };

  /** The stations of the stop that the fewest can do; null where all stops are done. */
  const options = (left: number): readonly number[] | null => {
    let fewest: readonly number[] | null = null;
    for (const [place, stop] of stops.entries()) {
      if ((timesDone[place] as number) > 0) continue;
      const able = stop.filter((station) => isOut[station] === 0 && moreFor(station) <= left + OFF);
      if (!fewest || able.length < fewest.length) fewest = able;
      if (fewest.length === 0) break;
    }
    return fewest && [...fewest].sort((a, b) => moreFor(a) - moreFor(b));
  };

  const go = (left: number): void => {
    steps += 1;
    if (steps > most || found.length > MOST_FOUND) return;
    const able = options(left);
    if (!able) {
      found.push(coverOf({ stations }, chosen));
      return;
    }
    for (const station of able) {
      const { tool } = stations[station] as Station;
      const places = stopsOf.get(station) as readonly number[];
      let more = moreFor(station);
      for (const place of places) if ((timesDone[place] as number) > 0) more += twice[place] as number;
      if (more <= left + OFF) {
        const before = dearest[tool] as number;
        dearest[tool] = Math.max(before, tollOf(station));
        count[tool] = (count[tool] as number) + 1;
        for (const place of places) timesDone[place] = (timesDone[place] as number) + 1;
        chosen.push(station);
        go(left - more);
        chosen.pop();
        for (const place of places) timesDone[place] = (timesDone[place] as number) - 1;
        count[tool] = (count[tool] as number) - 1;
        dearest[tool] = before;
      }
      isOut[station] = 1;
    }
    for (const station of able) isOut[station] = 0;
  };
  go(slack);
  return { sets: found, isAll: steps <= most && found.length <= MOST_FOUND, steps };
};
