import { crosswise } from '#core/order/crosswise.ts';
import { fewestTools } from '#core/route/fewest-tools.ts';
import type { FoundRoute, RouteProblem, Station, Stop } from '#core/route/route-problem.ts';
import { type Random, seeded } from '../campaign/seeded.ts';
import { printFigure } from './measured.ts';

const FASTENERS = 400;
const ROUNDS = 12;

/** The values that a tool reaches, from the first to before the last, and whether it shows what it feels. */
type Reach = { readonly from: number; readonly to: number; readonly shows: boolean };

/** What tools of some reach can do: stations are made as they are asked for. */
const cribOf = (reach: readonly Reach[]) => {
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

/** A crib whose tools reach over half of the values each, side by side; the last of more than two shows what it feels. */
const crib = (values: number, tools: number) => {
  const span = Math.ceil(values / 2);
  return cribOf(
    Array.from({ length: tools }, (_, tool) => {
      const from = Math.round((tool / Math.max(1, tools - 1)) * (values - span));
      return { from, to: from + span, shows: tools >= 3 && tool === tools - 1 };
    }),
  );
};

/** Eight groups of fifty fasteners on six to ten tools, each of which reaches a fifth to three fifths of the values, wherever that is; one in seven shows what it feels.
 *  The fasteners of a group alternate between up to four values, in order; with `cabinets`, half of the groups are cabinets in any order. */
const anyCrib = (values: number, cabinets: boolean, random: Random): RouteProblem => {
  const tools = 6 + random.whole(5);
  const reach = Array.from({ length: tools }, (): Reach => {
    const span = Math.max(1, Math.round(values * (0.2 + random.next() * 0.4)));
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

type Case = {
  readonly name: string;
  readonly problem: (random: Random) => RouteProblem;
};

const problemOf = (
  values: number,
  tools: number,
  fill: (stopFor: (value: number) => Stop) => RouteProblem['stages'],
): RouteProblem => {
  const { stations, stopFor } = crib(values, tools);
  const stages = fill(stopFor);
  return { stations, stages, inHand: null, leftAt: Array.from({ length: tools }, () => null) };
};

/** Rings of sixteen, each crosswise in three passes; every fourth fastener has a value of its own. */
const ringStages = (many: number, values: number, stopFor: (value: number) => Stop, random: Random) =>
  Array.from({ length: many }).flatMap(() => {
    const [most, some] = [random.whole(values), random.whole(values)];
    const spots = Array.from({ length: 16 }, (_, index) => ({
      position: String(index),
      xMm: Math.sin((index * Math.PI) / 8),
      yMm: Math.cos((index * Math.PI) / 8),
    }));
    const order = crosswise(spots).map(Number);
    return [0.3, 0.7, 1].flatMap((share) =>
      order.map((place) => [stopFor(Math.floor((place % 4 === 0 ? some : most) * share))]),
    );
  });

const rings = (values: number, tools: number, random: Random): RouteProblem =>
  problemOf(values, tools, (stopFor) => ringStages(FASTENERS / 16, values, stopFor, random));

/** A cabinet, rings, and a cabinet again, on one job. */
const mixed = (values: number, tools: number, random: Random): RouteProblem =>
  problemOf(values, tools, (stopFor) => {
    const cabinet = () => Array.from({ length: 100 }, () => stopFor(random.whole(values)));
    return [cabinet(), ...ringStages(12, values, stopFor, random), cabinet()];
  });

const CASES: readonly Case[] = [
  {
    name: 'a cabinet, 12 values, 6 tools',
    problem: (random) =>
      problemOf(12, 6, (stopFor) => [Array.from({ length: FASTENERS }, () => stopFor(random.whole(12)))]),
  },
  {
    name: 'a cabinet, 40 values, 10 tools',
    problem: (random) =>
      problemOf(40, 10, (stopFor) => [Array.from({ length: FASTENERS }, () => stopFor(random.whole(40)))]),
  },
  { name: '25 rings in 3 passes, 8 values, 2 tools', problem: (random) => rings(8, 2, random) },
  { name: '25 rings in 3 passes, 20 values, 5 tools', problem: (random) => rings(20, 5, random) },
  { name: 'cabinet, rings, cabinet, 20 values, 5 tools', problem: (random) => mixed(20, 5, random) },
  { name: 'any crib, in order, 8 values', problem: (random) => anyCrib(8, false, random) },
  { name: 'any crib, in order, 40 values', problem: (random) => anyCrib(40, false, random) },
  { name: 'any crib, with cabinets, 8 values', problem: (random) => anyCrib(8, true, random) },
  { name: 'any crib, with cabinets, 40 values', problem: (random) => anyCrib(40, true, random) },
];

/** Routes through four hundred fasteners: how long they take to find, and how far each is from what is possible at the least. */
export const benchRoute = (): void => {
  for (const { name, problem } of CASES) {
    const found: { readonly ms: number; readonly route: FoundRoute }[] = Array.from(
      { length: ROUNDS },
      (_, seed) => {
        const asked = problem(seeded(seed + 1));
        const start = performance.now();
        const route = fewestTools(asked);
        return { ms: performance.now() - start, route };
      },
    );
    const gaps = found.map(({ route }) => ((route.settings + route.takenUp) / route.atLeast - 1) * 100);
    printFigure({ name: `route, ${name} (bound 500 ms)`, values: found.map(({ ms }) => ms), unit: 'ms' });
    printFigure({ name: `… above the least there can be (bound 5 %)`, values: gaps, unit: '%' });
    printFigure({
      name: '… routes proved the best, of 12',
      values: [found.filter(({ route }) => route.isProved).length],
      unit: '',
    });
  }
};
