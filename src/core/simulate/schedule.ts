import type { Pass } from '../joint/joint-kind.ts';

/** Every pull of a plan one after the other: which fastener by its place in the list, to what share of the whole force, in which pass. */
export type Schedule = {
  readonly fastener: Int32Array;
  readonly share: Float64Array;
  /** How many pulls there are up to the end of each pass. */
  readonly passEnds: readonly number[];
};

/** The shares that passes ask for, and rounds at full torque after them. Passes with a torque of their own are taken at its share of the target.
 */
export const sharesOf = (
  passes: readonly Pass[],
  rounds: number,
  shareOfTorque: (pass: Pass) => number = () => 1,
): readonly number[] => [
  ...passes.map((pass) => (pass.amount.kind === 'share' ? pass.amount.share : shareOfTorque(pass))),
  ...Array.from({ length: rounds }, () => 1),
];

/** The pulls of an order, pass by pass. */
export const schedule = (order: readonly number[], shares: readonly number[]): Schedule => {
  const fastener = new Int32Array(order.length * shares.length);
  const share = new Float64Array(fastener.length);
  for (const [pass, wanted] of shares.entries()) {
    fastener.set(order, pass * order.length);
    share.fill(wanted, pass * order.length, (pass + 1) * order.length);
  }
  return { fastener, share, passEnds: shares.map((_, pass) => (pass + 1) * order.length) };
};
