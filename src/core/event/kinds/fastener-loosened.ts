import { z } from 'zod';
import { positionSchema } from '../../bounds.ts';
import { remedyAfter } from '../../remedy/trouble.ts';
import { accepted, refused } from '../../result.ts';
import { rulesOf } from '../../rules/rules-by-number.ts';
import { fastenerAt, loose, withFastener } from '../../view/bench.ts';
import { withoutStepsOf } from '../../view/forgotten-steps.ts';
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
    // What goes wrong before the first pull is backed out as well.
    const isTouched = fastener.pulls.length > 0 || fastener.remedy !== null;
    return isTouched ? accepted(said) : refused({ code: 'nothing-to-loosen', position });
  },
  apply: {
    bench: (job, { body: { position } }) =>
      withFastener(job, position, (fastener) => ({
        ...loose(fastener),
        leftOpen: fastener.leftOpen,
        remedy: remedyAfter(fastener.remedy, 'loosen'),
      })),
    // What was checked was checked as it was tight.
    steps: (job, { body: { position } }) => {
      const fastener = fastenerAt(job, position);
      return fastener && rulesOf(job.rules)?.remediesAreLed ? withoutStepsOf(job, [fastener], ['check']) : {};
    },
  },
});
