import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { openAddress } from '#server/services/change-person.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.openAddress, async ({ body, by }) => {
  await openAddress(body.address, by);
  return accepted(null);
});
