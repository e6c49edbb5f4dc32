import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { searchBook } from '#server/services/book-search.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.search, async ({ context }) =>
  accepted(await searchBook(context.url.searchParams.get('q') ?? '')),
);
