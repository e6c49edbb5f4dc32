import { caution } from './joint-kind.ts';

/** Cautions that hold wherever a torque tool is pulled. Common practice. */
export const EYE_PROTECTION = caution(
  'eye-protection',
  'Eye protection on',
  'A slipping blade or a breaking screw gives no warning.',
);
export const CLICK_IS_A_WARNING = caution(
  'click-is-a-warning',
  'Stop at the click',
  'The click is a warning and not a stop: pull slowly and let go.',
);
export const NO_CHEATER_BAR = caution(
  'no-cheater-bar',
  'Nothing on the handle',
  'No cheater bar, no loosening with the torque tool unless its maker allows it.',
);
