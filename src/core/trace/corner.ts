import { lineThrough } from './line-through.ts';
import type { Trace, TraceMark } from './trace.ts';

/** How far before a corner the rise is looked at, in milliseconds. */
const BEFORE_MS = 45;
/** Under this share of the highest torque there is no noise to speak of, and the highest point is the corner. */
const QUIET_SHARE = 0.0003;

type Hinge = { readonly at: number; readonly squares: number; readonly top: number };

/** Where the two lines of a corner meet, near its point; the end of the rise where they do not. */
const meeting = (
  before: { readonly at0: number; readonly slope: number },
  after: { readonly at0: number; readonly slope: number } | null,
  atMs: number,
  nextMs: number,
): number => {
  const end = before.at0 + before.slope * atMs;
  if (!after || after.slope >= before.slope) return end;
  const x = (after.at0 - before.at0) / (before.slope - after.slope);
  return x >= atMs && x <= nextMs ? before.at0 + before.slope * x : end;
};

/** The corner where a rise ends and a fall begins, between two places of a trace: where a line through what comes before and one through what comes after leave
 *  the least of squares. The highest point alone is too high by the noise, a smoothed one too low.
 *  Source: least squares with one break (Quandt 1958, from memory). */
export const cornerIn = (
  { times, torques }: Pick<Trace, 'times' | 'torques'>,
  from: number,
  to: number,
  noise: number,
): TraceMark => {
  let highest = from;
  for (let at = from; at <= to; at += 1)
    if ((torques[at] as number) > (torques[highest] as number)) highest = at;
  const point = { atMs: times[highest] as number, newtonMetres: torques[highest] as number };
  if (noise <= point.newtonMetres * QUIET_SHARE) return point;
  let best: Hinge | null = null;
  let first = from;
  while (first > 0 && (times[first - 1] as number) >= (times[from] as number) - BEFORE_MS) first -= 1;
  for (let at = from; at < to; at += 1) {
    const before = lineThrough(times, torques, first, at + 1);
    if (!before) continue;
    const after = lineThrough(times, torques, at + 1, to + 1);
    const squares = before.squares + (after?.squares ?? 0);
    if (best && squares >= best.squares) continue;
    best = { at, squares, top: meeting(before, after, times[at] as number, times[at + 1] as number) };
  }
  return best ? { atMs: times[best.at] as number, newtonMetres: best.top } : point;
};
