import { createPool, type Pool, type PoolConnection } from 'mysql2/promise';
import { Fault } from '#core/fault.ts';

/** A connection or the pool: whatever runs a query. */
export type Connection = Pick<PoolConnection, 'execute'>;

const CONNECTION_LIMIT = 10;
const TRIES = 5;

let pool: Pool | null = null;

/** The pool of the application's account, named by JENTIK_APP_DATABASE_URL. Throws: Fault when it is not set. */
export const database = (): Pool => {
  if (pool) return pool;
  const uri = process.env['JENTIK_APP_DATABASE_URL'];
  if (!uri)
    throw new Fault('JENTIK_APP_DATABASE_URL is not set; start Jentik with npm start or npm run demo');
  pool = createPool({
    uri,
    namedPlaceholders: true,
    dateStrings: true,
    timezone: 'Z',
    charset: 'utf8mb4',
    connectionLimit: CONNECTION_LIMIT,
  });
  return pool;
};

/** Closes the pool, so that a process can end. */
export const closeDatabase = async (): Promise<void> => {
  await pool?.end();
  pool = null;
};

const isDeadlock = (error: unknown): boolean => (error as { errno?: number }).errno === 1213;

/** Runs `work` in one transaction and commits what it returns. Repeats it after a deadlock, also one with another cluster node
 *  (error 1213), so `work` must be repeatable. `mayCommit` false rolls back: a refusal leaves nothing behind. */
export const inTransaction = async <T>(
  work: (connection: Connection) => Promise<T>,
  mayCommit: (value: T) => boolean = () => true,
): Promise<T> => {
  for (let tries = 1; ; tries += 1) {
    const connection = await database().getConnection();
    try {
      await connection.beginTransaction();
      const value = await work(connection);
      if (mayCommit(value)) await connection.commit();
      else await connection.rollback();
      return value;
    } catch (error) {
      await connection.rollback();
      if (!isDeadlock(error) || tries >= TRIES) throw error;
    } finally {
      connection.release();
    }
  }
};
