import { cornerIn } from './corner.ts';
import { noiseOf, smoothed } from './smoothed.ts';
import type { Trace, TraceMark } from './trace.ts';

/** A click is a drop of at least so much of the torque … */
const DROP_SHARE = 0.08;
/** … within this time, in milliseconds … */
const DROP_WITHIN_MS = 30;
/** … which is then over, but for so much of it … */
const FURTHER_SHARE = 0.6;
/** … after which the torque comes back by so much of what it fell, within this time. A hand that lets go comes back by nothing. */
const BACK_SHARE = 0.3;
const BACK_WITHIN_MS = 300;
/** Below this share of the highest torque nothing is a click: bits settle and threads stick. */
const FROM_SHARE = 0.2;
/** What is averaged to each side before a drop is looked for; more where there is noise. */
const HALF_MS = 2;
const NOISY_HALF_MS = 4;
const NOISY_SHARE = 0.003;
/** How many deviations of what noise is left a drop has to be, and how many its coming back. */
const DROP_DEVIATIONS = 10;
const BACK_DEVIATIONS = 6;

type Looked = { readonly trace: Trace; readonly means: readonly number[]; readonly left: number };

const lowestWithin = ({ trace: { times }, means }: Looked, at: number): number => {
  let lowest = at;
  for (
    let next = at + 1;
    next < means.length && (times[next] as number) <= (times[at] as number) + DROP_WITHIN_MS;
    next += 1
  )
    if ((means[next] as number) < (means[lowest] as number)) lowest = next;
  return lowest;
};

/** Whether a drop is over and the torque comes back from it. */
const comesBack = ({ trace: { times }, means, left }: Looked, top: number, bottom: number): boolean => {
  const drop = (means[top] as number) - (means[bottom] as number);
  const furthest = (means[bottom] as number) - drop * FURTHER_SHARE;
  const back = Math.max(drop * BACK_SHARE, left * BACK_DEVIATIONS);
  let lowest = means[bottom] as number;
  const until = (times[bottom] as number) + BACK_WITHIN_MS;
  for (let at = bottom; at < means.length && (times[at] as number) <= until; at += 1) {
    const mean = means[at] as number;
    lowest = Math.min(lowest, mean);
    if (lowest < furthest) return false;
    if (mean >= lowest + back) return true;
  }
  return false;
};

/** The first click in a trace: a drop of at least 8 % within 30 ms, followed by recovery; null where there is none. Its torque is what the tool gave at.
 *  Source: house rule, domain §7. */
export const clickIn = (trace: Trace): TraceMark | null => {
  const { times } = trace;
  const noise = noiseOf(trace);
  const highestPoint = trace.torques.reduce((most, each) => Math.max(most, each), 0);
  const halfMs = noise > highestPoint * NOISY_SHARE ? NOISY_HALF_MS : HALF_MS;
  const means = smoothed(trace, halfMs);
  const highest = means.reduce((most, each) => Math.max(most, each), 0);
  // What goes down as often as up is no pull.
  if (highest <= noise * BACK_DEVIATIONS) return null;
  const spacing = ((times.at(-1) as number) - (times[0] as number)) / (times.length - 1) || 1;
  const looked = { trace, means, left: noise / Math.sqrt(Math.max(1, (2 * halfMs) / spacing)) };
  for (let at = 0; at < means.length; at += 1) {
    const top = means[at] as number;
    if (top < highest * FROM_SHARE || (means[at + 1] ?? top) > top) continue;
    const bottom = lowestWithin(looked, at);
    const drop = top - (means[bottom] as number);
    if (drop < top * DROP_SHARE || drop < looked.left * DROP_DEVIATIONS) continue;
    if (!comesBack(looked, at, bottom)) continue;
    return cornerIn(trace, Math.max(0, at - Math.ceil(DROP_WITHIN_MS / 2 / spacing)), bottom, noise);
  }
  return null;
};
