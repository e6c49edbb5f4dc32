import { endpoint } from '#server/http/endpoint.ts';
import { entered } from '#server/http/entered.ts';
import { join } from '#server/services/invite.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.join, async ({ body, context }) =>
  entered(context, await join(body.code, body.pin, context.locals.knock)),
);
