import type { LikelyMixUp, MixUp } from '../../quantity/mix-up.ts';

// As rules 1 and 2 ask. Frozen: what is asked anew stands in quantity/mix-up.ts.

// The factors as the trade rounds them; the band around each is wider than their rounding.
const FACTORS: readonly (readonly [MixUp, number])[] = [
  ['inch-for-foot', 12],
  ['newton-metre-for-inch', 8.85],
  ['newton-metre-for-foot', 1.356],
  ['decimal-place', 10],
  ['two-decimal-places', 100],
];

/** How near a ratio must be to a factor to raise the question, as a share of the factor (inclusive). */
const MIX_UP_BAND = 0.08;

/** The confusions that would explain a value against what was expected, nearest first; empty when none fits.
 *  Both values in the same unit and above zero. Source: common practice, no published source. */
export const likelyMixUps1 = (value: number, expected: number): readonly LikelyMixUp[] => {
  const isHigh = value > expected;
  const ratio = isHigh ? value / expected : expected / value;
  return FACTORS.map(([mixUp, factor]) => ({ mixUp, factor, miss: Math.abs(ratio / factor - 1) }))
    .filter(({ miss }) => miss <= MIX_UP_BAND + 1e-12)
    .sort((a, b) => a.miss - b.miss)
    .map(({ mixUp, factor }) => ({ mixUp, factor, direction: isHigh ? 'too-high' : 'too-low' }));
};
