import { z } from 'zod';
import { positionSchema, whySchema } from '../../bounds.ts';
import { withoutUnmetClass } from '../../job/in-hand.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { accepted, refused } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import { fastenerAt, loose, withFastener } from '../../view/bench.ts';
import { withoutStepsOf } from '../../view/forgotten-steps.ts';
import { eventKind } from '../event-kind.ts';

const bodySchema = z.strictObject({ position: positionSchema, why: whySchema });
type Replaced = Shape<typeof bodySchema>;

/** A fastener replaced by a new one of its kind: what was done to the old one stays in the record, the new one is open. */
export const fastenerReplaced = eventKind({
  kind: 'fastener-replaced',
  body: bodySchema,
  actions: () => ['work-on-job'],
  says: (body: Replaced) => body,
  /** Refuses: unknown-position, why-missing. */
  decide: (job, said) => {
    const { position, why } = said;
    if (!fastenerAt(job, position)) return refused({ code: 'unknown-position', position });
    return saysNothing(why) ? refused({ code: 'why-missing' }) : accepted(said);
  },
  apply: {
    bench: (job, { body: { position } }) =>
      withFastener(job, position, (fastener) => ({
        ...loose(fastener),
        planned: withoutUnmetClass(fastener.planned),
        status: 'open',
        // A new nut drags by its own torque.
        runOn: null,
        remedy: null,
      })),
    steps: (job, { body: { position } }) => {
      const fastener = fastenerAt(job, position);
      return fastener ? withoutStepsOf(job, [fastener], ['prepare', 'check']) : {};
    },
  },
});
