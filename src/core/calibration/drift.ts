import { twoSidedT } from '../verdict/coverage-factor.ts';

/** Errors of a tool at one torque on the day of a session (counted in days from any fixed one), in percent: as it came, and as it was left. */
export type DatedError = {
  readonly day: number;
  readonly foundPercent: number;
  /** The same as found where nothing was adjusted. */
  readonly leftPercent: number;
};

/** When a tool's error will leave its limit, by its growth between sessions. Days as they were given; null for never within reach. */
export type Drift =
  | { readonly kind: 'not-enough-data'; readonly sessions: number }
  | {
      readonly kind: 'fitted';
      readonly percentPerYear: number;
      readonly crossesOn: number | null;
      /** First and last day by the 95 % prediction interval; null where that end is out of reach. The estimate lies between them. */
      readonly earliest: number | null;
      readonly latest: number | null;
    };

const SESSIONS_NEEDED = 3;
const DAYS_PER_YEAR = 365.25;
const CONFIDENCE = 0.95;
/** How far ahead a straight line is believed. */
const HORIZON_DAYS = 10 * DAYS_PER_YEAR;

const firstDay = (from: number, isOutside: (day: number) => boolean): number | null => {
  // The bounds bend, so the day is found by walking; a day is the resolution anyone plans by.
  for (let day = Math.ceil(from); day <= from + HORIZON_DAYS; day += 1) if (isOutside(day)) return day;
  return null;
};

type Growth = { readonly days: number; readonly percent: number };

/** What the error grew by from each session as left to the next as found; an adjustment is no growth. */
const growthsOf = (sessions: readonly DatedError[]): readonly Growth[] =>
  sessions.slice(1).flatMap((session, index) => {
    const before = sessions[index] as DatedError;
    const days = session.day - before.day;
    return days > 0 ? [{ days, percent: session.foundPercent - before.leftPercent }] : [];
  });

/** Fits the growth of a tool's error from as left to the next as found, and says when the limit will be crossed, with its interval.
 *  Source: least squares through the origin, rate r = Σgd/Σd²; prediction interval r·d ± t·s·√(1 + d²/Σd²), e.g. NIST/SEMATECH e-Handbook,
 *  4.1.4.1. Departures: below three sessions it says so and fits nothing. */
export const drift = (sessions: readonly DatedError[], limitPercent: number): Drift => {
  const sorted = [...sessions].sort((a, b) => a.day - b.day);
  const growths = growthsOf(sorted);
  const last = sorted.at(-1);
  if (sorted.length < SESSIONS_NEEDED || growths.length < SESSIONS_NEEDED - 1 || !last)
    return { kind: 'not-enough-data', sessions: sorted.length };
  const squares = growths.reduce((sum, { days }) => sum + days ** 2, 0);
  const rate = growths.reduce((sum, { days, percent }) => sum + days * percent, 0) / squares;
  const residual = growths.reduce((sum, { days, percent }) => sum + (percent - rate * days) ** 2, 0);
  const degrees = growths.length - 1;
  const s = Math.sqrt(residual / degrees);
  const line = (day: number): number => last.leftPercent + rate * (day - last.day);
  const half = (day: number): number =>
    twoSidedT(CONFIDENCE, degrees) * s * Math.sqrt(1 + (day - last.day) ** 2 / squares);
  const isOut = (percent: number): boolean => Math.abs(percent) > limitPercent;
  return {
    kind: 'fitted',
    percentPerYear: rate * DAYS_PER_YEAR,
    crossesOn: firstDay(last.day, (day) => isOut(line(day))),
    earliest: firstDay(last.day, (day) => isOut(Math.abs(line(day)) + half(day))),
    latest: firstDay(last.day, (day) => Math.abs(line(day)) - half(day) > limitPercent),
  };
};
