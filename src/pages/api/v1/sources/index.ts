import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { addSource } from '#server/services/keep-source.ts';
import { allSources } from '#server/services/read-book.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.listSources, async () => accepted(await allSources()));
export const POST = endpoint(OPERATIONS.addSource, ({ body, by }) => addSource(body, by));
