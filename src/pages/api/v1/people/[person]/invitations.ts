import { accepted } from '#core/result.ts';
import { doors } from '#server/http/doors.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { invite } from '#server/services/invite.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.invite, async ({ by, context }) => {
  const made = await invite(context.params['person'] ?? '', by);
  if (!made.ok) return made;
  // Behind the #: a browser keeps that to itself, and no log of a proxy has it.
  return accepted({ ...made.value, address: `${doors().origin}/join#${made.value.code}` });
});
