import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { StoredEntry } from './entry.ts';

// The browser's own database. Everything here may throw or never answer: storage is full, blocked, or taken away; whoever calls it can do without.

interface OutboxDatabase extends DBSchema {
  entries: { key: number; value: StoredEntry };
}

/** How long the disk may take before it counts as gone. */
const PATIENCE_MS = 1_500;
/** How long a write may take: a disk that is busy with something else is late with it, and refuses nothing. */
const WRITE_PATIENCE_MS = 10_000;

/** What came of waiting for a while, or an error when it took longer. */
const inTime = <T>(work: Promise<T>, patienceMs = PATIENCE_MS): Promise<T> => {
  let timer: ReturnType<typeof setTimeout>;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('the store of this device does not answer')), patienceMs);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
};

let opened: Promise<IDBPDatabase<OutboxDatabase>> | null = null;

const database = (): Promise<IDBPDatabase<OutboxDatabase>> => {
  if (opened) return inTime(opened);
  const opening = openDB<OutboxDatabase>('jentik-outbox', 1, {
    upgrade: (db) => {
      db.createObjectStore('entries', { keyPath: 'seq', autoIncrement: true });
    },
    // A newer page wants another form: this one lets go, and opens again what it finds.
    blocking: (_current, _blocked, event) => {
      (event.target as IDBDatabase).close();
      opened = null;
    },
    terminated: () => {
      opened = null;
    },
  });
  opened = opening;
  opening.catch(() => {
    opened = null;
  });
  return inTime(opening);
};

type Queued = {
  readonly entry: StoredEntry;
  readonly written: (seq: number) => void;
  readonly failed: (error: unknown) => void;
};

/** Writes entries to disk as one: all of them are on it, or none. */
const writeAll = async (batch: readonly Queued[]): Promise<readonly number[]> => {
  const db = await database();
  const transaction = db.transaction('entries', 'readwrite', { durability: 'strict' });
  transaction.done.catch(() => {
    // Said by the write itself.
  });
  try {
    const puts: Promise<number>[] = [];
    for (const { entry } of batch) {
      const put = transaction.store.put(entry);
      put.catch(() => {
        // Said by the whole of them.
      });
      puts.push(put);
    }
    const seqs = await Promise.all(puts);
    await transaction.done;
    return seqs;
  } catch (error) {
    try {
      transaction.abort();
    } catch {
      // It ended by itself.
    }
    throw error;
  }
};

let queue: Queued[] = [];
let isWriting = false;

// A disk takes as long for forty entries as for one: what comes while it writes is written together next.
const writeQueue = async (): Promise<void> => {
  if (isWriting) return;
  isWriting = true;
  while (queue.length > 0) {
    const batch = queue;
    queue = [];
    try {
      const seqs = await writeAll(batch);
      for (const [at, { written }] of batch.entries()) written(seqs[at] as number);
    } catch (error) {
      // One that can't be stored keeps none of the others out: each is tried by itself.
      if (batch.length === 1) batch[0]?.failed(error);
      else
        for (const each of batch)
          await writeAll([each]).then(([seq]) => each.written(seq as number), each.failed);
    }
  }
  isWriting = false;
};

/** Writes an entry; answers its place once it is on disk. `onLate` hears of one that got there after this gave up. */
export const storeEntry = async (entry: StoredEntry, onLate: (seq: number) => void): Promise<number> => {
  let isGivenUp = false;
  const written = new Promise<number>((resolve, reject) => {
    queue.push({
      entry,
      written: (seq) => {
        if (isGivenUp) onLate(seq);
        resolve(seq);
      },
      failed: reject,
    });
  });
  void writeQueue();
  try {
    return await inTime(written, WRITE_PATIENCE_MS);
  } catch (error) {
    isGivenUp = true;
    written.catch(() => {
      // It failed after it had been given up.
    });
    throw error;
  }
};

/** Everything that is stored, oldest first. */
export const storedEntries = async (): Promise<readonly StoredEntry[]> =>
  inTime((await database()).getAll('entries'));

/** Takes entries out of the store. */
export const removeEntries = async (seqs: readonly number[]): Promise<void> => {
  if (seqs.length === 0) return;
  const transaction = (await database()).transaction('entries', 'readwrite');
  const removals = seqs.map((seq) => transaction.store.delete(seq));
  await inTime(Promise.all([...removals, transaction.done]));
};
