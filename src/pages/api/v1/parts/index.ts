import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { knownParts } from '#server/services/part-histories.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.listParts, async () => accepted(await knownParts()));
