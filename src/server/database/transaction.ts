import type { FieldPacket, QueryValues, RowDataPacket } from 'mysql2';
import type { PoolConnection } from 'mysql2/promise';
import { type Connection, transactions } from './pool.ts';

/** A connection in a transaction. Queries that are asked for at once travel in one packet. */
export type Transaction = Connection & {
  /** Writes what nobody waits for: it travels with the next statement, at the latest with the commit. What the database has against it
   *  comes up there. */
  readonly write: (sql: string, values: QueryValues) => void;
};

/** How many characters of statements wait for the next one before they travel ahead, so that the database is at work while more is made ready. */
const MOST_WAITING = 50_000;

type Waiting = {
  readonly statement: string;
  readonly answer: (result: [never, FieldPacket[]]) => void;
  readonly fail: (error: unknown) => void;
};

const nobody = (): void => {};

type Open = Transaction & { readonly commit: () => Promise<void> };

const opened = (connection: PoolConnection): Open => {
  let waiting: Waiting[] = [];
  let size = 0;
  let ahead: Promise<void> = Promise.resolve();
  const send = async (): Promise<void> => {
    const sent = waiting;
    waiting = [];
    size = 0;
    if (sent.length === 0) return ahead;
    try {
      // Never past something that failed: what it was to be committed with must not be committed without it.
      await ahead;
      const sql = sent.map(({ statement }) => statement).join(';\n');
      // Every value is in its place: what looks like a placeholder in them is text, and nobody need look for one.
      const [rows, fields] = await connection.query<RowDataPacket[]>({ sql, namedPlaceholders: false }, null);
      const results = (sent.length > 1 ? rows : [rows]) as never[];
      for (const [index, { answer }] of sent.entries()) answer([results[index] as never, fields]);
    } catch (error) {
      // A write that failed is not forgotten by whoever catches the failure of what travelled with it: nothing more goes out, and no commit.
      if (sent.some(({ fail }) => fail === nobody)) {
        ahead = Promise.reject(error);
        ahead.catch(nobody);
      }
      for (const { fail } of sent) fail(error);
      throw error;
    }
  };
  const asked: Transaction['query'] = (sql, values) =>
    new Promise((answer, fail) => {
      waiting.push({ statement: connection.format(sql, values), answer, fail });
      // Whoever asks at the same moment is in time for the same packet.
      queueMicrotask(() => void send().catch(nobody));
    });
  return {
    query: asked,
    execute: async (sql, values) => {
      await send();
      return connection.execute(sql, values);
    },
    write: (sql, values) => {
      const statement = connection.format(sql, values);
      waiting.push({ statement, answer: nobody, fail: nobody });
      size += statement.length;
      if (size <= MOST_WAITING) return;
      ahead = send();
      ahead.catch(nobody);
    },
    commit: async () => void (await asked('COMMIT')),
  };
};

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
  work: (db: Transaction) => Promise<T>,
  mayCommit: (value: T) => boolean = () => true,
): Promise<T> => {
  const giveUpAt = Date.now() + PATIENCE_MS;
  for (let tries = 1; ; tries += 1) {
    const connection = await transactions().getConnection();
    let isAlive = true;
    try {
      const transaction = opened(connection);
      const value = await work(transaction);
      if (mayCommit(value)) await transaction.commit();
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
