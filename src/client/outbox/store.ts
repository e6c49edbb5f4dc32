import type { UnplacedEvent } from '#core/event/event.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { removeEntries, storedEntries, storeEntry } from './disk.ts';
import {
  ENTRY_VERSION,
  isInMemory,
  type OutboxEntry,
  readEntry,
  type StoredEntry,
  type UnreadableEntry,
} from './entry.ts';

export type Outbox = {
  readonly entries: readonly OutboxEntry[];
  readonly unreadable: readonly UnreadableEntry[];
  /** Whether this device's store could be read: else this is what this page holds by itself. */
  readonly isWhole: boolean;
};

// Everything that happened in this page and is not acknowledged, whether it got to the disk or not: what the disk loses or refuses is still sent.
const held = new Map<string, OutboxEntry>();
let last = 0;

/** A place after everything that happened here before: by the clock, and one further on where that stands still or was set back. */
const nextOrder = (): number => {
  last = Math.max(last + 1, Date.now() * 1_000);
  return last;
};

const stored = ({ seq, order, state, event, problem }: OutboxEntry): StoredEntry => ({
  entryVersion: ENTRY_VERSION,
  order,
  state,
  event,
  problem,
  ...(seq === null ? {} : { seq }),
});

const onDisk = (entry: OutboxEntry, seq: number): void => {
  held.set(entry.event.id, { ...entry, seq });
};

/** Writes an entry to disk as it now is; one that can't be written stays in this page. Answers whether it is on disk. */
const keepEntry = async (entry: OutboxEntry): Promise<boolean> => {
  held.set(entry.event.id, entry);
  try {
    const seq = await storeEntry(stored(entry), (late) => {
      const now = held.get(entry.event.id);
      if (now) onDisk(now, late);
      // It was acknowledged meanwhile: what got to the disk behind it is sent again, and counts once.
    });
    const now = held.get(entry.event.id);
    if (now) onDisk(now, seq);
    return true;
  } catch {
    return false;
  }
};

/** Keeps an event until the server has it. Answers whether it is on disk; what is not is held by this page alone and sent all the same. Never throws. */
export const keepEvent = (event: UnplacedEvent): Promise<boolean> =>
  keepEntry({ seq: null, order: nextOrder(), state: 'queued', event, problem: null });

const isRead = (entry: OutboxEntry | UnreadableEntry): entry is OutboxEntry => 'event' in entry;

/** Everything that waits on this device, oldest first: what is on disk, of every tab, and what this page holds by itself. Never throws. */
export const readOutbox = async (): Promise<Outbox> => {
  const onDiskBefore = [...held.values()].filter((entry) => !isInMemory(entry));
  let read: readonly (OutboxEntry | UnreadableEntry)[] | null;
  try {
    read = (await storedEntries()).map(readEntry);
  } catch {
    read = null;
  }
  if (read) {
    const ids = new Set(read.filter(isRead).map(({ event }) => event.id));
    // Another tab got it acknowledged.
    for (const { event } of onDiskBefore) if (!ids.has(event.id)) held.delete(event.id);
    for (const entry of read) if (isRead(entry)) last = Math.max(last, entry.order);
  }
  const byId = new Map(held);
  for (const entry of read ?? []) if (isRead(entry)) byId.set(entry.event.id, entry);
  return {
    entries: [...byId.values()].sort((a, b) => a.order - b.order),
    unreadable: (read ?? []).filter((entry): entry is UnreadableEntry => !isRead(entry)),
    isWhole: read !== null,
  };
};

/** Lets go of entries that the server has acknowledged, or that were put into its log. What the disk does not let go of is sent again, and counts once. */
export const forgetEntries = async (
  entries: readonly (Pick<OutboxEntry, 'seq'> & Partial<Pick<OutboxEntry, 'event'>>)[],
): Promise<void> => {
  for (const { event } of entries) if (event) held.delete(event.id);
  await removeEntries(entries.flatMap(({ seq }) => seq ?? []));
};

/** Sets a refused entry aside, with why. */
export const quarantineEntry = async (entry: OutboxEntry, problem: ProblemDetails): Promise<void> => {
  await keepEntry({ ...entry, state: 'refused', problem });
};

/** Puts a refused entry back among those that are sent, where it was. */
export const queueAgain = async (entry: OutboxEntry): Promise<void> => {
  await keepEntry({ ...entry, state: 'queued', problem: null });
};
