import type { LikelyMixUp } from '#core/quantity/mix-up.ts';

const NAMES: Record<LikelyMixUp['mixUp'], string> = {
  'inch-for-foot': '12 times, as when lbf·in and lbf·ft are mixed up',
  'newton-metre-for-inch': '8.85 times, as when N·m and lbf·in are mixed up',
  'newton-metre-for-foot': '1.356 times, as when N·m and lbf·ft are mixed up',
  'decimal-place': '10 times, as when a decimal point slips',
  'two-decimal-places': '100 times, as when N·m and cN·m are mixed up',
  'ounce-for-pound': '16 times, as when ozf·in and lbf·in are mixed up',
  'kilogram-metre-for-foot': '7.23 times, as when kgf·m and lbf·ft are mixed up',
  'kilogram-centimetre-for-foot': '13.8 times, as when kgf·cm and lbf·ft are mixed up',
  'kilogram-metre-for-inch': '86.8 times, as when kgf·m and lbf·in are mixed up',
  'kilogram-centimetre-for-inch': '1.15 times, as when kgf·cm and lbf·in are mixed up',
};

/** A likely mix-up in a phrase, such as "too high 12 times, as when …". */
export const mixUpWords = ({ mixUp, direction }: LikelyMixUp): string =>
  `${direction === 'too-high' ? 'too high by' : 'too low by'} about ${NAMES[mixUp]}`;
