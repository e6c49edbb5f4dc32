import { centroid } from './centroid.ts';
import { largestEccentricity } from './eccentricity.ts';
import type { Spot } from './spot.ts';

/** Up to so many fasteners every order is weighed, by the sets of those that are pulled; above it, the best that is found. */
export const PROVED_MOST = 15;
/** Up to so many, what was found is improved by exchanging two. */
const EXCHANGED_MOST = 60;
const ALIKE_MM = 1e-9;

type Off = { readonly x: readonly number[]; readonly y: readonly number[] };

const fromMiddle = (places: readonly Spot[]): Off => {
  const middle = centroid(places);
  return {
    x: places.map(({ xMm }) => xMm - middle.xMm),
    y: places.map(({ yMm }) => yMm - middle.yMm),
  };
};

/** The order whose worst moment is least, over all orders: what a set of pulled fasteners weighs does not hang on how it came about (Held and
 *  Karp, 1962, as a bottleneck). Of orders alike, the one of the least sum. */
const weighed = ({ x, y }: Off): readonly number[] => {
  const count = x.length;
  const sets = 2 ** count;
  const worst = new Float64Array(sets);
  const sum = new Float64Array(sets);
  const lastOf = new Int8Array(sets);
  const sumX = new Float64Array(sets);
  const sumY = new Float64Array(sets);
  for (let set = 1; set < sets; set += 1) {
    const low = 31 - Math.clz32(set & -set);
    const rest = set & (set - 1);
    sumX[set] = (sumX[rest] as number) + (x[low] as number);
    sumY[set] = (sumY[rest] as number) + (y[low] as number);
    const moment = Math.hypot(sumX[set] as number, sumY[set] as number);
    let [bestWorst, bestSum, best] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, low];
    for (let last = 0; last < count; last += 1) {
      if ((set & (1 << last)) === 0) continue;
      const before = set & ~(1 << last);
      const most = Math.max(moment, worst[before] as number);
      const total = moment + (sum[before] as number);
      // In the first listed place of those alike, so that the answer does not hang on rounding.
      if (most < bestWorst - ALIKE_MM || (most <= bestWorst + ALIKE_MM && total < bestSum - ALIKE_MM))
        [bestWorst, bestSum, best] = [most, total, last];
    }
    worst[set] = bestWorst;
    sum[set] = bestSum;
    lastOf[set] = best;
  }
  const order: number[] = [];
  for (let set = sets - 1; set > 0; set &= ~(1 << (lastOf[set] as number)))
    order.unshift(lastOf[set] as number);
  return order;
};

/** Each next one so that the moment is least after it. */
const greedy = ({ x, y }: Off): readonly number[] => {
  const left = x.map((_, index) => index);
  const order: number[] = [];
  let [sumX, sumY] = [0, 0];
  while (left.length > 0) {
    let [best, least] = [0, Number.POSITIVE_INFINITY];
    for (const [at, index] of left.entries()) {
      const moment = Math.hypot(sumX + (x[index] as number), sumY + (y[index] as number));
      if (moment < least - ALIKE_MM) [best, least] = [at, moment];
    }
    const [next] = left.splice(best, 1) as [number];
    sumX += x[next] as number;
    sumY += y[next] as number;
    order.push(next);
  }
  return order;
};

/** Exchanges two for as long as that lessens the worst moment. */
const exchanged = (places: readonly Spot[], from: readonly number[]): readonly number[] => {
  const order = [...from];
  const worstOf = (): number => largestEccentricity(order.map((index) => places[index] as Spot));
  let [worst, isBetter] = [worstOf(), true];
  while (isBetter) {
    isBetter = false;
    for (let a = 0; a < order.length; a += 1) {
      for (let b = a + 1; b < order.length; b += 1) {
        [order[a], order[b]] = [order[b] as number, order[a] as number];
        const now = worstOf();
        if (now < worst - ALIKE_MM) [worst, isBetter] = [now, true];
        else [order[a], order[b]] = [order[b] as number, order[a] as number];
      }
    }
  }
  return order;
};

/** The positions in the order that keeps the clamping force nearest to the middle after every pull, as far as it was found, and whether there is
 *  proved to be none better. */
export const leastEccentricity = (
  places: readonly Spot[],
): { readonly order: readonly string[]; readonly isProved: boolean } => {
  const off = fromMiddle(places);
  const isProved = places.length <= PROVED_MOST;
  const found = isProved ? weighed(off) : greedy(off);
  const indexes = !isProved && places.length <= EXCHANGED_MOST ? exchanged(places, found) : found;
  return { order: indexes.map((index) => (places[index] as Spot).position), isProved };
};
