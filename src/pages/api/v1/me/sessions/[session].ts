import { endpoint } from '#server/http/endpoint.ts';
import { endSession } from '#server/services/session.ts';
import { OPERATIONS } from '#wire/api.ts';

export const DELETE = endpoint(OPERATIONS.endSession, ({ by, context }) =>
  endSession(by, context.params['session'] ?? ''),
);
