import { z } from 'zod';
import { smallestPitch } from '../order/reading-order.ts';
import type { Spot } from '../order/spot.ts';
import type { Shape } from '../shape.ts';

export const interactionSchema = z.strictObject({
  /** What a neighbour at no distance would lose of a force that is added, as a share. */
  alpha: z.number().min(0).max(0.95),
  /** Over how many of the smallest pitches that falls to 1/e of it. */
  lengthPitches: z.number().positive().max(20),
  /** What is lost for good while it settles, as a share of the force. */
  relaxation: z.number().min(0).max(0.95),
  /** In how many hours 1 − 1/e of it is lost. */
  settlingHours: z.number().positive().max(10_000),
});
/** How the fasteners of a joint act on each other, and how it settles. */
export type Interaction = Shape<typeof interactionSchema>;

export const SEATS = ['rigid', 'thin-plate', 'rubber-lined', 'gasketed'] as const;
export type Seat = (typeof SEATS)[number];

/** What to begin with until a shop has measured its own joint. Every number is invented: they only say which joint gives more than which. */
export const INVENTED: Readonly<Record<Seat, Interaction>> = {
  rigid: { alpha: 0.04, lengthPitches: 0.8, relaxation: 0.01, settlingHours: 1 },
  'thin-plate': { alpha: 0.2, lengthPitches: 0.8, relaxation: 0.03, settlingHours: 2 },
  'rubber-lined': { alpha: 0.3, lengthPitches: 1, relaxation: 0.12, settlingHours: 6 },
  gasketed: { alpha: 0.4, lengthPitches: 1, relaxation: 0.18, settlingHours: 4 },
};

/** What each fastener loses of a force that is added at another, as shares: a row for each that is tightened, in it what the others lose; nothing
 *  on its own place.
 *    aᵢⱼ = α·exp(−dᵢⱼ/λ)
 *  Source: elastic interaction coefficients, Bibel and Ezell (from memory); the exponential is the shape that is assumed for them. */
export const interactionMatrix = (
  places: readonly Spot[],
  { alpha, lengthPitches }: Pick<Interaction, 'alpha' | 'lengthPitches'>,
): Float64Array => {
  const count = places.length;
  const pitch = smallestPitch(places);
  const lengthMm = (Number.isFinite(pitch) ? pitch : 1) * lengthPitches;
  const matrix = new Float64Array(count * count);
  for (const [row, pulled] of places.entries()) {
    for (const [column, losing] of places.entries()) {
      if (row === column) continue;
      const distance = Math.hypot(losing.xMm - pulled.xMm, losing.yMm - pulled.yMm);
      matrix[row * count + column] = alpha * Math.exp(-distance / lengthMm);
    }
  }
  return matrix;
};
