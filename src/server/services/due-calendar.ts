import ical from 'ical-generator';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { database } from '../database/pool.ts';
import { selectSite } from '../queries/site.ts';
import { isCalendarSecret } from './tokens.ts';
import { cribTools } from './tool-crib.ts';

/** Due dates of tools and of loans as iCalendar (RFC 5545), each a day. Refuses: not-found (a secret that is nobody's, or was revoked). */
export const dueCalendar = async (
  given: string,
  origin: string,
): Promise<Result<{ readonly name: string; readonly type: string; readonly bytes: Uint8Array }, Problem>> => {
  if (!(await isCalendarSecret(given))) return refused({ code: 'not-found', what: 'address' });
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
