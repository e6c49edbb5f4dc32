import { lineThrough } from './line-through.ts';
import { smoothed } from './smoothed.ts';
import type { Trace, TraceMark } from './trace.ts';

const HALF_MS = 5;
/** What counts as having turned, in degrees, and for how long it has to stay so, in milliseconds: a bit winds up and springs back. */
const TURNED_DEGREES = 0.5;
const STAYS_MS = 30;
/** Without an angle: the slope after the break has fallen under this share of the one before. */
const BREAK_SHARE = 0.6;
/** The least that each side of a break must hold, as a share of the rise. */
const SIDE_SHARE = 0.15;
const TRIED = 200;

const byAngle = ({ times, torques, angles }: Trace): TraceMark | null => {
  if (!angles) return null;
  const start = angles[0] as number;
  let since: number | null = null;
  for (const [at, angle] of angles.entries()) {
    if (angle - start < TURNED_DEGREES) since = null;
    else since ??= at;
    if (since !== null && (times[at] as number) - (times[since] as number) >= STAYS_MS)
      return {
        atMs: times[since] as number,
        newtonMetres: smoothed({ times, torques }, HALF_MS)[since] as number,
      };
  }
  return null;
};

const bySlope = (trace: Trace): TraceMark | null => {
  const { times } = trace;
  const means = smoothed(trace, HALF_MS);
  let top = 0;
  for (let at = 1; at < means.length; at += 1) if ((means[at] as number) > (means[top] as number)) top = at;
  let from = top;
  while (from > 0 && (means[from] as number) > (means[top] as number) * 0.2) from -= 1;
  const side = Math.max(3, Math.floor((top - from) * SIDE_SHARE));
  const step = Math.max(1, Math.floor((top - from) / TRIED));
  let best: { readonly at: number; readonly squares: number } | null = null;
  for (let at = from + side; at <= top - side; at += step) {
    const [before, after] = [lineThrough(times, means, from, at + 1), lineThrough(times, means, at, top + 1)];
    if (!before || !after || before.slope <= 0 || after.slope > before.slope * BREAK_SHARE) continue;
    const squares = before.squares + after.squares;
    if (!best || squares < best.squares) best = { at, squares };
  }
  return best && { atMs: times[best.at] as number, newtonMetres: means[best.at] as number };
};

/** Where a fastener that was tight first moved: the first rotation that stays, or, where no angle is known, the break in the slope of the torque; null where
 *  it did not. Source: house rule, domain §7. */
export const firstMovementIn = (trace: Trace): TraceMark | null =>
  trace.angles ? byAngle(trace) : bySlope(trace);
