import type { Spot } from './spot.ts';

/** The middle of places, each counted alike, in millimetres; the origin for none. */
export const centroid = (places: readonly Pick<Spot, 'xMm' | 'yMm'>[]): Pick<Spot, 'xMm' | 'yMm'> => {
  const count = Math.max(1, places.length);
  return {
    xMm: places.reduce((sum, { xMm }) => sum + xMm, 0) / count,
    yMm: places.reduce((sum, { yMm }) => sum + yMm, 0) / count,
  };
};
