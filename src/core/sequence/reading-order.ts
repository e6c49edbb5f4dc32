/** Where a fastener sits, in millimetres from the top left corner of the drawing: x to the right, y downwards. */
export type Place = { readonly position: string; readonly xMm: number; readonly yMm: number };

// Terminals of one row may be stepped a little; two rows are never closer than the terminals in them.
const ROW_SHARE_OF_PITCH = 0.6;

const smallestPitch = (places: readonly Place[]): number => {
  const sorted = [...places].sort((a, b) => a.xMm - b.xMm);
  let pitch = Number.POSITIVE_INFINITY;
  for (const [index, a] of sorted.entries()) {
    for (let next = index + 1; next < sorted.length; next += 1) {
      const b = sorted[next] as Place;
      if (b.xMm - a.xMm >= pitch) break;
      const distance = Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm);
      if (distance > 0) pitch = Math.min(pitch, distance);
    }
  }
  return pitch;
};

/** The positions of a terminal row or cabinet in reading order: rows from the top, each from the left.
 *  Source: common practice; terminals do not act on each other, so the eye's order wins. */
export const readingOrder = (places: readonly Place[]): readonly string[] => {
  const tolerance = smallestPitch(places) * ROW_SHARE_OF_PITCH;
  const rows: Place[][] = [];
  for (const place of [...places].sort((a, b) => a.yMm - b.yMm)) {
    const row = rows.at(-1);
    if (row && place.yMm - (row[0] as Place).yMm < tolerance) row.push(place);
    else rows.push([place]);
  }
  return rows.flatMap((row) => row.sort((a, b) => a.xMm - b.xMm).map((place) => place.position));
};
