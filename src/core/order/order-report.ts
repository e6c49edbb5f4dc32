import { RING_SHARE_OF_PITCH } from './centre-out.ts';
import { centroid } from './centroid.ts';
import { largestEccentricity } from './eccentricity.ts';
import { leastEccentricity } from './least-eccentricity.ts';
import { smallestPitch } from './reading-order.ts';
import type { Spot } from './spot.ts';

/** What is to be said of an order, held against what can be had. Distances in millimetres. */
export type OrderReport = {
  readonly largestEccentricityMm: number;
  readonly bestEccentricityMm: number;
  /** Whether there is proved to be no better one, or it is only the best that was found. */
  readonly isBestProved: boolean;
  /** How often a pull follows one right beside it. */
  readonly besideTheLast: number;
  /** The first fastener that comes before one that lies nearer to the middle, and that one; null where the order goes outwards. */
  readonly outerBeforeInner: readonly [outer: string, inner: string] | null;
};

/** Two are side by side up to so many times the smallest pitch. */
const BESIDE_PITCHES = 1.05;
const firstOuter = (inOrder: readonly Spot[], pitch: number): OrderReport['outerBeforeInner'] => {
  const middle = centroid(inOrder);
  const out = ({ xMm, yMm }: Spot): number => Math.hypot(xMm - middle.xMm, yMm - middle.yMm);
  let farthest: Spot | undefined;
  for (const place of inOrder) {
    if (farthest && out(place) < out(farthest) - pitch * RING_SHARE_OF_PITCH)
      return [farthest.position, place.position];
    if (!farthest || out(place) > out(farthest)) farthest = place;
  }
  return null;
};

/** How an order compares: how far it lets the clamping force off the middle beside the best order found, and where it does what crosswise or
 *  centre-out orders avoid. */
export const orderReport = (inOrder: readonly Spot[]): OrderReport => {
  const best = leastEccentricity(inOrder);
  const byPosition = new Map(inOrder.map((place) => [place.position, place]));
  const inBestOrder = best.order.flatMap((position) => byPosition.get(position) ?? []);
  const pitch = smallestPitch(inOrder);
  const own = largestEccentricity(inOrder);
  const found = largestEccentricity(inBestOrder);
  return {
    largestEccentricityMm: own,
    // An order that a person gave may be better than what was looked for.
    bestEccentricityMm: Math.min(own, found),
    isBestProved: best.isProved,
    besideTheLast: inOrder.slice(1).filter((place, index) => {
      const last = inOrder[index] as Spot;
      return Math.hypot(place.xMm - last.xMm, place.yMm - last.yMm) <= pitch * BESIDE_PITCHES;
    }).length,
    outerBeforeInner: firstOuter(inOrder, pitch),
  };
};

/** Where two orders of the same fasteners part: the place in the order, from 1, and what each does there; null where they are the same. */
export const firstDifference = (
  own: readonly string[],
  other: readonly string[],
): { readonly at: number; readonly own: string; readonly other: string } | null => {
  const index = own.findIndex((position, each) => position !== other[each]);
  return index < 0 ? null : { at: index + 1, own: own[index] as string, other: other[index] ?? '' };
};
