import type { Prices } from './priced-stage.ts';
import type { Forced, PricedTool } from './priced-tool.ts';
import { type Priced, pricesFor } from './prices.ts';
import type { RouteProblem, Stop } from './route-problem.ts';
import type { Standing } from './standing.ts';

/** What the stops and stations of a stage take more than the least there can be. */
export type Tolls = {
  /** The stops that ask the most. */
  readonly stops: readonly Stop[];
  /** What it takes more to do each of them once too often. */
  readonly twice: Float64Array;
  /** By tool. */
  readonly forced: readonly Forced[];
};

/** What is known of the changes that are still to come. */
export type Outlook = {
  /** No way through all stages takes fewer changes than this, which may lie between two whole numbers. */
  readonly least: number;
  readonly prices: Prices;
  /** No way from a standing before a stage on does. */
  readonly leastFrom: (stage: number, standing: Standing) => number;
  /** … which is what all stops from there on are paid for, … */
  readonly paidFrom: (stage: number) => number;
  /** … and what a tool has left of it at the least, below nothing where it is paid more than it takes. */
  readonly leastOf: (stage: number, tool: number, leftAt: number | null, isInHand: boolean) => number;
  readonly tollsAt: (stage: number, standing: Standing) => Tolls;
};

const outlookAt = ({ prices, tools, stages, least }: Priced): Outlook => {
  const priceOf = (stage: number): Float64Array => {
    const { first, stops } = stages[stage] as Priced['stages'][number];
    return prices.perStop.subarray(first, first + stops.length);
  };
  // What all prices from each stage on come to.
  const paid = new Float64Array(stages.length + 1);
  for (let stage = stages.length - 1; stage >= 0; stage -= 1)
    paid[stage] =
      priceOf(stage).reduce((total, each) => total + each, paid[stage + 1] as number) -
      (prices.perHold[stage] as number);
  return {
    least,
    prices,
    leastFrom: (stage, { inHand, leftAt }) => {
      let from = paid[stage] as number;
      for (let tool = 0; tool < tools.length; tool += 1)
        from += (tools[tool] as PricedTool).leastFrom(stage, leftAt[tool] ?? null, inHand === tool);
      return from;
    },
    paidFrom: (stage) => paid[stage] as number,
    leastOf: (stage, tool, leftAt, isInHand) =>
      (tools[tool] as PricedTool).leastFrom(stage, leftAt, isInHand),
    tollsAt: (stage, { inHand, leftAt }) => ({
      stops: stages[stage]?.stops ?? [],
      twice: priceOf(stage),
      forced: tools.map((tool, place) => tool.forced(prices, stage, leftAt[place] ?? null, inHand === place)),
    }),
  };
};

/** What is known of the changes of a problem of which some way takes `known`. */
export const outlookOf = (problem: RouteProblem, known: number, before?: Outlook): Outlook =>
  outlookAt(pricesFor(problem, known, before?.prices));
