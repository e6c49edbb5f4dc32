import { z } from 'zod';
/** What a session found at one point: where, in newton metres; the mean relative error in percent (the tool shows more than it applies
 *  where it is above zero); the standard deviation of its readings; the expanded uncertainty W (k = 2), in percent. */
export type ErrorPoint = {
  readonly torqueNewtonMetres: number;
  readonly errorPercent: number;
  readonly deviationPercent: number;
  readonly expandedPercent: number;
  /** How many readings it was found from; left out in points kept before it was asked. */
  readonly readings?: number | undefined;
};

type Figure = 'errorPercent' | 'deviationPercent' | 'expandedPercent';

/** A figure of a session at a torque: linear between its points, the end points' value beyond them. Needs one point at least. */
export const figureAt = (
  points: readonly ErrorPoint[],
  figure: Figure,
  torqueNewtonMetres: number,
): number => {
  const sorted = [...points].sort((a, b) => a.torqueNewtonMetres - b.torqueNewtonMetres);
  const above = sorted.findIndex((point) => point.torqueNewtonMetres >= torqueNewtonMetres);
  const high = sorted[above] ?? (sorted.at(-1) as ErrorPoint);
  const low = above > 0 ? (sorted[above - 1] as ErrorPoint) : high;
  const span = high.torqueNewtonMetres - low.torqueNewtonMetres;
  const share = span === 0 ? 0 : (torqueNewtonMetres - low.torqueNewtonMetres) / span;
  return low[figure] + (high[figure] - low[figure]) * share;
};

/** The torque a tool applied when it showed another, in newton metres: x_r = x_a / (1 + e/100), e the relative error in percent.
 *  Source: ISO 6789-1:2017, relative deviation, solved for the reference value (from memory). */
export const appliedTorque = (shownNewtonMetres: number, errorPercent: number): number =>
  shownNewtonMetres / (1 + errorPercent / 100);

const SHOWN_STEPS = 20;

/** The torque that a tool must show so that a torque is applied, in newton metres: the inverse of appliedTorque with the error interpolated
 *  where it shows. Found by repetition, for errors change little from point to point. */
export const shownForApplied = (appliedNewtonMetres: number, points: readonly ErrorPoint[]): number => {
  let shown = appliedNewtonMetres;
  for (let step = 0; points.length > 0 && step < SHOWN_STEPS; step += 1)
    shown = appliedNewtonMetres * (1 + figureAt(points, 'errorPercent', shown) / 100);
  return shown;
};

/** Fewest readings of the points a torque lies between; null where they don't say. */
export const readingsAt = (points: readonly ErrorPoint[], torqueNewtonMetres: number): number | null => {
  const sorted = [...points].sort((a, b) => a.torqueNewtonMetres - b.torqueNewtonMetres);
  const above = sorted.findIndex((point) => point.torqueNewtonMetres >= torqueNewtonMetres);
  const beside = above < 0 ? sorted.slice(-1) : sorted.slice(Math.max(0, above - 1), above + 1);
  const counts = beside.flatMap(({ readings }) => (readings === undefined ? [] : [readings]));
  return counts.length === 0 ? null : Math.min(...counts);
};

/** Largest torque of a tool, in newton metres. */
export const TORQUE_MAX_NEWTON_METRES = 1e5;

/** Largest error, scatter and uncertainty that a point can have, in percent. */
export const ERROR_MAX_PERCENT = 1000;

export const errorPointSchema = z.strictObject({
  torqueNewtonMetres: z.number().positive().max(TORQUE_MAX_NEWTON_METRES),
  errorPercent: z.number().min(-100).max(ERROR_MAX_PERCENT),
  deviationPercent: z.number().nonnegative().max(ERROR_MAX_PERCENT),
  expandedPercent: z.number().nonnegative().max(ERROR_MAX_PERCENT),
  readings: z.int().positive().max(50).optional(),
}) satisfies z.ZodType<ErrorPoint>;
