import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { intervals } from '#server/services/intervals.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.listIntervals, async () => accepted(await intervals()));
