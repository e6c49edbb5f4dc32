import { median } from 'simple-statistics';
import { lineThrough } from './line-through.ts';
import { noiseOf, smoothed } from './smoothed.ts';
import type { Trace, TraceMark } from './trace.ts';

const HALF_MS = 15;
/** The steep part of a rise, by shares of its end. */
const STEEP = { from: 0.5, to: 0.85 } as const;
/** It is seated where the slope first comes up to so much of the steep part's, going back from it. */
const SEATED_SLOPE_SHARE = 0.15;
const SLOPE_HALF_MS = 20;
/** A level is one that lasts so long and stands out of the noise. */
const LEVEL_LEAST_MS = 100;
const LEVEL_DEVIATIONS = 3;

/** Where a fastener seats, and how much torque the thread took before: a plain screw takes none. */
export type Seating = { readonly seated: TraceMark; readonly runOnNewtonMetres: number | null };

const indexFrom = (means: readonly number[], below: number, from: number): number => {
  let at = from;
  while (at > 0 && (means[at] as number) > below) at -= 1;
  return at;
};

/** Seating and run-on level of a pull up to its end: going back from the steep part of the rise to where the slope has gone, and the middle of what the
 *  torque was before. Null where the trace begins steep. Source: house rule, domain §7. */
export const seatingIn = (trace: Trace, end: TraceMark): Seating | null => {
  const { times, torques } = trace;
  const means = smoothed(trace, HALF_MS);
  const last = times.findLastIndex((time) => time <= end.atMs);
  const high = indexFrom(means, end.newtonMetres * STEEP.to, last);
  const low = indexFrom(means, end.newtonMetres * STEEP.from, high);
  const steep = lineThrough(times, means, low, high + 1);
  if (!steep || steep.slope <= 0 || low === 0) return null;
  let at = low;
  for (; at > 0; at -= 1) {
    const from = times.findIndex((time) => time >= (times[at] as number) - SLOPE_HALF_MS);
    let to = at;
    while (to < last && (times[to] as number) <= (times[at] as number) + SLOPE_HALF_MS) to += 1;
    const here = lineThrough(times, means, from, to + 1);
    if (here && here.slope < steep.slope * SEATED_SLOPE_SHARE) break;
  }
  if (at === 0) return null;
  const noise = noiseOf(trace);
  const before = torques.slice(0, at);
  const first = before.findIndex((torque) => torque > noise * LEVEL_DEVIATIONS);
  const lasts = first < 0 ? 0 : (times[at] as number) - (times[first] as number);
  const level = first >= 0 && lasts >= LEVEL_LEAST_MS ? median(before.slice(first)) : null;
  const isLevel = level !== null && level > Math.max(noise * LEVEL_DEVIATIONS, end.newtonMetres * 0.01);
  return {
    seated: { atMs: times[at] as number, newtonMetres: means[at] as number },
    runOnNewtonMetres: isLevel ? level : null,
  };
};
