import { accepted } from '#core/result.ts';
import { doors } from '#server/http/doors.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { dueCalendar } from '#server/services/due-calendar.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.calendar, async ({ context }) => {
  const file = await dueCalendar(context.params['token'] ?? '', doors().origin);
  return file.ok ? accepted(bytesResponse({ ...file.value, isShown: true })) : file;
});
