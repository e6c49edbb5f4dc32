import { type NewtonMetres, newtonMetres } from '../torque/unit.ts';

/** The share of a graduation that the eye can split on an analogue scale. Source: common practice, no published source. */
export const EYE_SPLITS_GRADUATION = 1 / 5;

/** Standard uncertainty of one pull in newton metres: the tool's permissible deviation as a rectangular distribution and the
 *  resolution of its scale, in quadrature.
 *    u = √( (a/√3)² + (d/√12)² ),  a = torque · limit,  d = graduation / 5
 *  Source: JCGM 100:2008, 4.3.7 and F.2.2.1, combined by 5.1.2 eq. (10). Departures: none.
 *  Valid for: torques above zero. */
export const pullStandardUncertainty = (
  torque: NewtonMetres,
  limitPercent: number,
  graduation: NewtonMetres,
): NewtonMetres => {
  const a = torque * (limitPercent / 100);
  const d = graduation * EYE_SPLITS_GRADUATION;
  return newtonMetres(Math.hypot(a / Math.sqrt(3), d / Math.sqrt(12)));
};
