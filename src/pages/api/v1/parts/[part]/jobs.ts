import { contactOf, endpoint } from '#server/http/endpoint.ts';
import { openNextJob } from '#server/services/intervals.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.openNextJob, ({ body, by, context }) => {
  const contact = contactOf(context, {});
  return openNextJob(context.params['part'] ?? '', body, by, () => contact);
});
