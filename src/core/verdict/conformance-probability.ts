import type { NewtonMetres } from '../quantity/unit.ts';
import { standardNormalProbability } from './standard-normal.ts';

/** Probability that the true torque lies inside the acceptance interval [low, high], given a reading with a normal standard
 *  uncertainty, all in newton metres.
 *    p = Φ((U − r)/u) − Φ((L − r)/u)
 *  Source: JCGM 106:2012, 7.4. Departures: without any uncertainty it is 1 inside, limits included, and 0 outside. Valid for: u ≥ 0. */
export const conformanceProbability = (
  reading: NewtonMetres,
  standardUncertainty: NewtonMetres,
  low: NewtonMetres,
  high: NewtonMetres,
): number => {
  if (standardUncertainty === 0) return reading >= low && reading <= high ? 1 : 0;
  return (
    standardNormalProbability((high - reading) / standardUncertainty) -
    standardNormalProbability((low - reading) / standardUncertainty)
  );
};
