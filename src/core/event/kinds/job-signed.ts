import { type SignatureBody, signatureBodySchema } from '../../job/signature.ts';
import { accepted, refused } from '../../result.ts';
import { blockingSteps } from '../../view/due-steps.ts';
import type { JobView } from '../../view/job-view.ts';
import { comingPositions, unexplainedItems } from '../../view/open-items.ts';
import { eventKind } from '../event-kind.ts';

/** Whether somebody made a pull on the job that stands. */
export const hasPulled = ({ fasteners }: Pick<JobView, 'fasteners'>, personId: string): boolean =>
  fasteners.some(({ pulls }) =>
    pulls.some(({ voided, person }) => voided === null && person.id === personId),
  );

/** A signature, for the head that was on the signer's screen. */
export const jobSigned = eventKind({
  kind: 'job-signed',
  body: signatureBodySchema,
  mayFollowSignature: true,
  actions: ({ meaning }: SignatureBody) => [meaning === 'done' ? 'sign-done' : 'sign-inspected'],
  says: (body: SignatureBody) => body,
  // A form that did not name the head was signed for the whole chain before it.
  knew: () => ({}),
  /** Refuses: signed-already, not-signed-done, second-person-needed, open-items-remain, head-moved (to what the signer had not seen),
   *  no-pull-by-signer (until they say that they sign all the same). */
  decide: (job, said, { person, head }) => {
    const { meaning } = said;
    const done = job.signatures.find((signature) => signature.meaning === 'done');
    if (job.signatures.some((signature) => signature.meaning === meaning))
      return refused({ code: 'signed-already', meaning });
    if (meaning === 'inspected') {
      if (!done) return refused({ code: 'not-signed-done' });
      if (done.person.id === person.id) return refused({ code: 'second-person-needed' });
    }
    const count = unexplainedItems(job).length;
    if (count > 0) return refused({ code: 'open-items-remain', count });
    const steps = blockingSteps(job);
    if (steps[0]) return refused({ code: 'steps-remain', count: steps.length, first: steps[0].step.title });
    const [coming] = comingPositions(job, null);
    if (coming !== undefined) return refused({ code: 'steps-remain', count: 1, first: coming });
    if (said.head && head && (said.head.hash !== head.hash || said.head.sequence !== head.sequence))
      return refused({ code: 'head-moved', signed: said.head.sequence, now: head.sequence });
    const isWithoutPull = meaning === 'done' && !hasPulled(job, person.id);
    if (said.madeNoPull === null) return accepted(said);
    if (isWithoutPull && !said.madeNoPull) return refused({ code: 'no-pull-by-signer' });
    return accepted({ ...said, madeNoPull: isWithoutPull });
  },
  apply: {
    signatures: (job, { id: eventId, body, person, deviceTime }) => ({
      signatures: [...job.signatures, { ...body, eventId, person, deviceTime }],
    }),
  },
});
