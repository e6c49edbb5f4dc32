import { endpoint } from '#server/http/endpoint.ts';
import { conflictEffects } from '#server/services/book-conflicts.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.conflictEffects, ({ context: { params } }) =>
  conflictEffects(params['first'] ?? '', params['other'] ?? ''),
);
