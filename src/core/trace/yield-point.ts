import { lineThrough } from './line-through.ts';
import { peakIn } from './peak.ts';
import type { Trace, TraceMark } from './trace.ts';

/** It yields where the slope has fallen under this share of the steepest. */
const FALLEN_SHARE = 0.5;
/** Slopes are taken over so much of the whole way, and yielding lasts as long. */
const WINDOW_SHARE = 0.05;
/** Below this share of the highest torque a slope that falls is seating, and no yielding. */
const FROM_SHARE = 0.5;

/** Where a fastener began to yield: the slope of torque over angle, or over time where no angle is known, under half its maximum and staying there up to the
 *  highest torque; null where it did not. Source: house rule, domain §7; torque-gradient method (Junker 1972, from memory). */
export const yieldIn = (trace: Trace): TraceMark | null => {
  const { times, torques, angles } = trace;
  const peak = peakIn(trace);
  const end = times.findLastIndex((time) => time <= peak.atMs);
  const way = (angles ?? times).slice(0, end + 1);
  const span = (way.at(-1) ?? 0) - (way[0] ?? 0);
  if (span <= 0) return null;
  const half = (span * WINDOW_SHARE) / 2;
  const slopes: (number | null)[] = [];
  let [from, to] = [0, 0];
  for (const here of way) {
    while ((way[from] as number) < here - half) from += 1;
    while (to < way.length && (way[to] as number) <= here + half) to += 1;
    slopes.push(lineThrough(way, torques, from, to)?.slope ?? null);
  }
  const steepest = slopes.reduce<number>((most, slope) => Math.max(most, slope ?? 0), 0);
  if (steepest <= 0) return null;
  let fallen: number | null = null;
  for (let at = slopes.length - 1; at >= 0; at -= 1) {
    const slope = slopes[at];
    if (slope === null || slope === undefined) continue;
    if (slope >= steepest * FALLEN_SHARE || (torques[at] as number) < peak.newtonMetres * FROM_SHARE) break;
    fallen = at;
  }
  const isLong = fallen !== null && (way.at(-1) as number) - (way[fallen] as number) >= half * 2;
  return fallen !== null && isLong
    ? { atMs: times[fallen] as number, newtonMetres: torques[fallen] as number }
    : null;
};
