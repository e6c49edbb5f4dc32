import type { DBSchema, IDBPDatabase } from 'idb';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { localDatabase } from '../local-database.ts';

// What the site has placed of the jobs that were opened on this device: with it a job starts cold without the site. A database of its own: it may be lost
// without harm, and nothing of it holds up the outbox.

/** A job that this device can open without the site. */
export type KeptJob = {
  readonly job: string;
  readonly number: string;
  readonly title: string;
  /** When it was opened here last, in milliseconds since 1970. */
  readonly openedAt: number;
};

interface JobsDatabase extends DBSchema {
  jobs: { key: string; value: KeptJob };
  events: { key: [string, number]; value: LedgerEvent };
}

/** So many jobs stay, those opened last. */
const MOST = 40;

const database = localDatabase<JobsDatabase>('jentik-jobs', (db) => {
  db.createObjectStore('jobs', { keyPath: 'job' });
  db.createObjectStore('events', { keyPath: ['job', 'sequence'] });
});

const eventsOf = (job: string, after = 0): IDBKeyRange =>
  IDBKeyRange.bound([job, after], [job, Number.POSITIVE_INFINITY], true);

const prune = async (db: IDBPDatabase<JobsDatabase>): Promise<void> => {
  const jobs = (await db.getAll('jobs')).sort((a, b) => b.openedAt - a.openedAt);
  for (const { job } of jobs.slice(MOST)) {
    await db.delete('events', eventsOf(job));
    await db.delete('jobs', job);
  }
};

/** Keeps that a job was opened here. Answers whether it is kept. Never throws. */
export const keepOpened = async (kept: KeptJob): Promise<boolean> => {
  try {
    const db = await database();
    await db.put('jobs', kept);
    await prune(db);
    return true;
  } catch {
    return false;
  }
};

/** Keeps what the site has placed of a job. Never throws, and nobody waits for it. */
export const keepPlaced = async (events: readonly LedgerEvent[]): Promise<void> => {
  if (events.length === 0) return;
  try {
    const transaction = (await database()).transaction('events', 'readwrite');
    await Promise.all([...events.map((event) => transaction.store.put(event)), transaction.done]);
  } catch {
    // A device that keeps nothing starts with what its page was made with.
  }
};

/** What this device keeps of a job after a place in its chain, as far as it goes on from there without a gap. Never throws. */
export const keptAfter = async (
  job: string,
  head: { readonly sequence: number; readonly hash: string },
): Promise<readonly LedgerEvent[]> => {
  try {
    const events = await (await database()).getAll('events', eventsOf(job, head.sequence));
    let { sequence, hash } = head;
    const chained: LedgerEvent[] = [];
    for (const event of events) {
      if (event.sequence !== sequence + 1 || event.previousHash !== hash) break;
      chained.push(event);
      ({ sequence, hash } = event);
    }
    return chained;
  } catch {
    return [];
  }
};

/** The jobs that this device can open without the site, the one opened last first. Never throws. */
export const keptJobs = async (): Promise<readonly KeptJob[]> => {
  try {
    return (await (await database()).getAll('jobs')).sort((a, b) => b.openedAt - a.openedAt);
  } catch {
    return [];
  }
};
