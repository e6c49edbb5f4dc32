import { z } from 'zod';
import { instantSchema } from '../../bounds.ts';
import { happenedAt } from '../../job/happened.ts';
import { accepted } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import { proved } from '../../view/claims.ts';
import { eventKind } from '../event-kind.ts';

const bodySchema = z.strictObject({
  /** Since when it was claimed, by the clock of the device on which it was. */
  since: instantSchema,
});
type Confirmed = Shape<typeof bodySchema>;

/** Whoever was said to have taken the bench over has typed their PIN on that device: what was claimed of them is so, whether they did anything since or not. It may
 *  come before the claim itself, which waits for the session of the person who made it. */
export const takeOverConfirmed = eventKind({
  kind: 'take-over-confirmed',
  body: bodySchema,
  mayFollowSignature: true,
  actions: () => ['work-on-job'],
  says: (body: Confirmed) => body,
  decide: (_, said) => accepted(said),
  apply: {
    claims: (job, event) =>
      proved(job, { personId: event.person.id, since: event.body.since, at: happenedAt(event) }),
  },
});
