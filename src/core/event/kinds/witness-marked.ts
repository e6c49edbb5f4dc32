import { z } from 'zod';
import { positionSchema } from '../../bounds.ts';
import { accepted, refused } from '../../result.ts';
import { fastenerAt, withFastener } from '../../view/bench.ts';
import { eventKind } from '../event-kind.ts';

type At = { readonly position: string };

/** The witness mark drawn across a fastener that is in. */
export const witnessMarked = eventKind({
  kind: 'witness-marked',
  body: z.strictObject({ position: positionSchema }) satisfies z.ZodType<At>,
  actions: () => ['work-on-job'],
  says: (body: At) => body,
  /** Refuses: unknown-position, not-in-acceptance. */
  decide: (job, said) => {
    const { position } = said;
    const fastener = fastenerAt(job, position);
    if (!fastener) return refused({ code: 'unknown-position', position });
    return fastener.status === 'in' ? accepted(said) : refused({ code: 'not-in-acceptance', position });
  },
  apply: {
    bench: (job, { body: { position } }) =>
      withFastener(job, position, (fastener) => ({ ...fastener, isWitnessMarked: true })),
  },
});
