import { mean, sampleStandardDeviation } from 'simple-statistics';
import { z } from 'zod';
import { accepted, type Result, refused } from '../result.ts';
import type { Shape } from '../shape.ts';
import { ERROR_MAX_PERCENT, type ErrorPoint, TORQUE_MAX_NEWTON_METRES } from '../tool/known-error.ts';

const torqueSchema = z.number().positive().max(TORQUE_MAX_NEWTON_METRES);

export const sessionPointSchema = z.strictObject({
  shown: torqueSchema,
  references: z.array(torqueSchema).max(50),
});
/** Readings at one point, in newton metres: what the tool showed or was set to, and what the reference said each time. */
export type SessionPoint = Shape<typeof sessionPointSchema>;

/** What is known beside the readings, all relative standard uncertainties in percent unless said otherwise. */
export type SessionConditions = {
  /** Limit of the tool's class, in percent of the reading, at a torque in newton metres. */
  readonly limitPercentAt: (torque: number) => number;
  /** Expanded uncertainty (k = 2) of the reference, in percent of reading. */
  readonly referenceExpandedPercent: number;
  /** Resolution of the tool's scale, in newton metres; 0 for a tool of one setting. */
  readonly resolution: number;
};

export type BudgetRow = {
  readonly name: 'reference' | 'resolution' | 'repeatability';
  readonly standardPercent: number;
};

export type EvaluatedPoint = ErrorPoint & {
  /** Relative deviation of each reading, a_s = (x_a − x_r)/x_r·100. */
  readonly deviations: readonly number[];
  /** Largest less smallest deviation, b_re, in percent. */
  readonly repeatabilityPercent: number;
  readonly budget: readonly BudgetRow[];
  readonly limitPercent: number;
  readonly isInside: boolean;
  /** Whether |error| + W stays inside the limit. */
  readonly isUsable: boolean;
};

export type SessionEvaluation = {
  readonly points: readonly EvaluatedPoint[];
  /** Every reading inside the class limit. */
  readonly hasPassed: boolean;
  /** The longest run of points where |error| + W stays inside the limit, in newton metres; null where there is none. */
  readonly usable: { readonly lowNewtonMetres: number; readonly highNewtonMetres: number } | null;
};

export type SessionRefusal =
  | { readonly code: 'session-without-points' }
  | { readonly code: 'session-reading-not-positive' }
  /** At a torque, in newton metres, the readings are farther off than any tool: mistyped, or of another unit. */
  | { readonly code: 'session-reading-far-off'; readonly shown: number };

const COVERAGE_FACTOR = 2;

/** Relative deviation of a reading, in percent: a_s = (x_a − x_r)/x_r·100. Source: ISO 6789-1:2017 (from memory). */
export const relativeDeviation = (shown: number, reference: number): number =>
  ((shown - reference) / reference) * 100;

// What a tool's record can say of a point. Farther off is no tool, but a reading mistyped, of another unit, or below what the scale resolves.
const isFarOff = ({ errorPercent, deviationPercent, expandedPercent }: EvaluatedPoint): boolean =>
  Math.max(errorPercent, deviationPercent, expandedPercent) > ERROR_MAX_PERCENT;

/** One point evaluated: mean error, s, b_re, the budget, W = 2·√(Σu²).
 *  Source: JCGM 100:2008, 4.2.2, 4.2.3, 5.1.2 and 6.2.1; the rows ISO 6789-2:2017 (from memory).
 *  Departures: with one reading alone, s is not known and the row for repeatability is 0. */
const evaluatedPoint = (
  { shown, references }: SessionPoint,
  conditions: SessionConditions,
): EvaluatedPoint => {
  const deviations = references.map((reference) => relativeDeviation(shown, reference));
  const errorPercent = mean(deviations);
  const deviationPercent = deviations.length > 1 ? sampleStandardDeviation(deviations) : 0;
  const budget: readonly BudgetRow[] = [
    { name: 'reference', standardPercent: conditions.referenceExpandedPercent / COVERAGE_FACTOR },
    { name: 'resolution', standardPercent: ((conditions.resolution / Math.sqrt(12)) * 100) / shown },
    { name: 'repeatability', standardPercent: deviationPercent / Math.sqrt(deviations.length) },
  ];
  const expandedPercent =
    COVERAGE_FACTOR * Math.hypot(...budget.map(({ standardPercent }) => standardPercent));
  const limitPercent = conditions.limitPercentAt(shown);
  return {
    torqueNewtonMetres: shown,
    deviations,
    errorPercent,
    deviationPercent,
    repeatabilityPercent: Math.max(...deviations) - Math.min(...deviations),
    budget,
    expandedPercent,
    limitPercent,
    isInside: deviations.every((deviation) => Math.abs(deviation) <= limitPercent * (1 + 1e-12)),
    isUsable: Math.abs(errorPercent) + expandedPercent <= limitPercent * (1 + 1e-12),
  };
};

const longestRun = (points: readonly EvaluatedPoint[]): SessionEvaluation['usable'] => {
  let best: readonly EvaluatedPoint[] = [];
  let run: EvaluatedPoint[] = [];
  for (const point of points) {
    run = point.isUsable ? [...run, point] : [];
    if (run.length > best.length) best = run;
  }
  const [first] = best;
  return first
    ? {
        lowNewtonMetres: first.torqueNewtonMetres,
        highNewtonMetres: (best.at(-1) as EvaluatedPoint).torqueNewtonMetres,
      }
    : null;
};

/** A calibration session evaluated point by point. Refuses: session-without-points, session-reading-not-positive,
 *  session-reading-far-off. */
export const sessionEvaluation = (
  points: readonly SessionPoint[],
  conditions: SessionConditions,
): Result<SessionEvaluation, SessionRefusal> => {
  const read = points.filter(({ references }) => references.length > 0);
  if (read.length === 0) return refused({ code: 'session-without-points' });
  if (read.some(({ shown, references }) => !(shown > 0) || references.some((reference) => !(reference > 0))))
    return refused({ code: 'session-reading-not-positive' });
  const evaluated = [...read]
    .sort((a, b) => a.shown - b.shown)
    .map((point) => evaluatedPoint(point, conditions));
  const farOff = evaluated.find(isFarOff);
  if (farOff) return refused({ code: 'session-reading-far-off', shown: farOff.torqueNewtonMetres });
  return accepted({
    points: evaluated,
    hasPassed: evaluated.every(({ isInside }) => isInside),
    usable: longestRun(evaluated),
  });
};
