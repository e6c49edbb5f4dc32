import { z } from 'zod';
import { hashSchema, positionSchema } from '../../bounds.ts';
import { happenedAt } from '../../job/happened.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { accepted, refused } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import { fastenerAt } from '../../view/bench.ts';
import { eventKind } from '../event-kind.ts';

const bodySchema = z.strictObject({
  /** The fastener it is about; null where it is about the whole job. */
  position: positionSchema.nullable(),
  text: z.string().trim().max(500),
  /** Whether it is what the next person at the bench must know. */
  isHandOver: z.boolean(),
  /** A photograph that belongs to it, by its id and what its bytes hash to; null where there is none. */
  picture: z.strictObject({ attachmentId: z.uuid(), sha256: hashSchema }).nullable(),
});
type Note = Shape<typeof bodySchema>;

/** A note, a photograph or both: of a fastener, of the job, or for the person who takes it over. It strikes no signature. */
export const noteMade = eventKind({
  kind: 'note-made',
  body: bodySchema,
  mayFollowSignature: true,
  actions: () => ['work-on-job'],
  says: (body: Note) => body,
  /** Refuses: unknown-position, note-empty. */
  decide: (job, said) => {
    const { position, text, picture } = said;
    if (position !== null && !fastenerAt(job, position))
      return refused({ code: 'unknown-position', position });
    return saysNothing(text) && picture === null ? refused({ code: 'note-empty' }) : accepted(said);
  },
  apply: {
    notes: (job, event) => ({
      notes: [
        ...job.notes,
        { ...event.body, eventId: event.id, person: event.person, at: happenedAt(event) },
      ],
    }),
  },
});
