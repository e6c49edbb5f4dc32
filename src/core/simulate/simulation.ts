import { z } from 'zod';
import type { Spot } from '../order/spot.ts';
import type { Shape } from '../shape.ts';
import { interactionMatrix, interactionSchema } from './interaction.ts';
import { type MonteCarlo, monteCarlo } from './monte-carlo.ts';
import { afterPasses, passesNeeded, preloadHistory, spreadOf } from './preload.ts';
import { schedule } from './schedule.ts';
import { singlePassForces } from './single-pass.ts';

/** Up to so many fasteners are simulated together: every one acts on every other. */
export const SIMULATED_MOST = 200;
const PASSES_MOST = 16;
const ROUNDS_AT_ONCE = 3;
const RUNS_MOST = 100_000;
// A part of the runs that takes a few milliseconds, so that a cancel is heard.
const PULLS_A_PART = 400_000;

export const simulationSettingsSchema = z.strictObject({
  interaction: interactionSchema,
  scatter: z.strictObject({
    friction: z.number().min(0).max(0.5),
    tool: z.number().min(0).max(0.2),
  }),
  /** Every fastener is wanted within this share of the wanted force. */
  within: z.number().positive().max(0.5),
  runs: z.int().min(1).max(RUNS_MOST),
  seed: z
    .int()
    .min(0)
    .max(2 ** 31 - 1),
});
/** How a joint is simulated. */
export type SimulationSettings = Shape<typeof simulationSettingsSchema>;

/** Fasteners in the order they are pulled, and the shares of the whole force in each pass. */
export type Simulated = SimulationSettings & {
  readonly places: readonly Spot[];
  readonly shares: readonly number[];
};

/** What becomes of a joint. Forces as shares of the wanted one; fasteners by their place in the order. */
export type Simulation = {
  /** The force of every fastener after every pull: a row of as many as there are fasteners for each pull. */
  readonly history: Float64Array;
  readonly fasteners: number;
  readonly passEnds: readonly number[];
  /** Largest less smallest, after each pass, without scatter. */
  readonly spreads: readonly number[];
  /** The smallest force after each pass, without scatter. */
  readonly smallest: readonly number[];
  /** The same where it is pulled to full torque at once: after the first round, the second and so on. */
  readonly atOnce: readonly number[];
  /** How many passes bring every fastener within what is wanted; null where rounds don't. */
  readonly needed: number | null;
  /** What each would be pulled to in one pass so that all end equal; null where one would need more than twice the force. */
  readonly singlePass: Float64Array | null;
  readonly runs: MonteCarlo;
};

/** Whether a joint can be simulated: a few fasteners, passes that go up to the whole. */
export const canSimulate = ({ places, shares }: Pick<Simulated, 'places' | 'shares'>): boolean =>
  places.length >= 2 &&
  places.length <= SIMULATED_MOST &&
  shares.length > 0 &&
  shares.length <= PASSES_MOST &&
  shares.every((share) => share > 0 && share <= 1);

/** What becomes of a joint, part by part: yields how far it is, as a share, and ends with the whole.
 *  Valid for: what canSimulate says. */
export function* simulation(ask: Simulated): Generator<number, Simulation> {
  const { places, shares, interaction, scatter, within, runs, seed } = ask;
  const matrix = interactionMatrix(places, interaction);
  const order = places.map((_, index) => index);
  const plan = schedule(order, shares);
  const history = preloadHistory(matrix, plan, places.length);
  const ends = afterPasses(history, plan, places.length);
  const rounds = schedule(
    order,
    Array.from({ length: ROUNDS_AT_ONCE }, () => 1),
  );
  const atOnce = afterPasses(preloadHistory(matrix, rounds, places.length), rounds, places.length);
  const work = plan.fastener.length * places.length;
  const many = yield* monteCarlo(
    { interaction: matrix, schedule: plan, fasteners: places.length, scatter, within, runs, seed },
    Math.max(1, Math.round(PULLS_A_PART / work)),
  );
  return {
    history,
    fasteners: places.length,
    passEnds: plan.passEnds,
    spreads: ends.map(spreadOf),
    smallest: ends.map((forces) => forces.reduce((least, force) => Math.min(least, force), 1)),
    atOnce: atOnce.map(spreadOf),
    needed: passesNeeded(matrix, order, shares, within),
    singlePass: singlePassForces(matrix, order),
    runs: many,
  };
}
