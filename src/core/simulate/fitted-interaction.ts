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
const LENGTHS = { low: 0.3, high: 6, steps: 58 } as const;
const GOLDEN = (Math.sqrt(5) - 1) / 2;
const CLOSE_ENOUGH = 1e-6;

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
  while (b - a > CLOSE_ENOUGH) {
    const [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
    if (of(c) < of(d)) b = d;
    else a = c;
  }
  return (a + b) / 2;
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
  const alphaAt = (lengthPitches: number): number =>
    leastOf((alpha) => missed(alpha, lengthPitches), 0, ALPHA_MOST);
  const lengthAt = (step: number): number =>
    LENGTHS.low + ((LENGTHS.high - LENGTHS.low) * step) / LENGTHS.steps;
  const steps = Array.from({ length: LENGTHS.steps + 1 }, (_, step) => step);
  const atStep = steps.map((step) => missed(alphaAt(lengthAt(step)), lengthAt(step)));
  const best = atStep.indexOf(Math.min(...atStep));
  const lengthPitches = leastOf(
    (length) => missed(alphaAt(length), length),
    lengthAt(Math.max(0, best - 1)),
    lengthAt(Math.min(LENGTHS.steps, best + 1)),
  );
  const alpha = alphaAt(lengthPitches);
  // Two were fitted.
  const freedom = Math.max(1, firstMovement.length - 2);
  return accepted({ alpha, lengthPitches, residual: Math.sqrt(missed(alpha, lengthPitches) / freedom) });
};
