import { z } from 'zod';
import { positionSchema } from '../../bounds.ts';
import { accepted, refused } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import { fastenerAt, withFastener } from '../../view/bench.ts';
import { eventKind } from '../event-kind.ts';

const bodySchema = z.strictObject({ position: positionSchema });
type At = Shape<typeof bodySchema>;

/** A fastener tightened by the fingers, where that is what its requirement asks: confirmed, never given a torque. */
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
    return fastener.planned.requirement.requirement.kind === 'finger-tight'
      ? accepted(said)
      : refused({ code: 'not-finger-tight', position });
  },
  apply: {
    bench: (job, { body: { position } }) =>
      withFastener(job, position, (fastener) => ({ ...fastener, status: 'finger-tight', leftOpen: null })),
  },
});
