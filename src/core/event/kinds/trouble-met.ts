import { z } from 'zod';
import { positionSchema } from '../../bounds.ts';
import { remedyFor, TROUBLES } from '../../remedy/trouble.ts';
import { accepted, refused } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import { fastenerAt, loose, withFastener } from '../../view/bench.ts';
import { eventKind } from '../event-kind.ts';

const bodySchema = z.strictObject({
  position: positionSchema,
  trouble: z.enum(TROUBLES),
  note: z.string().trim().max(300),
});
type Met = Shape<typeof bodySchema>;

/** Something went wrong at a fastener: it is led through what puts it right, and then pulled again from snug. */
export const troubleMet = eventKind({
  kind: 'trouble-met',
  body: bodySchema,
  actions: () => ['work-on-job'],
  says: (body: Met) => body,
  /** Refuses: unknown-position. */
  decide: (job, said) =>
    fastenerAt(job, said.position)
      ? accepted(said)
      : refused({ code: 'unknown-position', position: said.position }),
  apply: {
    bench: (job, { body: { position, trouble } }) =>
      withFastener(job, position, (fastener) => {
        const remedy = remedyFor(trouble, fastener.planned);
        return remedy ? { ...loose(fastener), isPastLimit: fastener.isPastLimit, remedy } : fastener;
      }),
  },
});
