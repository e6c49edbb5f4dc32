import type { Spot } from '../order/spot.ts';
import { accepted, type Result, refused } from '../result.ts';
import { type Interaction, interactionMatrix } from './interaction.ts';
import { pull } from './preload.ts';

/** What was measured of a joint: all pulled to full torque in an order, and then, before each was pulled in a second round in that same order, the
 *  torque at which it began to turn, as a share of the full one. By the place of the fastener in the list. */
export type MeasuredRounds = {
  readonly order: readonly number[];
  readonly firstMovement: readonly number[];
};

export type FitRefusal =
  | { readonly code: 'too-few-readings-here'; readonly needed: number }
  | { readonly code: 'no-loss-measured' };

/** A fit, with what is left between it and the readings as a standard deviation, as a share of the full torque. */
export type FittedInteraction = Pick<Interaction, 'alpha' | 'lengthPitches'> & { readonly residual: number };

const NEEDED = 4;
const ALPHA_MOST = 0.95;
const LENGTHS = { low: 0.3, high: 6, steps: 30 } as const;
const ALPHA_STEPS = 24;
const GOLDEN = (Math.sqrt(5) - 1) / 2;
const CLOSE_ENOUGH = 1e-5;

/** What the model says the readings of the second round are. */
export const modelledRound = (
  places: readonly Spot[],
  order: readonly number[],
  fit: Pick<Interaction, 'alpha' | 'lengthPitches'>,
): readonly number[] => {
  const interaction = interactionMatrix(places, fit);
  const forces = new Float64Array(places.length);
  for (const fastener of order) pull(forces, interaction, fastener, 1);
  const readings = new Array<number>(places.length).fill(0);
  for (const fastener of order) {
    readings[fastener] = forces[fastener] as number;
    pull(forces, interaction, fastener, 1);
  }
  return readings;
};

/** The least of a function with one valley, by golden section. Source: Kiefer, 1953. */
const leastOf = (of: (x: number) => number, low: number, high: number): number => {
  let [a, b] = [low, high];
  let [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
  let [atC, atD] = [of(c), of(d)];
  while (b - a > CLOSE_ENOUGH) {
    if (atC < atD) {
      [b, d, atD] = [d, c, atC];
      c = b - GOLDEN * (b - a);
      atC = of(c);
    } else {
      [a, c, atC] = [c, d, atD];
      d = a + GOLDEN * (b - a);
      atD = of(d);
    }
  }
  return (a + b) / 2;
};

/** The least of a function that may have several valleys: the deepest of a row of steps, and from there by golden section. */
const leastFrom = (of: (x: number) => number, low: number, high: number, steps: number): number => {
  const at = (step: number): number => low + ((high - low) * step) / steps;
  const heights = Array.from({ length: steps + 1 }, (_, step) => of(at(step)));
  const best = heights.indexOf(Math.min(...heights));
  return leastOf(of, at(Math.max(0, best - 1)), at(Math.min(steps, best + 1)));
};

/** The interaction that two measured rounds speak for: least squares of the readings of the second round, over the share that is lost and how far
 *  it reaches.
 *  Refuses: too-few-readings-here (fewer than four), no-loss-measured (nothing had come loose: the joint is rigid, or the readings are settings). */
export const fittedInteraction = (
  places: readonly Spot[],
  { order, firstMovement }: MeasuredRounds,
): Result<FittedInteraction, FitRefusal> => {
  if (firstMovement.length < NEEDED || firstMovement.length !== places.length)
    return refused({ code: 'too-few-readings-here', needed: Math.max(NEEDED, places.length) });
  if (firstMovement.every((reading) => reading >= 1)) return refused({ code: 'no-loss-measured' });
  const missed = (alpha: number, lengthPitches: number): number => {
    const modelled = modelledRound(places, order, { alpha, lengthPitches });
    return modelled.reduce((sum, each, index) => sum + (each - (firstMovement[index] as number)) ** 2, 0);
  };
  // Strong and far reaching, forces fall to nothing, and the misfit has more than one valley.
  const alphaAt = (lengthPitches: number): number =>
    leastFrom((alpha) => missed(alpha, lengthPitches), 0, ALPHA_MOST, ALPHA_STEPS);
  const lengthPitches = leastFrom(
    (length) => missed(alphaAt(length), length),
    LENGTHS.low,
    LENGTHS.high,
    LENGTHS.steps,
  );
  const alpha = alphaAt(lengthPitches);
  // Two were fitted.
  const freedom = Math.max(1, firstMovement.length - 2);
  return accepted({ alpha, lengthPitches, residual: Math.sqrt(missed(alpha, lengthPitches) / freedom) });
};
