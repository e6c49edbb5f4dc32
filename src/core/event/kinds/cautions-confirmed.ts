import { z } from 'zod';
import { idSchema } from '../../joint/joint-step.ts';
import { accepted, refused } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import { cautionsOf } from '../../view/due-steps.ts';
import { eventKind } from '../event-kind.ts';

const bodySchema = z.strictObject({ cautions: z.array(idSchema).max(120) });
type Cautions = Shape<typeof bodySchema>;

/** The cautions confirmed, all that the plan's kinds of joint ask for before the first pull. */
export const cautionsConfirmed = eventKind({
  kind: 'cautions-confirmed',
  body: bodySchema,
  actions: () => ['work-on-job'],
  says: (body: Cautions) => body,
  /** Refuses: cautions-incomplete. */
  decide: (job, said) =>
    cautionsOf(job.plan).every(({ id }) => said.cautions.includes(id))
      ? accepted(said)
      : refused({ code: 'cautions-incomplete' }),
  apply: {
    steps: (_, { body, person, deviceTime }) => ({
      cautions: { confirmed: body.cautions, person, deviceTime },
    }),
  },
});
