import { endpoint } from '#server/http/endpoint.ts';
import { changeRole } from '#server/services/change-person.ts';
import { OPERATIONS } from '#wire/api.ts';

export const PUT = endpoint(OPERATIONS.changeRole, ({ body, by, context }) =>
  changeRole(context.params['person'] ?? '', body.role, body.why, by),
);
