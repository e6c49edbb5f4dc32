import { cornerIn } from './corner.ts';
import { noiseOf, smoothed } from './smoothed.ts';
import type { Trace, TraceMark } from './trace.ts';

/** How far to each side a top is looked at, at first and where there is noise. */
const HALF_MS = 8;
const NOISY_HALF_MS = 15;
const QUIET_SHARE = 0.0003;
/** A top that falls by so much of itself, and so far out of the noise, on one side is a corner and no arch. */
const CORNER_SHARE = 0.02;
const CORNER_DEVIATIONS = 5;

/** The top of a parabola through points by least squares, where it lies among them; null where there is none. */
const parabolaTop = (xs: readonly number[], ys: readonly number[]): number | null => {
  const n = xs.length;
  if (n < 5) return null;
  const sums = (power: number, weights?: readonly number[]): number =>
    xs.reduce((sum, x, at) => sum + x ** power * (weights?.[at] ?? 1), 0);
  const [s1, s2, s3, s4] = [sums(1), sums(2), sums(3), sums(4)];
  const [y0, y1, y2] = [sums(0, ys), sums(1, ys), sums(2, ys)];
  const det = n * (s2 * s4 - s3 * s3) - s1 * (s1 * s4 - s2 * s3) + s2 * (s1 * s3 - s2 * s2);
  if (Math.abs(det) < 1e-12) return null;
  const c = (y0 * (s2 * s4 - s3 * s3) - s1 * (y1 * s4 - y2 * s3) + s2 * (y1 * s3 - y2 * s2)) / det;
  const b = (n * (y1 * s4 - y2 * s3) - y0 * (s1 * s4 - s2 * s3) + s2 * (s1 * y2 - s2 * y1)) / det;
  const a = (n * (s2 * y2 - s3 * y1) - s1 * (s1 * y2 - s2 * y1) + y0 * (s1 * s3 - s2 * s2)) / det;
  if (a >= 0) return null;
  const x = -b / (2 * a);
  return Math.abs(x) <= Math.max(...xs.map(Math.abs)) ? c + b * x + a * x * x : null;
};

/** The highest torque of a trace. The highest point alone is as much too high as the noise happens to be: where there is noise, the top of a parabola
 *  through what is around it, or the corner where it breaks off.
 *  Source: local polynomial regression (Savitzky and Golay 1964, from memory). */
export const peakIn = (trace: Trace): TraceMark => {
  const { times, torques } = trace;
  const noise = noiseOf(trace);
  const means = smoothed(trace, HALF_MS);
  let top = 0;
  for (let at = 1; at < means.length; at += 1) if ((means[at] as number) > (means[top] as number)) top = at;
  const atMs = times[top] as number;
  if (noise <= (means[top] as number) * QUIET_SHARE) {
    let highest = top;
    for (let at = 0; at < times.length; at += 1)
      if (
        Math.abs((times[at] as number) - atMs) <= HALF_MS &&
        (torques[at] as number) > (torques[highest] as number)
      )
        highest = at;
    return { atMs: times[highest] as number, newtonMetres: torques[highest] as number };
  }
  const after = times.findIndex((time) => time > atMs + NOISY_HALF_MS);
  const fallen = after < 0 ? 0 : (means[top] as number) - (means[after] as number);
  if (fallen > (means[top] as number) * CORNER_SHARE && fallen > noise * CORNER_DEVIATIONS) {
    const from = times.findIndex((time) => time >= atMs - NOISY_HALF_MS);
    return cornerIn(trace, from, after, noise);
  }
  const near = times.flatMap((time, at) => (Math.abs(time - atMs) <= NOISY_HALF_MS ? [at] : []));
  const fitted = parabolaTop(
    near.map((at) => (times[at] as number) - atMs),
    near.map((at) => torques[at] as number),
  );
  return { atMs, newtonMetres: fitted ?? (means[top] as number) };
};
