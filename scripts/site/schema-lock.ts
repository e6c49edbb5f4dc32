import { randomUUID } from 'node:crypto';
import type { Connection, ResultSetHeader } from 'mysql2/promise';

const HELD_SECONDS = 30;
const SAID_AFTER_MS = 2_000;
const GIVE_UP_MS = 300_000;
const POLL_MS = 100;
// Two nodes of a cluster wrote the same row: one of them is told so, and asks again.
const CONFLICTS: ReadonlySet<number> = new Set([1213, 1205, 1062]);

const tried = async (work: () => Promise<boolean>): Promise<boolean> => {
  try {
    return await work();
  } catch (error) {
    if (CONFLICTS.has((error as { errno?: number }).errno ?? 0)) return false;
    throw error;
  }
};

const take = (db: Connection, holder: string): Promise<boolean> =>
  tried(async () => {
    const [result] = await db.query<ResultSetHeader>(
      `UPDATE schema_lock
          SET holder = ?, held_until = UTC_TIMESTAMP(6) + INTERVAL ? SECOND
        WHERE id = 1
          AND (holder IS NULL OR holder = ? OR held_until < UTC_TIMESTAMP(6))`,
      [holder, HELD_SECONDS, holder],
    );
    return result.affectedRows === 1;
  });

const untilTaken = async (db: Connection, holder: string): Promise<void> => {
  const began = Date.now();
  const giveUpAt = began + GIVE_UP_MS;
  let isSaid = false;
  while (!(await take(db, holder))) {
    if (!isSaid && Date.now() - began > SAID_AFTER_MS) {
      isSaid = true;
      console.error(
        'Another process is bringing this database up to date, or was ended at it; waiting for at most half a minute …',
      );
    }
    if (Date.now() > giveUpAt)
      throw new Error('another process has been bringing this database up to date for five minutes');
    await new Promise((resolve) => setTimeout(resolve, POLL_MS * (0.5 + Math.random())));
  }
};

const giveBack = async (db: Connection, holder: string): Promise<void> => {
  const release = () =>
    tried(async () => {
      await db.query('UPDATE schema_lock SET holder = NULL WHERE id = 1 AND holder = ?', [holder]);
      return true;
    });
  for (let tries = 0; tries < 10; tries += 1) if (await release()) return;
};

/** Runs `work` while holding the one row that says who is bringing the database up to date, also on a cluster, where a named lock of one node
 *  is nothing to the others. The row is held for a time only and is asked for again while the work goes on: who dies with it holds up nobody
 *  for longer than that, and whoever is alone on the server waits for nobody. */
export const underSchemaLock = async <T>(
  db: Connection,
  work: () => Promise<T>,
  isAlone = false,
): Promise<T> => {
  const holder = randomUUID();
  await db.query(`
    CREATE TABLE IF NOT EXISTS schema_lock (
      id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
      holder CHAR(36) CHARACTER SET ascii NULL,
      held_until DATETIME(6) NULL
    ) ENGINE = InnoDB`);
  await tried(async () => {
    await db.query('INSERT IGNORE INTO schema_lock (id) VALUES (1)');
    return true;
  });
  // What a start that was ended in the middle left behind.
  if (isAlone) await db.query('UPDATE schema_lock SET holder = NULL WHERE id = 1');
  await untilTaken(db, holder);
  const keeping = setInterval(() => void take(db, holder).catch(() => false), (HELD_SECONDS * 1000) / 4);
  try {
    return await work();
  } finally {
    clearInterval(keeping);
    await giveBack(db, holder);
  }
};
