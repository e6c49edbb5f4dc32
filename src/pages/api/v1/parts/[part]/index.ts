import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { partHistory } from '#server/services/part-histories.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.part, async ({ context }) =>
  accepted(await partHistory(context.params['part'] ?? '')),
);
