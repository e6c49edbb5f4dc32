import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { keeping } from '#server/services/keeping.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.keeping, async () => accepted(await keeping()));
