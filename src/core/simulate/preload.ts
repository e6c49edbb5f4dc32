import type { Schedule } from './schedule.ts';

/** A force, or nothing where it is below: half of a number and its size, without a branch that can't be foreseen. */
const orNothing = (force: number): number => (force + Math.abs(force)) * 0.5;

/** Pulls one fastener up to a force, and lets its neighbours go by what it gained. A tool gives before it turns one that has more already; a screw
 *  never pushes. Forces as shares of the wanted one; changes them in place. */
export const pull = (
  forces: Float64Array,
  interaction: Float64Array,
  fastener: number,
  wanted: number,
): void => {
  const gained = wanted - (forces[fastener] as number);
  if (gained <= 0) return;
  const count = forces.length;
  const row = fastener * count;
  forces[fastener] = wanted;
  // Its own place in the row is nothing. Four at a time: the loop's own work costs as much as a neighbour.
  let other = 0;
  for (; other + 3 < count; other += 4) {
    const at = row + other;
    const first = (forces[other] as number) - (interaction[at] as number) * gained;
    const second = (forces[other + 1] as number) - (interaction[at + 1] as number) * gained;
    const third = (forces[other + 2] as number) - (interaction[at + 2] as number) * gained;
    const fourth = (forces[other + 3] as number) - (interaction[at + 3] as number) * gained;
    forces[other] = orNothing(first);
    forces[other + 1] = orNothing(second);
    forces[other + 2] = orNothing(third);
    forces[other + 3] = orNothing(fourth);
  }
  for (; other < count; other += 1)
    forces[other] = orNothing((forces[other] as number) - (interaction[row + other] as number) * gained);
};

/** The force of every fastener after every pull, as shares of the wanted one: one row of `fasteners` numbers a pull.
 *  Source: elastic interaction, Bibel and Ezell (from memory). */
export const preloadHistory = (
  interaction: Float64Array,
  { fastener, share }: Schedule,
  fasteners: number,
): Float64Array => {
  const history = new Float64Array(fastener.length * fasteners);
  const forces = new Float64Array(fasteners);
  for (let at = 0; at < fastener.length; at += 1) {
    pull(forces, interaction, fastener[at] as number, share[at] as number);
    history.set(forces, at * fasteners);
  }
  return history;
};

/** Largest less smallest force, as a share of the wanted one. */
export const spreadOf = (forces: Float64Array): number => {
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (let each = 0; each < forces.length; each += 1) {
    const force = forces[each] as number;
    if (force < low) low = force;
    if (force > high) high = force;
  }
  return forces.length === 0 ? 0 : high - low;
};

/** The forces after the last pull of each pass, out of a history. */
export const afterPasses = (
  history: Float64Array,
  { passEnds }: Schedule,
  fasteners: number,
): readonly Float64Array[] => passEnds.map((end) => history.subarray((end - 1) * fasteners, end * fasteners));

/** Above so many rounds a joint is said not to come to rest. */
export const ROUNDS_MOST = 30;

/** How many passes bring every fastener within a share of the wanted force, when rounds at full torque follow those planned; null where so many
 *  rounds don't. */
export const passesNeeded = (
  interaction: Float64Array,
  order: readonly number[],
  shares: readonly number[],
  within: number,
): number | null => {
  const forces = new Float64Array(order.length);
  for (let pass = 0; pass < shares.length + ROUNDS_MOST; pass += 1) {
    const wanted = shares[pass] ?? 1;
    for (const fastener of order) pull(forces, interaction, fastener, wanted);
    if (wanted === 1 && forces.every((force) => Math.abs(force - 1) <= within + 1e-12)) return pass + 1;
  }
  return null;
};
