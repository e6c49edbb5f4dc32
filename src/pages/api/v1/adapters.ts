import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { addAdapter, cribAdapters } from '#server/services/tool-crib.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.listAdapters, async () => accepted(await cribAdapters()));
export const POST = endpoint(OPERATIONS.addAdapter, ({ body, by }) => addAdapter(body, by));
