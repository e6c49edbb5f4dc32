import { happenedAt } from '../../job/happened.ts';
import { type ValueRecallBody, valueRecallBodySchema } from '../../job/recall-note.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { accepted, refused } from '../../result.ts';
import { eventKind } from '../event-kind.ts';

/** What was decided about a job whose fasteners were tightened to a value that was corrected or withdrawn. It stands beside the signatures and
 *  strikes none. */
export const valueRecallNoted = eventKind({
  kind: 'value-recall-noted',
  body: valueRecallBodySchema,
  mayFollowSignature: true,
  actions: () => ['decide-recall'],
  says: (body: ValueRecallBody) => body,
  /** Refuses: why-missing. */
  decide: (_job, said) => (saysNothing(said.why) ? refused({ code: 'why-missing' }) : accepted(said)),
  apply: {
    checks: (job, event) => ({
      valueRecalls: [
        ...job.valueRecalls,
        { ...event.body, eventId: event.id, person: event.person, at: happenedAt(event) },
      ],
    }),
  },
});
