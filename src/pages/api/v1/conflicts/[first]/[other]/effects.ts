import { endpoint } from '#server/http/endpoint.ts';
import { conflictEffects } from '#server/services/book-conflicts.ts';
import { OPERATIONS } from '#wire/api.ts';

/** The row that a side names; null where it is no table. */
const rowOf = (text: string | null): number | null =>
  text !== null && /^\d{1,6}$/.test(text) ? Number(text) : null;

export const GET = endpoint(OPERATIONS.conflictEffects, ({ context: { params, url } }) =>
  conflictEffects(params['first'] ?? '', params['other'] ?? '', [
    rowOf(url.searchParams.get('firstRow')),
    rowOf(url.searchParams.get('otherRow')),
  ]),
);
