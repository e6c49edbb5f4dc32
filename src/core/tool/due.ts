import type { Schools } from '../target/schools.ts';

/** Months and pulls after which a tool is due, whichever is first. Source: ISO 6789-1:2017, 5.3 (from memory). */
export const CALIBRATION_MONTHS = 12;
export const CALIBRATION_PULLS = 5_000;

/** An ISO day some months later; the last day of a shorter month. */
export const monthsLater = (day: string, months: number): string => {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  const last = new Date(Date.UTC(year, month - 1 + months + 1, 0)).getUTCDate();
  return new Date(Date.UTC(year, month - 1 + months, Math.min(date, last))).toISOString().slice(0, 10);
};

/** What a tool is due for, and by which count: `null` while it is not. Days are ISO; `pulls` since the last session. */
export const dueReason = (
  tool: {
    readonly calibrationDueOn: string;
    readonly dueAfterPulls: number;
    readonly takenIntoUseOn: string;
  },
  pulls: number,
  today: string,
  school: Schools['toolService'],
): 'time' | 'count' | 'replace' | null => {
  if (school === 'replace-yearly')
    return today > monthsLater(tool.takenIntoUseOn, CALIBRATION_MONTHS) ? 'replace' : null;
  if (today > tool.calibrationDueOn) return 'time';
  return pulls >= tool.dueAfterPulls ? 'count' : null;
};

const WARM_UP_AFTER_DAYS = 7;
const DAY_MS = 86_400_000;

/** Whether a tool has lain long enough to be exercised before use: 5 pulls at maximum, then to the setting from below.
 *  Source: common practice, no published source. Instants ISO; null when it has never been used. */
export const needsWarmUp = (lastUsedAt: string | null, now: string): boolean =>
  lastUsedAt === null || Date.parse(now) - Date.parse(lastUsedAt) >= WARM_UP_AFTER_DAYS * DAY_MS;
