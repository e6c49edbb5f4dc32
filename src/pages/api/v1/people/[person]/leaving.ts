import { endpoint } from '#server/http/endpoint.ts';
import { comeBack, leave } from '#server/services/change-person.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.leave, ({ body, by, context }) =>
  leave(context.params['person'] ?? '', body.why, by),
);
export const DELETE = endpoint(OPERATIONS.comeBack, ({ by, context }) =>
  comeBack(context.params['person'] ?? '', by),
);
