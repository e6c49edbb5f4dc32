import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { changesOf } from '#server/services/read-book.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.sourceChanges, async ({ context }) =>
  accepted(await changesOf('source-changed', context.params['source'] ?? '')),
);
