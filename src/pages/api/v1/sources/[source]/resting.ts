import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { restingOnSource } from '#server/services/keep-source.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.restingOnSource, async ({ context }) =>
  accepted(await restingOnSource(context.params['source'] ?? '')),
);
