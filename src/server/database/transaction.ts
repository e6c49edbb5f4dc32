import type { PoolConnection } from 'mysql2/promise';
import { type Connection, transactions } from './pool.ts';

/** How long a transaction is tried again: longer than anybody's turn takes, shorter than a browser waits. */
const PATIENCE_MS = 12_000;
const FIRST_PAUSE_MS = 4;
const LONGEST_PAUSE_MS = 400;

// Deadlock, also one with another node of a cluster; lock wait timed out.
const CONFLICTS: ReadonlySet<number> = new Set([1213, 1205]);

/** Whether the database refused only because somebody else was at it. */
export const isConflict = (error: unknown): boolean =>
  CONFLICTS.has((error as { errno?: number } | null)?.errno ?? 0);

/** A pause that grows with the tries, with some chance in it, so that two who collided don't collide again. */
const pauseMs = (tries: number): number =>
  Math.min(FIRST_PAUSE_MS * 2 ** (tries - 1), LONGEST_PAUSE_MS) * (0.5 + Math.random());

const rolledBack = async (connection: PoolConnection): Promise<boolean> => {
  try {
    await connection.rollback();
    return true;
  } catch {
    // What failed before says why; the dead connection is thrown away and the database rolls back by itself.
    return false;
  }
};

/** Runs `work` in one transaction and commits what it returns. The whole of it is repeated after a conflict, so `work` must be repeatable
 *  and must tell nobody of what it did before this returns. `mayCommit` false rolls back: a refusal leaves nothing behind. */
export const inTransaction = async <T>(
  work: (connection: Connection) => Promise<T>,
  mayCommit: (value: T) => boolean = () => true,
): Promise<T> => {
  const giveUpAt = Date.now() + PATIENCE_MS;
  for (let tries = 1; ; tries += 1) {
    const connection = await transactions().getConnection();
    let isAlive = true;
    try {
      const value = await work(connection);
      if (mayCommit(value)) await connection.commit();
      else await connection.rollback();
      return value;
    } catch (error) {
      isAlive = await rolledBack(connection);
      if (!isConflict(error) || Date.now() > giveUpAt) throw error;
    } finally {
      if (isAlive) connection.release();
      else connection.destroy();
    }
    await new Promise((resolve) => setTimeout(resolve, pauseMs(tries)));
  }
};
