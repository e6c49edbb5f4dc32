import { xoroshiro128plus } from 'pure-rand/generator/XoroShiro';

/** A seeded source of numbers that scatter: the same seed gives the same numbers. */
export type Scatterer = {
  /** A number between 0 and 1, neither of them, any as likely as any other. */
  readonly even: () => number;
  /** Fills what it is given, of an even length, with standard normal numbers. */
  readonly fillNormal: (into: Float64Array) => void;
};

const TWO_TO_31 = 2_147_483_648;

/** A source of numbers that scatter: a 32-bit integer serves as seed.
 *  Sources: the generator xoroshiro128+, Blackman and Vigna, 2018; the polar method, Marsaglia and Bray, 1964. */
export const scatterer = (seed: number): Scatterer => {
  const random = xoroshiro128plus(seed);
  // Of 32 bits with a sign; half a step keeps it off nothing, whose logarithm there is none of.
  const within = (): number => (random.unsafeNext() + 0.5) / TWO_TO_31;
  return {
    even: () => (within() + 1) / 2,
    fillNormal: (into) => {
      for (let at = 0; at + 1 < into.length; at += 2) {
        let [x, y, square] = [0, 0, 0];
        do {
          x = within();
          y = within();
          square = x * x + y * y;
        } while (square >= 1);
        const stretch = Math.sqrt((-2 * Math.log(square)) / square);
        into[at] = x * stretch;
        into[at + 1] = y * stretch;
      }
    },
  };
};

/** The lowest of twenty, the middle and the highest of twenty. */
export type Band = readonly [low: number, middle: number, high: number];

const QUANTILES = [0.05, 0.5, 0.95] as const;

/** Where values come to lie. Sorts them in place. Each end is the value that its share of all are no larger than. Source: Hyndman and Fan, 1996,
 *  definition 1. */
export const bandOf = (values: Float64Array): Band => {
  const sorted = values.sort();
  const [low = 0, middle = 0, high = 0] = QUANTILES.map(
    (share) => sorted[Math.max(0, Math.ceil(sorted.length * share) - 1)],
  );
  return [low, middle, high];
};
