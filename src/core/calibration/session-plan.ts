import type { ToolClass } from '../tool/class-limit.ts';

/** How a calibration session is done: pre-loads at maximum, then readings at each point. */
export type SessionPlan = {
  readonly preloads: number;
  readonly points: readonly number[];
  readonly readingsEach: number;
};

/** Shares of the maximum at which a tool is calibrated. Source: ISO 6789-1:2017 (from memory). */
export const CALIBRATION_SHARES = [0.2, 0.6, 1] as const;
const MORE_READINGS: ReadonlySet<ToolClass> = new Set(['II-B', 'II-C', 'II-E', 'II-F']);

/** The plan of a session for a tool class, its points in the unit of `maximum`: 5 pre-loads at maximum for setting tools and 1 for
 *  indicating ones; at 20 %, 60 % and 100 % of maximum; 5 readings a point for indicating tools and for II A, D, G; 10 for II B, C, E, F.
 *  A point below the scale's minimum moves up to it; a tool of one setting has that point alone.
 *  Source: ISO 6789-1:2017 and 6789-2:2017 (from memory). */
export const sessionPlan = (
  toolClass: ToolClass,
  { minimum, maximum }: { readonly minimum: number; readonly maximum: number },
): SessionPlan => ({
  preloads: toolClass.startsWith('II') ? 5 : 1,
  points: [
    ...new Set(
      CALIBRATION_SHARES.map((share) => Math.max(minimum, Number((share * maximum).toPrecision(12)))),
    ),
  ],
  readingsEach: MORE_READINGS.has(toolClass) ? 10 : 5,
});
