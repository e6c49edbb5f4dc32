import { z } from 'zod';
import { positionSchema } from '../../bounds.ts';
import { accepted, refused } from '../../result.ts';
import { fastenerAt, withFastener } from '../../view/bench.ts';
import { eventKind } from '../event-kind.ts';

type At = { readonly position: string };

/** A fastener loosened, as after it went past. */
export const fastenerLoosened = eventKind({
  kind: 'fastener-loosened',
  body: z.strictObject({ position: positionSchema }) satisfies z.ZodType<At>,
  actions: () => ['work-on-job'],
  says: (body: At) => body,
  /** Refuses: unknown-position, nothing-to-loosen. */
  decide: (job, said) => {
    const { position } = said;
    const fastener = fastenerAt(job, position);
    if (!fastener) return refused({ code: 'unknown-position', position });
    return fastener.pulls.length === 0 ? refused({ code: 'nothing-to-loosen', position }) : accepted(said);
  },
  apply: {
    bench: (job, { body: { position } }) =>
      withFastener(job, position, (fastener) => ({
        ...fastener,
        // A fastener that was in is open once it has been loosened; one that was out keeps its stripe until it is pulled again.
        status: fastener.status === 'in' ? 'open' : fastener.status,
        pass: 0,
        moved: null,
        unquietPass: 0,
        isPastLimit: false,
        isWitnessMarked: false,
      })),
  },
});
