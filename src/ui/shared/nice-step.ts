import { tickStep } from 'd3-array';

/** The smallest step of 1, 2 or 5 times a power of ten that is at least `least`. */
export const niceStep = (least: number): number => {
  // A span of `least` in one part: the step that the library takes may be a size too small, and is then the next one up.
  const step = tickStep(0, least, 1);
  return Number((step >= least * (1 - 1e-9) ? step : tickStep(0, least * 2, 1)).toPrecision(6));
};
