import { smoothed } from './smoothed.ts';
import type { Trace, TraceMark } from './trace.ts';

const HALF_MS = 5;
/** The share of the torque from which the end of a pull counts, and how long it should take at least, in seconds. */
const LAST_FROM_SHARE = 0.8;
export const LAST_FIFTH_LEAST_SECONDS = 0.5;

/** How the end of a pull was gone through. */
export type Rise = {
  /** How long the last fifth took, in seconds. */
  readonly lastFifthSeconds: number;
  /** Newton metres per second over it. */
  readonly newtonMetresPerSecond: number;
  /** Whether it took less than half a second: the hand goes on past what it means to stop at. */
  readonly isTooFast: boolean;
};

/** How fast the torque rose to where a tool gave, or to its highest: over its last fifth. Null where the trace begins above four fifths of it.
 *  Source: house rule, domain §7 (the last 20 % in not less than half a second). */
export const riseTo = (trace: Trace, end: TraceMark): Rise | null => {
  const means = smoothed(trace, HALF_MS);
  const from = end.newtonMetres * LAST_FROM_SHARE;
  let at = trace.times.findLastIndex((time) => time <= end.atMs);
  while (at >= 0 && (means[at] as number) > from) at -= 1;
  if (at < 0) return null;
  const seconds = (end.atMs - (trace.times[at] as number)) / 1_000;
  if (seconds <= 0) return null;
  return {
    lastFifthSeconds: seconds,
    newtonMetresPerSecond: (end.newtonMetres - from) / seconds,
    isTooFast: seconds < LAST_FIFTH_LEAST_SECONDS,
  };
};
