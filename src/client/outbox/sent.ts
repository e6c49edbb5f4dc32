import type { DBSchema, IDBPDatabase } from 'idb';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { localDatabase } from '../local-database.ts';

// What the site acknowledged stays on this device for a while: a site that is restored from a backup may have lost it, and this device offers it again
// (lost-by-restore.ts). A database of its own: it may be lost without harm, and nothing of it holds up the outbox.

/** So many stay. */
const MOST = 4_000;
const PRUNED_EVERY = 200;

interface SentDatabase extends DBSchema {
  events: { key: string; value: LedgerEvent & { readonly at: number }; indexes: { at: number } };
}

let sincePruned = PRUNED_EVERY;

const database = localDatabase<SentDatabase>('jentik-sent', (db) => {
  db.createObjectStore('events', { keyPath: 'id' }).createIndex('at', 'at');
});

const prune = async (db: IDBPDatabase<SentDatabase>): Promise<void> => {
  const tooMany = (await db.count('events')) - MOST;
  if (tooMany <= 0) return;
  for (const id of await db.getAllKeysFromIndex('events', 'at', null, tooMany)) await db.delete('events', id);
};

/** Keeps what the site has acknowledged. Never throws, and nobody waits for it. */
export const keepSent = (events: readonly LedgerEvent[]): void => {
  void (async () => {
    const db = await database();
    const transaction = db.transaction('events', 'readwrite');
    await Promise.all([
      ...events.map((event) => transaction.store.put({ ...event, at: Date.now() })),
      transaction.done,
    ]);
    sincePruned += events.length;
    if (sincePruned < PRUNED_EVERY) return;
    sincePruned = 0;
    await prune(db);
  })().catch(() => {
    // A device that keeps nothing has nothing to offer later.
  });
};

/** What the site acknowledged of this device, oldest first; nothing where this device keeps nothing. */
export const readSent = async (): Promise<readonly LedgerEvent[]> => {
  try {
    const kept = await (await database()).getAllFromIndex('events', 'at');
    return kept.map(({ at: _, ...event }) => event as LedgerEvent);
  } catch {
    return [];
  }
};

/** Lets go of what was offered and dealt with. */
export const forgetSent = async (ids: readonly string[]): Promise<void> => {
  try {
    const db = await database();
    for (const id of ids) await db.delete('events', id);
  } catch {
    // It is offered again.
  }
};
