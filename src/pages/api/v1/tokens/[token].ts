import { endpoint } from '#server/http/endpoint.ts';
import { revokeToken } from '#server/services/tokens.ts';
import { OPERATIONS } from '#wire/api.ts';

export const DELETE = endpoint(OPERATIONS.revokeToken, ({ by, context }) =>
  revokeToken(context.params['token'] ?? '', by),
);
