import { studentQuantile } from './student-t.ts';

/** The t quantile for a two-sided interval of a confidence, at effective degrees of freedom. Source: JCGM 100:2008, table G.2. */
export const twoSidedT = (confidence: number, degreesOfFreedom: number): number =>
  studentQuantile(1 - (1 - confidence) / 2, degreesOfFreedom);

/** A standard uncertainty and the degrees of freedom it is known with; infinite for one that is not from readings. */
export type Component = { readonly standard: number; readonly degreesOfFreedom: number };

/** Effective degrees of freedom of components combined in quadrature: ν = u⁴/Σ(uᵢ⁴/νᵢ), infinite where none has few.
 *  Source: JCGM 100:2008, G.4.1, eq. (G.2b). Valid for: standard uncertainties ≥ 0. */
export const effectiveDegreesOfFreedom = (components: readonly Component[]): number => {
  const combined = Math.hypot(...components.map(({ standard }) => standard));
  const sum = components.reduce(
    (total, { standard, degreesOfFreedom }) => total + standard ** 4 / degreesOfFreedom,
    0,
  );
  return sum === 0 ? Number.POSITIVE_INFINITY : combined ** 4 / sum;
};

const CONFIDENCE = 0.95;
// The quantile of the normal distribution that t goes to with more and more readings.
const NORMAL_95 = 1.959963984540054;
// Beyond this t and the normal quantile are one to four digits.
const MANY = 1e5;

/** By how much a combined standard uncertainty known from few readings is to be widened so that twice it still covers 95 %: t95(ν)/t95(∞).
 *  Source: JCGM 100:2008, G.3.2 and G.4.1. Valid for: ν ≥ 1; fewer count as one. */
export const fewReadingsFactor = (degreesOfFreedom: number): number =>
  degreesOfFreedom > MANY ? 1 : twoSidedT(CONFIDENCE, Math.max(1, degreesOfFreedom)) / NORMAL_95;
