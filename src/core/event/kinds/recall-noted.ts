import { happenedAt } from '../../job/happened.ts';
import { type RecallBody, recallBodySchema } from '../../job/recall-note.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { accepted, refused } from '../../result.ts';
import { eventKind } from '../event-kind.ts';

/** What was decided about a job that a recalled tool had touched. It stands beside the signatures and strikes none. */
export const recallNoted = eventKind({
  kind: 'recall-noted',
  body: recallBodySchema,
  mayFollowSignature: true,
  actions: () => ['decide-recall'],
  says: (body: RecallBody) => body,
  /** Refuses: why-missing. */
  decide: (_job, said) => (saysNothing(said.why) ? refused({ code: 'why-missing' }) : accepted(said)),
  apply: {
    checks: (job, event) => ({
      recalls: [
        ...job.recalls,
        { ...event.body, eventId: event.id, person: event.person, at: happenedAt(event) },
      ],
    }),
  },
});
