import { TORQUE_UNITS, type TorqueUnit } from './unit.ts';

/** A confusion of units or of the decimal point that would explain why one torque is so far from another. */
export const MIX_UPS = [
  'inch-for-foot',
  'newton-metre-for-inch',
  'newton-metre-for-foot',
  'decimal-place',
  'two-decimal-places',
  'ounce-for-pound',
  'kilogram-metre-for-foot',
  'kilogram-centimetre-for-foot',
  'kilogram-metre-for-inch',
  'kilogram-centimetre-for-inch',
] as const;
export type MixUp = (typeof MIX_UPS)[number];

export type LikelyMixUp = {
  readonly mixUp: MixUp;
  /** The factor of the confusion, above 1. */
  readonly factor: number;
  /** Whether the value is too high or too low by that factor. */
  readonly direction: 'too-high' | 'too-low';
};

const between = (large: TorqueUnit, small: TorqueUnit): number =>
  TORQUE_UNITS[large].newtonMetres / TORQUE_UNITS[small].newtonMetres;

/** The factors by which torques go wrong, each by its own pair of units. Common practice, no published source; the units exactly. */
const FACTORS: readonly (readonly [MixUp, number])[] = [
  ['inch-for-foot', between('lbf.ft', 'lbf.in')],
  ['newton-metre-for-inch', between('N.m', 'lbf.in')],
  ['newton-metre-for-foot', between('lbf.ft', 'N.m')],
  ['decimal-place', 10],
  ['two-decimal-places', 100],
  ['ounce-for-pound', between('lbf.in', 'ozf.in')],
  ['kilogram-metre-for-foot', between('kgf.m', 'lbf.ft')],
  ['kilogram-centimetre-for-foot', between('lbf.ft', 'kgf.cm')],
  ['kilogram-metre-for-inch', between('kgf.m', 'lbf.in')],
  ['kilogram-centimetre-for-inch', between('lbf.in', 'kgf.cm')],
];

/** How near a ratio must be to a factor to raise the question, as a share of the factor (inclusive). */
export const MIX_UP_BAND = 0.08;
/** The same for a factor so small that an honest pull comes near it: as wide as leaves under half of a per cent of readings asked that scatter
 *  with a standard deviation of a tenth (measured in `npm run bench -- print`). */
export const SMALL_FACTOR_BAND = 0.02;
const SMALL_FACTOR = 2;
/** Below this factor a reading that is off is likelier a pull that is off. */
const LEAST_FACTOR_OF_A_READING = 1.3;

/** What is compared: a reading, which scatters about its target, or a print, which does not. */
export type Compared = 'reading' | 'print';

/** Two prints that differ by so little as kgf·cm and lbf·in do must match it all but exactly. */
const LEAST_FACTOR_BAND = 0.005;

const bandOf = (factor: number): number => {
  if (factor < LEAST_FACTOR_OF_A_READING) return LEAST_FACTOR_BAND;
  return factor < SMALL_FACTOR ? SMALL_FACTOR_BAND : MIX_UP_BAND;
};

/** The confusions that would explain a value against what was expected, nearest first; empty when none fits, or where an over-torque is the
 *  likelier explanation. Both values in the same unit and above zero. Source: common practice, no published source. */
export const likelyMixUps = (
  value: number,
  expected: number,
  compared: Compared = 'reading',
): readonly LikelyMixUp[] => {
  const isHigh = value > expected;
  const ratio = isHigh ? value / expected : expected / value;
  const least = compared === 'reading' ? LEAST_FACTOR_OF_A_READING : 1;
  return FACTORS.filter(([, factor]) => factor >= least)
    .map(([mixUp, factor]) => ({ mixUp, factor, miss: Math.abs(ratio / factor - 1) }))
    .filter(({ miss, factor }) => miss <= bandOf(factor) + 1e-12)
    .sort((a, b) => a.miss - b.miss)
    .map(({ mixUp, factor }) => ({ mixUp, factor, direction: isHigh ? 'too-high' : 'too-low' }));
};
