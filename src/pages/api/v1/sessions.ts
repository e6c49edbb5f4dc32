import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { entered } from '#server/http/entered.ts';
import { clearSessionCookie, sessionToken } from '#server/http/session-cookie.ts';
import { signedIn, signOut } from '#server/services/session.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.signIn, async ({ body, context }) =>
  entered(context, await signedIn(body.personId, body.pin, context.locals.knock)),
);

export const DELETE = endpoint(OPERATIONS.signOut, async ({ context }) => {
  const token = sessionToken(context.cookies);
  if (token) await signOut(token);
  clearSessionCookie(context.cookies);
  return accepted(null);
});
