import { z } from 'zod';
import { whySchema } from '../../bounds.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { accepted, refused } from '../../result.ts';
import { withFastener } from '../../view/bench.ts';
import type { JobView } from '../../view/job-view.ts';
import { eventKind } from '../event-kind.ts';

type Voided = { readonly pullId: string; readonly why: string };

const fastenerOf = (job: JobView, pullId: string) =>
  job.lastPull?.eventId === pullId
    ? job.fasteners[job.indexByPosition.get(job.lastPull.position) ?? -1]
    : job.fasteners.find(({ pulls }) => pulls.some(({ eventId }) => eventId === pullId));

/** A pull struck out with a reason; it stays in the record. */
export const pullVoided = eventKind({
  kind: 'pull-voided',
  body: z.strictObject({ pullId: z.uuid(), why: whySchema }) satisfies z.ZodType<Voided>,
  actions: () => ['work-on-job'],
  says: (body: Voided) => body,
  /** Refuses: why-missing, unknown-pull, pull-already-voided. */
  decide: (job, said) => {
    if (saysNothing(said.why)) return refused({ code: 'why-missing' });
    const pull = fastenerOf(job, said.pullId)?.pulls.find(({ eventId }) => eventId === said.pullId);
    if (!pull) return refused({ code: 'unknown-pull' });
    return pull.voided ? refused({ code: 'pull-already-voided' }) : accepted(said);
  },
  apply: {
    bench: (job, { body: { pullId, why }, person }) => {
      const position = fastenerOf(job, pullId)?.planned.position;
      if (position === undefined) return {};
      return {
        ...withFastener(job, position, (fastener) => ({
          ...fastener,
          pulls: fastener.pulls.map((pull) =>
            pull.eventId === pullId ? { ...pull, voided: { why, person } } : pull,
          ),
          // Voiding the last pull leaves the fastener open even if an earlier one was in: it has been touched since.
          ...(fastener.pulls.at(-1)?.eventId === pullId
            ? {
                status: 'voided' as const,
                pass: Math.max(0, Math.min(fastener.pass, (fastener.pulls.at(-1)?.body.pass ?? 1) - 1)),
                moved: null,
                unquietPass: Math.max(
                  0,
                  Math.min(fastener.unquietPass, (fastener.pulls.at(-1)?.body.pass ?? 1) - 1),
                ),
                isPastLimit: false,
                turned: 0,
                turns: [],
                remedy: null,
                isWitnessMarked: false,
              }
            : {}),
        })),
        lastPull: job.lastPull?.eventId === pullId ? null : job.lastPull,
      };
    },
  },
});
