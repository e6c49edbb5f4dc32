import type { Spot } from './spot.ts';

// Terminals of one row may be stepped a little; two rows are never closer than the terminals in them.
const ROW_SHARE_OF_PITCH = 0.6;

/** The smallest distance between two places, in millimetres; Infinity for fewer than two. */
export const smallestPitch = (places: readonly Spot[]): number => {
  const sorted = [...places].sort((a, b) => a.xMm - b.xMm);
  let pitch = Number.POSITIVE_INFINITY;
  for (const [index, a] of sorted.entries()) {
    for (let next = index + 1; next < sorted.length; next += 1) {
      const b = sorted[next] as Spot;
      if (b.xMm - a.xMm >= pitch) break;
      const distance = Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm);
      if (distance > 0) pitch = Math.min(pitch, distance);
    }
  }
  return pitch;
};

/** The rows of a cabinet from the top, each from the left. Places within 0.6 of the smallest pitch in height are one row. */
export const rowsOf = <P extends Spot>(places: readonly P[]): readonly (readonly P[])[] => {
  const tolerance = smallestPitch(places) * ROW_SHARE_OF_PITCH;
  const rows: P[][] = [];
  for (const place of [...places].sort((a, b) => a.yMm - b.yMm)) {
    const row = rows.at(-1);
    if (row && place.yMm - (row[0] as P).yMm < tolerance) row.push(place);
    else rows.push([place]);
  }
  return rows.map((row) => row.sort((a, b) => a.xMm - b.xMm));
};

/** The positions of a terminal row or cabinet in reading order: rows from the top, each from the left.
 *  Source: common practice; terminals do not act on each other, so the eye's order wins. */
export const readingOrder = (places: readonly Spot[]): readonly string[] =>
  rowsOf(places).flatMap((row) => row.map(({ position }) => position));
