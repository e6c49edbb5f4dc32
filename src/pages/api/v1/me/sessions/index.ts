import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { sessionToken } from '#server/http/session-cookie.ts';
import { endOtherSessions, ownSessions } from '#server/services/session.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.ownSessions, async ({ by, context }) =>
  accepted(await ownSessions(by, sessionToken(context.cookies) ?? '')),
);
export const DELETE = endpoint(OPERATIONS.endOtherSessions, async ({ by, context }) => {
  await endOtherSessions(by, sessionToken(context.cookies) ?? null);
  return accepted(null);
});
