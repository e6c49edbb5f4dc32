import { accepted } from '#core/result.ts';
import { endpoint, linesResponse } from '#server/http/endpoint.ts';
import { changedValues } from '#server/services/recall-value.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.changedValues, async () => accepted(linesResponse(changedValues())));
