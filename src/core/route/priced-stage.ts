import { hardest } from './covers.ts';
import type { RouteProblem, Stop } from './route-problem.ts';

/** What a tool is paid for each stop it does, and what it pays for being held on into each stage instead of being taken up. */
export type Prices = { readonly perStop: Float64Array; readonly perHold: Float64Array };

/** A stage as it is priced. */
export type PricedStage = {
  readonly stops: readonly Stop[];
  /** The place of its first stop among all that are priced. */
  readonly first: number;
  /** Whether no tool can do all of them: one that is held on into the stage is then not the one in hand at its end. */
  readonly isShared: boolean;
};

/** The stages of a problem as they are priced: of each the stops that ask the most. */
export const pricedStages = ({ stages, stations, leftAt }: RouteProblem): readonly PricedStage[] => {
  let count = 0;
  return stages.map((stage) => {
    const stops = hardest(stage);
    count += stops.length;
    const canAll = leftAt.some((_, tool) =>
      stops.every((stop) => stop.some((station) => stations[station]?.tool === tool)),
    );
    return { stops, first: count - stops.length, isShared: !canAll };
  });
};

/** What a stage offers a tool: its settings there by their places among its own, and the stops that each does. */
export type Offer = {
  readonly stage: number;
  readonly own: Int32Array;
  readonly stops: readonly Int32Array[];
};

/** What each stage that offers a tool anything offers it. `places` are the places of the tool's stations among its own. */
export const offersOf = (
  places: ReadonlyMap<number, number>,
  stages: readonly PricedStage[],
): readonly Offer[] =>
  stages.flatMap(({ first, stops }, stage): readonly Offer[] => {
    const done = new Map<number, number[]>();
    for (const [index, stop] of stops.entries())
      for (const station of stop) {
        const place = places.get(station);
        if (place === undefined) continue;
        const known = done.get(place);
        if (known) known.push(first + index);
        else done.set(place, [first + index]);
      }
    const each = [...done.values()].map((some) => Int32Array.from(some));
    return done.size > 0 ? [{ stage, own: Int32Array.from(done.keys()), stops: each }] : [];
  });
