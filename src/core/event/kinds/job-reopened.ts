import { z } from 'zod';
import { whySchema } from '../../bounds.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { accepted, refused } from '../../result.ts';
import { allStruck } from '../../view/signatures.ts';
import { eventKind } from '../event-kind.ts';

type Reopened = { readonly why: string };

/** A signed job opened again, which strikes its signatures. */
export const jobReopened = eventKind({
  kind: 'job-reopened',
  body: z.strictObject({ why: whySchema }) satisfies z.ZodType<Reopened>,
  mayFollowSignature: true,
  actions: () => ['reopen-job'],
  says: (body: Reopened) => body,
  /** Refuses: why-missing, not-signed-done. */
  decide: (job, said) => {
    if (saysNothing(said.why)) return refused({ code: 'why-missing' });
    return job.signatures.length === 0 ? refused({ code: 'not-signed-done' }) : accepted(said);
  },
  apply: { signatures: (job, { body: { why } }) => allStruck(job, 'reopened', why) },
});
