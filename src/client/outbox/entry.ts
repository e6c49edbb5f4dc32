import { z } from 'zod';
import type { UnplacedEvent } from '#core/event/event.ts';
import { sentEventSchema } from '#core/event/event-forms.ts';
import { liftedUnplaced } from '#core/event/lifted.ts';
import { type ProblemDetails, problemDetailsSchema } from '#wire/problems/details-shape.ts';
import { siteDetails } from '#wire/problems/site-details.ts';

/** Version of the entries' form; an entry of another version is shown as unreadable, never guessed. */
export const ENTRY_VERSION = 1;

const entrySchema = z.object({
  seq: z.number(),
  /** Older entries have their number on disk for it. */
  order: z.number().optional(),
  entryVersion: z.literal(ENTRY_VERSION),
  state: z.enum(['queued', 'refused']),
  event: sentEventSchema,
  problem: problemDetailsSchema.nullable(),
});

/** An event that waits on this device, or that the server refused and that is kept to be shown. */
export type OutboxEntry = {
  /** Its number on disk; null where this page alone holds it. */
  readonly seq: number | null;
  /** Its place among all others, given when it happened: a disk may be done with a later one first. */
  readonly order: number;
  readonly state: 'queued' | 'refused';
  readonly event: UnplacedEvent;
  readonly problem: ProblemDetails | null;
};

/** What can't be read any more: kept, counted, shown and given out as it is. */
export type UnreadableEntry = {
  readonly seq: number;
  readonly raw: unknown;
  readonly problem: ProblemDetails;
};

/** An entry as the device stores it. */
export type StoredEntry = Omit<OutboxEntry, 'seq' | 'order'> & {
  readonly entryVersion: number;
  readonly seq?: number;
  readonly order?: number;
};

/** Reads what is stored. What an older page queued is lifted like any older event. */
export const readEntry = (raw: StoredEntry): OutboxEntry | UnreadableEntry => {
  const entry = entrySchema.safeParse(raw);
  if (entry.success) {
    const { seq, order = seq, event } = entry.data;
    return { ...entry.data, order, event: liftedUnplaced(event) };
  }
  return { seq: raw.seq as number, raw, problem: siteDetails({ code: 'outbox-unreadable' }) };
};

/** Whether only this page holds an entry: closing it loses what was not sent. */
export const isInMemory = ({ seq }: Pick<OutboxEntry, 'seq'>): boolean => seq === null;
