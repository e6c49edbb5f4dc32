import { accepted } from '#core/result.ts';
import { endpoint, eventsResponse } from '#server/http/endpoint.ts';
import { deviceLines } from '#server/services/devices.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.deviceLines, ({ context: { request, url, locals } }) => {
  // A browser that connects again says by itself where it was; one that begins anew says it in the address.
  const after = request.headers.get('last-event-id') ?? url.searchParams.get('after');
  const lines = deviceLines(after);
  return lines.ok ? accepted(eventsResponse(lines.value, locals.isStillKnown)) : lines;
});
