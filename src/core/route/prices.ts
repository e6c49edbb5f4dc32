import { askedByOrder } from './least-changes.ts';
import { type PricedStage, type Prices, pricedStages } from './priced-stage.ts';
import { type PricedTool, pricedTool } from './priced-tool.ts';
import type { RouteProblem } from './route-problem.ts';

/** The tools of a problem at prices of which no better were found, and what all tools together take at the least. */
export type Priced = {
  readonly prices: Prices;
  readonly tools: readonly PricedTool[];
  readonly stages: readonly PricedStage[];
  readonly least: number;
};

/** Work for prices: each round looks at every station of every stage. */
const MOST_LOOKED_AT = 1_500_000;
const MOST_ROUNDS = 300;
/** Share of it that is enough where prices are already near. */
const AGAIN = 1 / 3;
/** How far above the least that is known so far the prices are to come: at first a part of it. Half as far where some rounds gained nothing worth it, until it is too little. */
const AIM = 0.03;
const PATIENCE = 8;
const WORTH_IT = 0.02;
const TOO_LITTLE = 0.02;
/** How much of the last direction is kept. */
const MOMENTUM = 0.7;
/** What sums of so many prices may be off by. */
export const OFF = 1e-6;

/** The fewest whole changes that are no less than what was worked out. */
export const wholeChanges = (least: number): number => Math.ceil(least - OFF);

const sum = (some: Float64Array): number => some.reduce((total, each) => total + each, 0);

/** Numbers that go along a direction, which keeps some of where it went before. */
const climber = (size: number) => {
  const over = new Float64Array(size);
  const along = new Float64Array(size);
  return {
    over,
    /** Turns to where more is asked for; the square of how far that is. Where a value is nothing already and would become less is not counted. */
    turned: (values: Float64Array): number => {
      let square = 0;
      for (let at = 0; at < size; at += 1) {
        const next = (over[at] as number) + MOMENTUM * (along[at] as number);
        along[at] = next;
        if (next > 0 || (values[at] as number) > 0) square += next ** 2;
      }
      return square;
    },
    climb: (values: Float64Array, step: number, most: number): void => {
      for (let at = 0; at < size; at += 1)
        values[at] = Math.min(most, Math.max(0, (values[at] as number) + step * (along[at] as number)));
    },
  };
};

/** One for each change that the order asks for by itself. */
const firstPrices = (stages: readonly PricedStage[], count: number): Prices => {
  const perStop = new Float64Array(count);
  for (const [stage, { stops }] of askedByOrder(stages.map((each) => each.stops)).entries())
    for (const place of stops) perStop[(stages[stage] as PricedStage).first + place] = 1;
  return { perStop, perHold: new Float64Array(stages.length) };
};

/** Prices at which what is paid comes as near as can be found to the fewest changes. Each tool for itself looks for its best way: a stop that nobody does is paid more
 *  from then on, one that several do is paid less, and being held on into a stage costs more where several would be; only one tool is in hand.
 *  What all together take is never more than a real way does. `known` are the changes of some real way.
 *  Source: Lagrangian relaxation by subgradients, Held and Karp, 1971; the length of a step, Polyak, 1969; from memory. */
export const pricesFor = (problem: RouteProblem, known: number, from?: Prices): Priced => {
  const stages = pricedStages(problem);
  const count = stages.reduce((total, { stops }) => total + stops.length, 0);
  const { inHand, leftAt } = problem;
  const tools = leftAt.map((_, tool) => pricedTool(problem, tool, stages));
  const size = stages.reduce((total, { stops }) => total + stops.flat().length + problem.stations.length, 1);
  const rounds = Math.min(MOST_ROUNDS, MOST_LOOKED_AT / size) * (from ? AGAIN : 1);
  const now: Prices = from
    ? { perStop: from.perStop.slice(), perHold: from.perHold.slice() }
    : firstPrices(stages, count);
  const [stops, holds] = [climber(count), climber(stages.length)];
  let best = { least: Number.NEGATIVE_INFINITY, prices: now };
  let [aim, idle] = [Number.POSITIVE_INFINITY, 0];
  for (let round = 0; round < rounds && aim > TOO_LITTLE; round += 1) {
    for (const tool of tools) tool.price(now);
    const left = tools.reduce(
      (total, tool, place) => total + tool.leastFrom(0, leftAt[place] ?? null, inHand === place),
      0,
    );
    const least = sum(now.perStop) - sum(now.perHold) + left;
    idle = least > best.least + WORTH_IT ? 0 : idle + 1;
    if (least > best.least)
      best = { least, prices: { perStop: now.perStop.slice(), perHold: now.perHold.slice() } };
    if (wholeChanges(best.least) >= known) break;
    if (round === 0) aim = Math.max(1, Math.min(known - least, AIM * least));
    if (idle > PATIENCE) [aim, idle] = [aim / 2, 0];
    stops.over.fill(1);
    holds.over.fill(-1);
    for (const tool of tools)
      tool.walk(
        now,
        (stop) => {
          stops.over[stop] = (stops.over[stop] as number) - 1;
        },
        (stage) => {
          holds.over[stage] = (holds.over[stage] as number) + 1;
        },
      );
    const square = stops.turned(now.perStop) + holds.turned(now.perHold);
    if (square === 0) break;
    const step = (best.least + aim - least) / square;
    stops.climb(now.perStop, step, Number.POSITIVE_INFINITY);
    holds.climb(now.perHold, step, 1);
  }
  for (const tool of tools) tool.price(best.prices);
  return { ...best, tools, stages };
};
