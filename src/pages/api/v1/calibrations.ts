import { endpoint } from '#server/http/endpoint.ts';
import { keepSession } from '#server/services/keep-session.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.keepSession, ({ body, by }) => keepSession(body, by));
