import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { searchSite } from '#server/services/site-search.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.search, async ({ context }) =>
  accepted(await searchSite(context.url.searchParams.get('q') ?? '')),
);
