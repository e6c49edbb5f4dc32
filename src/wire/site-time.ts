import { z } from 'zod';

const isTimeZone = (name: string): boolean => {
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: name });
    return true;
  } catch {
    return false;
  }
};

/** The zone that a site's clock on the wall shows, by its name in the IANA time zone database, such as `Asia/Jakarta`. */
export const timeZoneSchema = z
  .string()
  .max(64)
  .refine(isTimeZone, 'A time zone by its name, such as Asia/Jakarta or UTC.');

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;
const two = (value: number): string => String(value).padStart(2, '0');

type Day = { readonly year: number; readonly month: number; readonly day: number };

// Written here and not by Intl: the browser's tables and the server's differ ("Sep", "Sept"), and a page would be drawn twice.
const writtenDay = ({ year, month, day }: Day): string => `${day} ${MONTHS[month - 1]} ${year}`;

const clocks = new Map<string, Intl.DateTimeFormat>();

/** A clock that shows numbers alone, in a zone. Made once for each: making one takes longer than reading it. */
const clockOf = (zone: string): Intl.DateTimeFormat => {
  const known = clocks.get(zone);
  if (known) return known;
  const clock = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
  });
  clocks.set(zone, clock);
  return clock;
};

type Shown = Day & { readonly hour: number; readonly minute: number };

const shownAt = (instant: string, zone: string): Shown => {
  const parts = new Map(
    clockOf(zone)
      .formatToParts(new Date(instant))
      .map(({ type, value }) => [type as string, Number(value)]),
  );
  const part = (name: string): number => parts.get(name) ?? Number.NaN;
  return {
    year: part('year'),
    month: part('month'),
    day: part('day'),
    hour: part('hour'),
    minute: part('minute'),
  };
};

/** The day of an instant at a site, as an ISO day: "today" there. */
export const siteDay = (instant: string, zone: string): string => {
  const { year, month, day } = shownAt(instant, zone);
  return `${year}-${two(month)}-${two(day)}`;
};

/** An instant as the site's clock showed it: `26 Nov 2026, 18:03`. */
export const timeWords = (instant: string, zone: string): string => {
  const at = shownAt(instant, zone);
  return `${writtenDay(at)}, ${two(at.hour)}:${two(at.minute)}`;
};

const ISO_DAY = /^(\d{4})-(\d{2})-(\d{2})$/;

/** An ISO day in words: `26 Nov 2026`; what is no day stays as it is. */
export const dayWords = (day: string): string => {
  const [, year, month, date] = ISO_DAY.exec(day) ?? [];
  return year ? writtenDay({ year: Number(year), month: Number(month), day: Number(date) }) : day;
};

/** The time zones that a browser or a server knows. */
export const knownTimeZones = (): readonly string[] => [
  'UTC',
  ...Intl.supportedValuesOf('timeZone').filter((name) => name !== 'UTC'),
];
