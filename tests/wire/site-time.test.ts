import { parseAbsolute } from '@internationalized/date';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { dayWords, siteDay, timeWords, timeZoneSchema } from '#wire/site-time.ts';

const ZONES = [
  'UTC',
  'Asia/Jakarta',
  'America/St_Johns',
  'Pacific/Auckland',
  'Pacific/Kiritimati',
  'Asia/Kathmandu',
];

describe('the day and the clock of a site', () => {
  test.each([
    ['2026-11-26T18:03:00.000Z', 'UTC', '2026-11-26', '26 Nov 2026, 18:03'],
    // Jakarta is seven hours ahead: there it is past midnight.
    ['2026-11-26T18:03:00.000Z', 'Asia/Jakarta', '2026-11-27', '27 Nov 2026, 01:03'],
    ['2026-12-31T10:30:00.000Z', 'Pacific/Kiritimati', '2027-01-01', '1 Jan 2027, 00:30'],
    ['2026-09-01T00:00:00.000Z', 'UTC', '2026-09-01', '1 Sep 2026, 00:00'],
  ])('%s in %s is %s, written %s', (instant, zone, day, words) => {
    expect(siteDay(instant, zone)).toBe(day);
    expect(timeWords(instant, zone)).toBe(words);
  });

  test('@internationalized/date as the reference: the same day, hour and minute in every zone', () => {
    const instants = fc.date({
      min: new Date('2020-01-01'),
      max: new Date('2035-12-31'),
      noInvalidDate: true,
    });
    fc.assert(
      fc.property(instants, fc.constantFrom(...ZONES), (date, zone) => {
        const instant = date.toISOString();
        const at = parseAbsolute(instant, zone);
        const two = (value: number): string => String(value).padStart(2, '0');
        expect(siteDay(instant, zone)).toBe(`${at.year}-${two(at.month)}-${two(at.day)}`);
        expect(timeWords(instant, zone).endsWith(`${at.year}, ${two(at.hour)}:${two(at.minute)}`)).toBe(true);
      }),
    );
  });

  test('what is no day stays as it is', () => {
    expect(['2026-03-02', '', 'soon'].map(dayWords)).toEqual(['2 Mar 2026', '', 'soon']);
  });

  test('a zone is one that the time zone database knows', () => {
    expect(
      ['UTC', 'Asia/Jakarta', 'Moon/Tranquility', ''].map((zone) => timeZoneSchema.safeParse(zone).success),
    ).toEqual([true, true, false, false]);
  });
});
