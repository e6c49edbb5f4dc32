import jStat from 'jstat';
import { linearRegression, mean } from 'simple-statistics';

/** An error found on a day (counted in days from any fixed one), in percent. */
export type DatedError = { readonly day: number; readonly errorPercent: number };

/** When a tool's error will leave its limit, by a straight line through its sessions. Days as they were given; null for never within reach. */
export type Drift =
  | { readonly kind: 'not-enough-data'; readonly sessions: number }
  | {
      readonly kind: 'fitted';
      readonly percentPerYear: number;
      readonly crossesOn: number | null;
      /** First and last day by the 95 % prediction interval of one more session; null where that end is out of reach. */
      readonly earliest: number | null;
      readonly latest: number | null;
    };

const SESSIONS_NEEDED = 3;
const DAYS_PER_YEAR = 365.25;
const CONFIDENCE = 0.95;
/** How far ahead a straight line is believed. */
const HORIZON_DAYS = 10 * DAYS_PER_YEAR;

/** The t quantile for a two-sided interval. Source: JCGM 100:2008, table G.2. */
export const twoSidedT = (confidence: number, degreesOfFreedom: number): number =>
  jStat.studentt.inv(1 - (1 - confidence) / 2, degreesOfFreedom);

const firstDayOutside = (
  from: number,
  bound: (day: number) => number,
  limitPercent: number,
): number | null => {
  // The bounds bend, so the day is found by walking; a day is the resolution anyone plans by.
  for (let day = Math.ceil(from); day <= from + HORIZON_DAYS; day += 1)
    if (Math.abs(bound(day)) > limitPercent) return day;
  return null;
};

/** Fits the errors of successive sessions and says when the limit will be crossed, with its interval.
 *  Source: least squares; prediction interval ŷ ± t·s·√(1 + 1/n + (x − x̄)²/Sxx), e.g. NIST/SEMATECH e-Handbook, 4.1.4.1.
 *  Departures: below three sessions it says so and fits nothing. */
export const drift = (sessions: readonly DatedError[], limitPercent: number): Drift => {
  const n = sessions.length;
  const days = sessions.map(({ day }) => day);
  const meanDay = n > 0 ? mean(days) : 0;
  const sxx = days.reduce((sum, day) => sum + (day - meanDay) ** 2, 0);
  if (n < SESSIONS_NEEDED || sxx === 0) return { kind: 'not-enough-data', sessions: n };
  const { m, b } = linearRegression(sessions.map(({ day, errorPercent }) => [day, errorPercent]));
  const line = (day: number): number => b + m * day;
  const residual = sessions.reduce((sum, { day, errorPercent }) => sum + (errorPercent - line(day)) ** 2, 0);
  const s = Math.sqrt(residual / (n - 2));
  const half = (day: number): number =>
    twoSidedT(CONFIDENCE, n - 2) * s * Math.sqrt(1 + 1 / n + (day - meanDay) ** 2 / sxx);
  const last = Math.max(...days);
  const outward = Math.sign(line(last + DAYS_PER_YEAR)) || 1;
  return {
    kind: 'fitted',
    percentPerYear: m * DAYS_PER_YEAR,
    crossesOn: firstDayOutside(last, line, limitPercent),
    earliest: firstDayOutside(last, (day) => line(day) + outward * half(day), limitPercent),
    latest: firstDayOutside(last, (day) => line(day) - outward * half(day), limitPercent),
  };
};
