import { z } from 'zod';
import { whySchema } from '../../bounds.ts';
import { groupIdSchema } from '../../job/plan.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { accepted, refused } from '../../result.ts';
import { eventKind } from '../event-kind.ts';

type Accepted = { readonly group: string; readonly why: string };

/** A group taken on by a lead though no tool at hand is sure enough for it: what is pulled of it from then on is judged by its limits alone. */
export const gapAccepted = eventKind({
  kind: 'gap-accepted',
  body: z.strictObject({ group: groupIdSchema, why: whySchema }) satisfies z.ZodType<Accepted>,
  actions: () => ['accept-gap'],
  says: (body: Accepted) => body,
  /** Refuses: why-missing, group-unknown, gap-accepted-already. */
  decide: (job, said) => {
    if (saysNothing(said.why)) return refused({ code: 'why-missing' });
    if (!job.plan.groups.some(({ id }) => id === said.group))
      return refused({ code: 'group-unknown', group: said.group });
    return job.acceptedGaps.has(said.group)
      ? refused({ code: 'gap-accepted-already', group: said.group })
      : accepted(said);
  },
  apply: {
    planning: (job, { body: { group, why }, person, deviceTime }) => ({
      acceptedGaps: new Map(job.acceptedGaps).set(group, { why, person, at: deviceTime }),
    }),
  },
});
