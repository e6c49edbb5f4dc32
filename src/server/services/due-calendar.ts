import { createHmac, timingSafeEqual } from 'node:crypto';
import ical from 'ical-generator';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { database } from '../database/pool.ts';
import { selectSite } from '../queries/site.ts';
import { readKeyFile } from '../sealing/key-file.ts';
import { cribTools } from './tool-crib.ts';

/** The secret part of the calendar's address: ordinary calendars can't sign in. It follows from a secret of the site's, so that every application
 *  process answers the same. */
export const calendarToken = (): string =>
  createHmac('sha256', readKeyFile().calendarSecret).update('calendar').digest('hex').slice(0, 32);

const isToken = (given: string): boolean => {
  const token = Buffer.from(calendarToken());
  const other = Buffer.from(given);
  return token.length === other.length && timingSafeEqual(token, other);
};

/** Due dates of tools and of loans as iCalendar (RFC 5545), each a day. Refuses: not-found (a wrong token). */
export const dueCalendar = async (
  given: string,
  origin: string,
): Promise<Result<{ readonly name: string; readonly type: string; readonly bytes: Uint8Array }, Problem>> => {
  if (!isToken(given)) return refused({ code: 'not-found', what: 'address' });
  const { name } = await selectSite(database());
  const calendar = ical({
    name: `${name}: torque tools`,
    prodId: { company: 'Jentik', product: 'tool crib' },
  });
  for (const { tool, facts } of await cribTools()) {
    if (facts.isRetired) continue;
    calendar.createEvent({
      id: `calibration-${tool.id}`,
      start: new Date(`${tool.calibrationDueOn}T00:00:00Z`),
      allDay: true,
      summary: `${tool.code} calibration due`,
      url: `${origin}/tools/${tool.id}`,
    });
    if (facts.loan)
      calendar.createEvent({
        id: `loan-${tool.id}-${facts.loan.since}`,
        start: new Date(`${facts.loan.dueOn}T00:00:00Z`),
        allDay: true,
        summary: `${tool.code} due back from ${facts.loan.to}`,
        url: `${origin}/tools/${tool.id}`,
      });
  }
  return accepted({
    name: 'jentik-tools.ics',
    type: 'text/calendar; charset=utf-8',
    bytes: Buffer.from(calendar.toString()),
  });
};
