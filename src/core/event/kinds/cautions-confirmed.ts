import { z } from 'zod';
import { CAUTION_IDS, type CautionId } from '../../job/cautions.ts';
import { accepted, refused } from '../../result.ts';
import { eventKind } from '../event-kind.ts';

type Cautions = { readonly cautions: readonly CautionId[] };

/** The cautions confirmed, all that the rules demand of the kind of job. */
export const cautionsConfirmed = eventKind({
  kind: 'cautions-confirmed',
  body: z.strictObject({
    cautions: z.array(z.enum(CAUTION_IDS)).max(CAUTION_IDS.length),
  }) satisfies z.ZodType<Cautions>,
  actions: () => ['work-on-job'],
  says: (body: Cautions) => body,
  /** Refuses: cautions-incomplete. */
  decide: (job, said, _known, rules) =>
    rules.cautions(job.plan.jobKind).every((caution) => said.cautions.includes(caution))
      ? accepted(said)
      : refused({ code: 'cautions-incomplete' }),
  apply: {
    steps: (_, { body, person, deviceTime }) => ({
      cautions: { confirmed: body.cautions, person, deviceTime },
    }),
  },
});
