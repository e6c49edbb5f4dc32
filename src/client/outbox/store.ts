import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { z } from 'zod';
import type { UnplacedEvent } from '#core/event/event.ts';
import { sentEventSchema } from '#core/event/event-forms.ts';
import { liftedUnplaced } from '#core/event/lifted.ts';
import { type ProblemDetails, problemDetails, problemDetailsSchema } from '#wire/problems/problem-details.ts';

/** Version of the entries' form; an entry of another version is quarantined, never guessed. */
const ENTRY_VERSION = 1;

const entrySchema = z.object({
  seq: z.number(),
  entryVersion: z.literal(ENTRY_VERSION),
  state: z.enum(['queued', 'refused']),
  event: sentEventSchema,
  problem: problemDetailsSchema.nullable(),
});

/** An event that waits on this device, or that the server refused and that is kept to be shown. */
export type OutboxEntry = {
  readonly seq: number;
  readonly state: 'queued' | 'refused';
  readonly event: UnplacedEvent;
  readonly problem: ProblemDetails | null;
};

/** What can't be read any more: kept, counted and shown. */
export type UnreadableEntry = { readonly seq: number; readonly problem: ProblemDetails };

export type Outbox = {
  readonly entries: readonly OutboxEntry[];
  readonly unreadable: readonly UnreadableEntry[];
};

type StoredEntry = Omit<OutboxEntry, 'seq'> & { readonly entryVersion: number; readonly seq?: number };

interface OutboxDatabase extends DBSchema {
  entries: { key: number; value: StoredEntry };
}

let opened: Promise<IDBPDatabase<OutboxDatabase>> | null = null;

const store = (): Promise<IDBPDatabase<OutboxDatabase>> => {
  opened ??= openDB<OutboxDatabase>('jentik-outbox', 1, {
    upgrade: (db) => {
      db.createObjectStore('entries', { keyPath: 'seq', autoIncrement: true });
    },
  });
  return opened;
};

/** Keeps an event on this device until the server has it; resolves when it is on disk. */
export const keepEvent = async (event: UnplacedEvent): Promise<void> => {
  const db = await store();
  const transaction = db.transaction('entries', 'readwrite', { durability: 'strict' });
  await transaction.store.add({ entryVersion: ENTRY_VERSION, state: 'queued', event, problem: null });
  await transaction.done;
};

/** Everything that waits on this device, oldest first. */
export const readOutbox = async (): Promise<Outbox> => {
  const stored = await (await store()).getAll('entries');
  const entries: OutboxEntry[] = [];
  const unreadable: UnreadableEntry[] = [];
  for (const raw of stored) {
    const entry = entrySchema.safeParse(raw);
    // What an older page queued is lifted like any older event.
    if (entry.success) entries.push({ ...entry.data, event: liftedUnplaced(entry.data.event) });
    else unreadable.push({ seq: raw.seq as number, problem: problemDetails({ code: 'outbox-unreadable' }) });
  }
  return { entries, unreadable };
};

/** Lets go of entries that the server has acknowledged. */
export const forgetEntries = async (seqs: readonly number[]): Promise<void> => {
  const transaction = (await store()).transaction('entries', 'readwrite');
  for (const seq of seqs) await transaction.store.delete(seq);
  await transaction.done;
};

/** Sets a refused entry aside, with why. */
export const quarantineEntry = async (
  { seq, event }: OutboxEntry,
  problem: ProblemDetails,
): Promise<void> => {
  await (await store()).put('entries', {
    seq,
    entryVersion: ENTRY_VERSION,
    state: 'refused',
    event,
    problem,
  });
};
