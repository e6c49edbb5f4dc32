/** The forces to pull each fastener to, in one pass of an order, so that all end with the wanted one, as shares of it, by their place in the list.
 *  Back substitution of the matrix A of the pass, which is triangular in the order of the pulls:
 *    tᵢ = 1 + Σ aᵢⱼ·tⱼ over the j pulled after i
 *  Source: inverse of the elastic interaction matrix, Bibel and Ezell (from memory).
 *  Valid for: fasteners that are loose before it. Refuses: null where one would have to go above `most`, which its strength or the model does not
 *  bear. */
export const singlePassForces = (
  interaction: Float64Array,
  order: readonly number[],
  most = 2,
): Float64Array | null => {
  const count = order.length;
  const forces = new Float64Array(count);
  for (let at = count - 1; at >= 0; at -= 1) {
    const fastener = order[at] as number;
    let force = 1;
    for (let after = at + 1; after < count; after += 1) {
      const other = order[after] as number;
      force += (interaction[other * count + fastener] as number) * (forces[other] as number);
    }
    forces[fastener] = force;
  }
  return forces.every((force) => force <= most) ? forces : null;
};
