import { centroid } from './centroid.ts';
import { crosswise } from './crosswise.ts';
import { smallestPitch } from './reading-order.ts';
import type { Spot } from './spot.ts';

/** Two distances from the middle that differ by no more than this share of the smallest pitch are one ring. */
export const RING_SHARE_OF_PITCH = 0.25;

/** Places in rings round their middle, the innermost first: those within a quarter of the smallest pitch of a ring's first one are of that ring. */
export const ringsOf = <P extends Spot>(places: readonly P[]): readonly (readonly P[])[] => {
  const middle = centroid(places);
  const distance = ({ xMm, yMm }: P): number => Math.hypot(xMm - middle.xMm, yMm - middle.yMm);
  const pitch = smallestPitch(places);
  const tolerance = Number.isFinite(pitch) ? pitch * RING_SHARE_OF_PITCH : 0;
  const rings: P[][] = [];
  // A stable sort keeps those of one distance as they are listed.
  for (const place of [...places].sort((a, b) => distance(a) - distance(b) || 0)) {
    const ring = rings.at(-1);
    if (ring && distance(place) - distance(ring[0] as P) <= tolerance + 1e-9) ring.push(place);
    else rings.push([place]);
  }
  return rings;
};

/** The positions from the centre outwards: ring by ring, each crosswise, so that a row goes out to alternating sides. What is listed first of a
 *  ring begins it. Source: common practice; the middle is drawn down before its rim, so that nothing is trapped under it. */
export const centreOut = (places: readonly Spot[]): readonly string[] => {
  const middle = centroid(places);
  const listed = new Map(places.map(({ position }, index) => [position, index]));
  const asListed = (a: Spot, b: Spot): number =>
    (listed.get(a.position) ?? 0) - (listed.get(b.position) ?? 0);
  return ringsOf(places).flatMap((ring) => crosswise([...ring].sort(asListed), middle));
};
