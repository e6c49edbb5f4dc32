import { crosswise } from '#core/order/crosswise.ts';
import { fewestTools } from '#core/route/fewest-tools.ts';
import type { FoundRoute, RouteProblem, Stop } from '#core/route/route-problem.ts';
import { type Random, seeded } from '../campaign/seeded.ts';
import { anyCrib, cribOf, MOST_VALUES, SOME_VALUES } from './any-crib.ts';
import { printFigure } from './measured.ts';

const FASTENERS = 400;
const ROUNDS = 12;

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
  ...[SOME_VALUES, MOST_VALUES].flatMap((share) =>
    [false, true].flatMap((cabinets) =>
      [8, 40].map((values) => ({
        name: `any crib, ${share === SOME_VALUES ? 'some' : 'most'} of ${values} values${cabinets ? ', cabinets' : ''}`,
        problem: (random: Random) => anyCrib(values, share, cabinets, random),
      })),
    ),
  ),
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
