import { z } from 'zod';
import { positionSchema } from '../../bounds.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { remedyAfter } from '../../remedy/trouble.ts';
import { accepted, refused } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import { fastenerAt, withFastener } from '../../view/bench.ts';
import { eventKind } from '../event-kind.ts';

const bodySchema = z.strictObject({
  position: positionSchema,
  isGood: z.boolean(),
  note: z.string().trim().max(300),
});
type Inspected = Shape<typeof bodySchema>;

/** A fastener looked at after something went wrong with it: thread, head, seat and what it holds. */
export const fastenerInspected = eventKind({
  kind: 'fastener-inspected',
  body: bodySchema,
  actions: () => ['work-on-job'],
  says: (body: Inspected) => body,
  /** Refuses: unknown-position, why-missing (not good, and nothing is said of it). */
  decide: (job, said) => {
    const { position, isGood, note } = said;
    if (!fastenerAt(job, position)) return refused({ code: 'unknown-position', position });
    return !isGood && saysNothing(note) ? refused({ code: 'why-missing' }) : accepted(said);
  },
  apply: {
    bench: (job, { body: { position, isGood } }) =>
      withFastener(job, position, (fastener) => ({
        ...fastener,
        remedy: remedyAfter(fastener.remedy, 'inspect', isGood),
      })),
  },
});
