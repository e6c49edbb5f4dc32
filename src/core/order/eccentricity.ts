import { centroid } from './centroid.ts';
import type { Spot } from './spot.ts';

/** How far off the middle the clamping force of a joint lies after each pull of an order, in millimetres: the moment of the pulls made so far about
 *  the centroid of all, over the force of the finished joint.
 *    eₖ = | Σᵢ≤ₖ (pᵢ − c) | / n
 *  Source: statics; every pull counts alike. Departures: referred to the whole force and not to that of the pulls made, which for a first pull
 *  would be its own distance whatever follows. */
export const eccentricities = (inOrder: readonly Pick<Spot, 'xMm' | 'yMm'>[]): readonly number[] => {
  const middle = centroid(inOrder);
  let [x, y] = [0, 0];
  return inOrder.map(({ xMm, yMm }) => {
    x += xMm - middle.xMm;
    y += yMm - middle.yMm;
    return Math.hypot(x, y) / inOrder.length;
  });
};

/** The largest of them, in millimetres; 0 for none. */
export const largestEccentricity = (inOrder: readonly Pick<Spot, 'xMm' | 'yMm'>[]): number =>
  eccentricities(inOrder).reduce((most, each) => Math.max(most, each), 0);
