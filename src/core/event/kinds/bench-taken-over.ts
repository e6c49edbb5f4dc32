import { z } from 'zod';
import { instantSchema } from '../../bounds.ts';
import { happenedAt } from '../../job/happened.ts';
import { personSchema } from '../../people/person.ts';
import { accepted, refused } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import { claimedBy } from '../../view/claims.ts';
import { eventKind } from '../event-kind.ts';

const bodySchema = z.strictObject({
  /** Who is said to be at the bench from now on. */
  claimed: personSchema,
  /** From when on, by the device's clock: what they do themselves carries later times. */
  since: instantSchema,
});
type TakenOver = Shape<typeof bodySchema>;

/** Somebody else takes the bench over where the site can't be reached: said by the person who is signed in, and a claim until the other's PIN brings what they did. */
export const benchTakenOver = eventKind({
  kind: 'bench-taken-over',
  body: bodySchema,
  mayFollowSignature: true,
  actions: () => ['work-on-job'],
  says: (body: TakenOver) => body,
  /** Refuses: claim-untrue (somebody whom the site does not know so, or the person who says it). */
  decide: (_, said, { person, isPerson }) =>
    said.claimed.id === person.id || !isPerson(said.claimed)
      ? refused({ code: 'claim-untrue', field: 'claimed' })
      : accepted(said),
  apply: {
    claims: (job, event) =>
      claimedBy(job, { ...event.body, eventId: event.id, person: event.person, at: happenedAt(event) }),
  },
});
