import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { clearSessionCookie, sessionToken, setSessionCookie } from '#server/http/session-cookie.ts';
import { signedIn, signOut } from '#server/services/session.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.signIn, async ({ body, context }) => {
  const session = await signedIn(body.personId, body.pin);
  if (!session.ok) return session;
  setSessionCookie(context.cookies, session.value.token, context.url.protocol === 'https:');
  return accepted(session.value.person);
});

export const DELETE = endpoint(OPERATIONS.signOut, async ({ context }) => {
  const token = sessionToken(context.cookies);
  if (token) await signOut(token);
  clearSessionCookie(context.cookies);
  return accepted(null);
});
