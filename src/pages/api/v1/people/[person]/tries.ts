import { endpoint } from '#server/http/endpoint.ts';
import { unlock } from '#server/services/change-person.ts';
import { OPERATIONS } from '#wire/api.ts';

export const DELETE = endpoint(OPERATIONS.unlock, ({ by, context }) =>
  unlock(context.params['person'] ?? '', by),
);
