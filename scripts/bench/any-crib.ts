import type { RouteProblem, Station, Stop } from '#core/route/route-problem.ts';
import type { Random } from '../campaign/seeded.ts';

/** The values that a tool reaches, from the first to before the last, and whether it shows what it feels. */
type Reach = { readonly from: number; readonly to: number; readonly shows: boolean };

/** What tools of some reach can do: stations are made as they are asked for. */
export const cribOf = (reach: readonly Reach[]) => {
  const stations: Station[] = [];
  const places = new Map<string, number>();
  const station = (tool: number, value: number, isDialled: boolean): number => {
    const key = `${tool} ${isDialled ? value : ''}`;
    const place = places.get(key) ?? stations.push({ tool, isDialled }) - 1;
    places.set(key, place);
    return place;
  };
  const stopFor = (value: number): Stop =>
    reach.flatMap(({ from, to, shows }, tool) =>
      value >= from && value < to ? [station(tool, value, !shows)] : [],
    );
  return { stations, stopFor };
};

/** What share of the values a tool reaches: at the least, and how much more at the most. */
export type Share = { readonly least: number; readonly more: number };
export const SOME_VALUES: Share = { least: 0.2, more: 0.4 };
export const MOST_VALUES: Share = { least: 0.6, more: 0.4 };

/** Eight groups of fifty fasteners on six to ten tools, each of which reaches a share of the values, wherever that is; one in seven shows what it feels.
 *  The fasteners of a group alternate between up to four values, in order; with `cabinets`, some of the groups are cabinets in any order. */
export const anyCrib = (values: number, share: Share, cabinets: boolean, random: Random): RouteProblem => {
  const tools = 6 + random.whole(5);
  const reach = Array.from({ length: tools }, (): Reach => {
    const span = Math.max(1, Math.round(values * (share.least + random.next() * share.more)));
    const from = random.whole(values - span + 1);
    return { from, to: from + span, shows: random.chance(0.15) };
  });
  const { stations, stopFor } = cribOf(reach);
  const reached = Array.from({ length: values }, (_, value) => value).filter(
    (value) => stopFor(value).length > 0,
  );
  const stages = Array.from({ length: 8 }, (_, group) => {
    if (cabinets && group % 2 === 0 && random.chance(0.8))
      return [Array.from({ length: 50 }, () => stopFor(random.pick(reached)))];
    const some = Array.from({ length: 1 + random.whole(4) }, () => random.pick(reached));
    return Array.from({ length: 50 }, (_, index) => [stopFor(some[index % some.length] as number)]);
  });
  return { stations, stages: stages.flat(), inHand: null, leftAt: reach.map(() => null) };
};
