import type { Trace } from './trace.ts';

/** The torques of a trace as a running mean over a time to each side, in newton metres: what is left of noise is divided by the root of how many points
 *  there are in it. Points need not be evenly spaced. */
export const smoothed = (
  { times, torques }: Pick<Trace, 'times' | 'torques'>,
  halfMs: number,
): readonly number[] => {
  const means: number[] = [];
  let [from, to, sum] = [0, 0, 0];
  for (const at of times) {
    while (to < times.length && (times[to] as number) <= at + halfMs) {
      sum += torques[to] as number;
      to += 1;
    }
    while ((times[from] as number) < at - halfMs) {
      sum -= torques[from] as number;
      from += 1;
    }
    means.push(sum / (to - from));
  }
  return means;
};

const MAD_TO_SIGMA = 1.4826;

/** The noise of a trace as a standard deviation, in newton metres: by the median of second differences, which no slope and no few jumps move.
 *    σ = 1.4826 · median |x₍i−1₎ − 2xᵢ + x₍i+1₎| / √6
 *  Source: robust estimate by the median absolute deviation (Hampel 1974, from memory); √6 from the three terms' variances 1, 4 and 1. */
export const noiseOf = ({ torques }: Pick<Trace, 'torques'>): number => {
  const second = torques
    .slice(2)
    .map((next, at) => Math.abs((torques[at] as number) - 2 * (torques[at + 1] as number) + next))
    .sort((a, b) => a - b);
  if (second.length === 0) return 0;
  return (MAD_TO_SIGMA * (second[Math.floor(second.length / 2)] as number)) / Math.sqrt(6);
};
