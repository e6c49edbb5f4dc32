import { errorFunction } from 'simple-statistics';

/** Probability that a standard normal variable is at most z.
 *    Φ(z) = ½ (1 + erf(z/√2))
 *  Source: JCGM 106:2012, A.1. Departures: erf by simple-statistics, maximum error 1.2e-7; its own cumulative function reads a table in
 *  steps of 0.01 and is good to three digits only. */
export const standardNormalProbability = (z: number): number => (1 + errorFunction(z / Math.SQRT2)) / 2;
