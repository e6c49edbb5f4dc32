import { endpoint } from '#server/http/endpoint.ts';
import { sessionToken } from '#server/http/session-cookie.ts';
import { changePin } from '#server/services/change-person.ts';
import { OPERATIONS } from '#wire/api.ts';

export const PUT = endpoint(OPERATIONS.changePin, ({ body, by, context }) =>
  changePin(by, body, { knock: context.locals.knock, token: sessionToken(context.cookies) ?? '' }),
);
