import { ringsOf } from './centre-out.ts';
import { centroid } from './centroid.ts';
import type { Spot } from './spot.ts';

/** The angle between two lines through the middle, in radians from 0 to π/2. */
const between = (a: number, b: number): number => {
  const turned = Math.abs(a - b) % Math.PI;
  return Math.min(turned, Math.PI - turned);
};

/** The positions in pairs that lie opposite each other through the middle, the inner pairs first, each next pair as square to the last one as can
 *  be: an X on a square face. Of pairs alike the first listed goes first. Source: common practice. */
export const opposedPairs = (places: readonly Spot[]): readonly string[] => {
  const middle = centroid(places);
  const across = ({ xMm, yMm }: Spot): number => Math.atan2(yMm - middle.yMm, xMm - middle.xMm);
  const left = new Set(places);
  const order: string[] = [];
  let last: number | null = null;
  const take = (place: Spot): void => {
    left.delete(place);
    order.push(place.position);
  };
  for (const ring of ringsOf(places)) {
    let inRing = ring.filter((place) => left.has(place));
    while (inRing.length > 0) {
      const turned = (place: Spot): number => (last === null ? 0 : between(across(place), last));
      const first = inRing.reduce((best, each) => (turned(each) > turned(best) + 1e-9 ? each : best));
      take(first);
      last = across(first);
      const [x, y] = [2 * middle.xMm - first.xMm, 2 * middle.yMm - first.yMm];
      const off = ({ xMm, yMm }: Spot): number => Math.hypot(xMm - x, yMm - y);
      const own = Math.hypot(first.xMm - middle.xMm, first.yMm - middle.yMm);
      const partner = [...left].reduce<Spot | null>(
        (best, each) => (best === null || off(each) < off(best) - 1e-9 ? each : best),
        null,
      );
      // One that lies nearer to the first than to the place opposite is no partner.
      if (partner && off(partner) < own) take(partner);
      inRing = inRing.filter((place) => left.has(place));
    }
  }
  return order;
};
