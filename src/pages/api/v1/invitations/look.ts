import { endpoint } from '#server/http/endpoint.ts';
import { invited } from '#server/services/invite.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.invited, ({ body }) => invited(body.code));
