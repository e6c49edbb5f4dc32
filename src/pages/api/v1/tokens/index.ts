import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { allTokens, makeToken } from '#server/services/tokens.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.listTokens, async () => accepted(await allTokens()));
export const POST = endpoint(OPERATIONS.makeToken, ({ body, by }) => makeToken(body, by));
