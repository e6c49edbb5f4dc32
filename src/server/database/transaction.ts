import type { FieldPacket, QueryValues, RowDataPacket } from 'mysql2';
import type { PoolConnection } from 'mysql2/promise';
import { isDatabaseAway } from './away.ts';
import { type Connection, inTime, transactionConnection } from './pool.ts';

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
  readonly answer: (result: Answered) => void;
  readonly fail: (error: unknown) => void;
};

const nobody = (): void => {};

type Open = Transaction & { readonly commit: () => Promise<void> };

type Answered = [never, FieldPacket[]];

// Every value is in its place: what looks like a placeholder in them is text, and nobody need look for one.
const asIs = async (connection: PoolConnection, sql: string): Promise<[RowDataPacket[], FieldPacket[]]> =>
  inTime(connection.query<RowDataPacket[]>({ sql, namedPlaceholders: false }, null));

const inOnePacket = async (
  connection: PoolConnection,
  statements: readonly string[],
): Promise<readonly Answered[]> => {
  const [rows, fields] = await asIs(connection, statements.join(';\n'));
  const results = statements.length > 1 ? rows : [rows];
  return results.map((result) => [result as never, fields]);
};

const oneByOne = async (
  connection: PoolConnection,
  statements: readonly string[],
): Promise<readonly Answered[]> => {
  const answers: Answered[] = [];
  for (const statement of statements) answers.push((await asIs(connection, statement)) as Answered);
  return answers;
};

const clusters = new WeakMap<object, Promise<boolean>>();

/** Whether a connection leads to a node of a cluster. There another node's transaction may end this one between two statements, and of that the
 *  server tells only who asks anew: within a packet the rest would be carried out without what came before it, and committed. */
const isOnCluster = (connection: PoolConnection): Promise<boolean> => {
  const known = clusters.get(connection.connection);
  if (known) return known;
  const asked = inTime(connection.query<RowDataPacket[]>('SELECT @@wsrep_on AS isOn')).then(
    ([rows]) => rows[0]?.['isOn'] !== 0,
  );
  clusters.set(connection.connection, asked);
  return asked;
};

const opened = (connection: PoolConnection, isAlone: boolean): Open => {
  let waiting: Waiting[] = [];
  let size = 0;
  let onTheWay: Promise<void> | null = null;
  // What a write failed with is not forgotten by whoever catches the failure of what travelled with it: nothing more goes out, and no commit.
  let spoilt: { readonly error: unknown } | null = null;

  const carry = async (sent: readonly Waiting[], before: Promise<void> | null): Promise<void> => {
    try {
      // One after the other, and never past a write that failed.
      if (before) await before.catch(nobody);
      if (spoilt) throw spoilt.error;
      const carried = isAlone ? inOnePacket : oneByOne;
      const answers = await carried(
        connection,
        sent.map(({ statement }) => statement),
      );
      for (const [index, { answer }] of sent.entries()) answer(answers[index] as Answered);
    } catch (error) {
      if (sent.some(({ fail }) => fail === nobody)) spoilt ??= { error };
      for (const { fail } of sent) fail(error);
      throw error;
    }
  };

  /** Sends what waits, and is done when all that was sent so far is answered. */
  const send = (): Promise<void> => {
    const sent = waiting;
    waiting = [];
    size = 0;
    const carrying = carry(sent, onTheWay);
    const isThrough = (): void => {
      if (onTheWay === carrying) onTheWay = null;
    };
    carrying.then(isThrough, isThrough);
    onTheWay = carrying;
    return carrying;
  };
  const asked: Transaction['query'] = (sql, values) =>
    new Promise((answer, fail) => {
      waiting.push({ statement: connection.format(sql, values), answer, fail });
      // Whoever asks at the same moment is in time for the same packet.
      queueMicrotask(() => void (waiting.length > 0 && send()));
    });
  return {
    query: asked,
    // Never prepared: on a cluster that is a command more between a lock and what is read behind it.
    execute: asked,
    write: (sql, values) => {
      const statement = connection.format(sql, values);
      waiting.push({ statement, answer: nobody, fail: nobody });
      size += statement.length;
      if (size > MOST_WAITING) void send();
    },
    commit: async () => void (await asked('COMMIT')),
  };
};

/** How long a transaction is tried again: longer than anybody's turn takes, shorter than a browser waits. */
const PATIENCE_MS = 12_000;
/** How much of that one try can take, a little longer than it waits for a lock: a machine that stood still says nothing about whose turn it is. */
const MOST_OF_A_TRY_MS = 2_500;
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
  let patienceMs = PATIENCE_MS;
  for (let tries = 1; ; tries += 1) {
    const connection = await transactionConnection();
    const began = Date.now();
    let isAlive = true;
    try {
      const transaction = opened(connection, !(await isOnCluster(connection)));
      const value = await work(transaction);
      if (mayCommit(value)) await transaction.commit();
      else await connection.rollback();
      return value;
    } catch (error) {
      // A server that does not answer rolls nothing back: the connection is thrown away, and what it began with it.
      isAlive = !isDatabaseAway(error) && (await rolledBack(connection));
      patienceMs -= Math.min(Date.now() - began, MOST_OF_A_TRY_MS);
      if (!isConflict(error) || patienceMs < 0) throw error;
    } finally {
      if (isAlive) connection.release();
      else connection.destroy();
    }
    const pause = pauseMs(tries);
    patienceMs -= pause;
    await new Promise((resolve) => setTimeout(resolve, pause));
  }
};
