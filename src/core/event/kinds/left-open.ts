import { z } from 'zod';
import { positionSchema, whySchema } from '../../bounds.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { accepted, refused } from '../../result.ts';
import { fastenerAt, withFastener } from '../../view/bench.ts';
import { eventKind } from '../event-kind.ts';

type LeftOpen = { readonly position: string; readonly why: string };

/** A fastener left open with a reason. */
export const leftOpen = eventKind({
  kind: 'left-open',
  body: z.strictObject({ position: positionSchema, why: whySchema }) satisfies z.ZodType<LeftOpen>,
  actions: () => ['work-on-job'],
  says: (body: LeftOpen) => body,
  /** Refuses: unknown-position, why-missing, already-in. */
  decide: (job, said) => {
    const { position, why } = said;
    const fastener = fastenerAt(job, position);
    if (!fastener) return refused({ code: 'unknown-position', position });
    if (saysNothing(why)) return refused({ code: 'why-missing' });
    return fastener.status === 'in' ? refused({ code: 'already-in', position }) : accepted(said);
  },
  apply: {
    bench: (job, { body: { position, why }, person }) =>
      withFastener(job, position, (fastener) => ({ ...fastener, leftOpen: { why, person } })),
  },
});
