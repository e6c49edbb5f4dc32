import { z } from 'zod';
import { positionSchema } from '../../bounds.ts';
import { accepted, refused } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import { anglesAsked } from '../../view/angle-due.ts';
import { fastenerAt, withFastener } from '../../view/bench.ts';
import { isByHand } from '../../view/group-work.ts';
import { eventKind } from '../event-kind.ts';

const bodySchema = z.strictObject({ position: positionSchema });
type At = Shape<typeof bodySchema>;

/** A fastener tightened by hand, where that is what its requirement asks: confirmed, never given a torque. One that is turned on from there has reached where its angle begins. */
export const fingerTightened = eventKind({
  kind: 'finger-tightened',
  body: bodySchema,
  actions: () => ['work-on-job'],
  says: (body: At) => body,
  /** Refuses: unknown-position, not-finger-tight. */
  decide: (job, said) => {
    const { position } = said;
    const fastener = fastenerAt(job, position);
    if (!fastener) return refused({ code: 'unknown-position', position });
    return isByHand(fastener) ? accepted(said) : refused({ code: 'not-finger-tight', position });
  },
  apply: {
    bench: (job, { body: { position } }) =>
      withFastener(job, position, (fastener) => ({
        ...fastener,
        status: anglesAsked(job, fastener).length > 0 ? 'reached' : 'finger-tight',
        turned: 0,
        turns: [],
        leftOpen: null,
      })),
  },
});
