import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { changesOf } from '#server/services/read-book.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.siteChanges, async () =>
  accepted(await changesOf('site-changed', null)),
);
