import { accepted } from '#core/result.ts';
import { doors } from '#server/http/doors.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { calendarStanding, newCalendarSecret, revokeCalendar } from '#server/services/tokens.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.calendarStanding, async ({ by }) =>
  accepted(await calendarStanding(by)),
);
export const POST = endpoint(OPERATIONS.makeCalendar, async ({ by }) =>
  accepted({ address: `${doors().origin}/api/v1/calendar/${await newCalendarSecret(by)}.ics` }),
);
export const DELETE = endpoint(OPERATIONS.revokeCalendar, async ({ by }) => {
  await revokeCalendar(by);
  return accepted(null);
});
