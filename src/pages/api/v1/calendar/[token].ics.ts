import { accepted } from '#core/result.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { siteAddress } from '#server/http/site-address.ts';
import { dueCalendar } from '#server/services/due-calendar.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.calendar, async ({ context }) => {
  const file = await dueCalendar(context.params['token'] ?? '', siteAddress(context.request));
  return file.ok ? accepted(bytesResponse({ ...file.value, isShown: true })) : file;
});
