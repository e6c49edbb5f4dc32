import { endpoint } from '#server/http/endpoint.ts';
import { endSessionsOf } from '#server/services/change-person.ts';
import { OPERATIONS } from '#wire/api.ts';

export const DELETE = endpoint(OPERATIONS.endSessionsOf, ({ by, context }) =>
  endSessionsOf(context.params['person'] ?? '', by),
);
