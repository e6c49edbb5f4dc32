import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { setAside } from '#server/services/set-aside.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.setAside, async ({ body, by }) => accepted(await setAside(body, by)));
