import { centroid } from './centroid.ts';
import type { Spot } from './spot.ts';

/** Published cross patterns of bolt circles by their count, numbered round the circle from 1.
 *  Source: ASME PCC-1, legacy pattern (from memory). */
const PUBLISHED: Readonly<Record<number, readonly number[]>> = {
  4: [1, 3, 2, 4],
  8: [1, 5, 3, 7, 2, 6, 4, 8],
  12: [1, 7, 4, 10, 2, 8, 5, 11, 3, 9, 6, 12],
  16: [1, 9, 5, 13, 3, 11, 7, 15, 2, 10, 6, 14, 4, 12, 8, 16],
};

/** Steps between two numbers round a circle of so many, the short way. */
const apart = (a: number, b: number, count: number): number => {
  const steps = Math.abs(a - b);
  return Math.min(steps, count - steps);
};

/** Numbers round a circle, each next one as far as can be from the last, then from the one before it; the lowest on a tie. */
const farthestFirst = (count: number): readonly number[] => {
  const left = Array.from({ length: Math.max(0, count - 1) }, (_, index) => index + 2);
  const chosen = count > 0 ? [1] : [];
  while (left.length > 0) {
    const [last, before] = [chosen.at(-1) as number, chosen.at(-2)];
    const far = (each: number): number =>
      apart(each, last, count) * count + (before === undefined ? 0 : apart(each, before, count));
    const next = left.reduce((best, each) => (far(each) > far(best) ? each : best));
    chosen.push(next);
    left.splice(left.indexOf(next), 1);
  }
  return chosen;
};

/** The cross pattern of a circle of so many fasteners, numbered round it from 1.
 *  Departures: counts that have no published pattern get one with the same property. */
export const crossPattern = (count: number): readonly number[] => PUBLISHED[count] ?? farthestFirst(count);

/** The positions of a circle crosswise. Numbered clockwise round its centre, as the drawing shows it, from the one that is listed first. */
export const crosswise = (places: readonly Spot[], around = centroid(places)): readonly string[] => {
  const [first] = places;
  if (!first) return [];
  const { xMm: x, yMm: y } = around;
  const angle = ({ xMm, yMm }: Spot): number => Math.atan2(yMm - y, xMm - x);
  const from = angle(first);
  // y grows downwards, so that a growing angle goes clockwise; a hair below the first one is the first one.
  const turned = (place: Spot): number => (angle(place) - from + 4 * Math.PI + 1e-9) % (2 * Math.PI);
  const round = [...places].sort((a, b) => turned(a) - turned(b));
  return crossPattern(places.length).map((number) => (round[number - 1] as Spot).position);
};
