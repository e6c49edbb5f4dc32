import { endpoint } from '#server/http/endpoint.ts';
import { keepRequirements } from '#server/services/keep-requirement.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.keepRequirements, ({ body, by }) => keepRequirements(body, by));
