import { accepted } from '#core/result.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { contactOf, endpoint, uncheckedAnswer, writtenAnswer } from '#server/http/endpoint.ts';
import { jobEvents } from '#server/services/read-site.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.jobEvents, async ({ context }) => {
  const after = Number(context.url.searchParams.get('after') ?? 0);
  const events = await jobEvents(context.params['job'] ?? '', Number.isInteger(after) ? after : 0);
  return accepted(uncheckedAnswer(events));
});

export const POST = endpoint(OPERATIONS.appendEvents, async ({ body, by, context }) => {
  const contact = contactOf(context, body);
  const result = await appendEvents(context.params['job'] ?? '', body.events, by, contact);
  if (!result.ok) return result;
  const { placedTexts, refused } = result.value;
  const rest = JSON.stringify({ receivedAt: contact.receivedAt, refused }).slice(1);
  // Events of the ledger: what they are was checked when they came in, and their hash says that they still are.
  return accepted(writtenAnswer(`{"placed":[${placedTexts.join(',')}],${rest}`));
});
