import {
  createConnection,
  type Connection as DriverConnection,
  type ExecuteValues,
  type FieldPacket,
  type QueryResult,
  type QueryValues,
} from 'mysql2';
import { createPool, type Pool, type PoolConnection } from 'mysql2/promise';
import { Fault } from '#core/fault.ts';

type Run<V> = <T extends QueryResult>(sql: string, values?: V) => Promise<[T, FieldPacket[]]>;

/** A connection or the pool: whatever runs a query. `query` is for statements of many rows, `execute` for all others. */
export type Connection = {
  readonly query: Run<QueryValues>;
  readonly execute: Run<ExecuteValues & QueryValues>;
};

const CONNECTION_LIMIT = 12;
const CONNECT_TIMEOUT_MS = 5_000;
/** How long a statement waits for a lock, and how long it may run, in seconds; commands that rebuild or restore may take longer. */
const LOCK_WAIT_SECONDS = 2;
const STATEMENT_SECONDS = Number(process.env['JENTIK_STATEMENT_SECONDS'] ?? 12);
/** How long an answer of the database is waited for, and how long for a connection while all are taken: a server that hangs says nothing by itself. */
const ANSWER_MS = (STATEMENT_SECONDS + 2) * 1_000;
const CONNECTION_MS = 6_000;
/** So many wait for a connection; more are told at once that it is too much. */
const MOST_WAITING = 400;

let readers: Pool | null = null;
let writers: Pool | null = null;

const options = () => {
  const uri = process.env['JENTIK_APP_DATABASE_URL'];
  if (!uri)
    throw new Fault('JENTIK_APP_DATABASE_URL is not set; start Jentik with npm start or npm run demo');
  return {
    uri,
    namedPlaceholders: true,
    dateStrings: true,
    timezone: 'Z',
    charset: 'utf8mb4',
    connectTimeout: CONNECT_TIMEOUT_MS,
    // Every statement would otherwise walk the stack for an error that hardly ever comes.
    trace: false,
  };
};

/** A connection of its own, for work that reads a whole table row by row. Whoever takes it ends it. */
export const ownConnection = (): DriverConnection => createConnection(options());

const newPool = (settings: string, multipleStatements = false): Pool => {
  const pool = createPool({
    ...options(),
    multipleStatements,
    connectionLimit: CONNECTION_LIMIT,
    queueLimit: MOST_WAITING,
  });
  // Sent before anything else on a new connection. On a cluster a read waits until what other nodes committed before it is here too.
  pool.on('connection', (connection) =>
    connection.query(
      `SET SESSION innodb_lock_wait_timeout = ${LOCK_WAIT_SECONDS}, max_statement_time = ${STATEMENT_SECONDS}, wsrep_sync_wait = 1${settings}`,
    ),
  );
  return pool;
};

/** What came of waiting for the database; an error that says that it is away (away.ts) where it took longer than it may. */
export const inTime = <T>(work: Promise<T>, ms = ANSWER_MS): Promise<T> => {
  let timer: ReturnType<typeof setTimeout>;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(
      () => reject(Object.assign(new Error('the database does not answer'), { code: 'ETIMEDOUT' })),
      ms,
    );
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
};

/** Whatever runs a query, with the patience of this site. */
const patient = (pool: Pool): Connection => ({
  query: (sql, values) => inTime(pool.query(sql, values)),
  execute: (sql, values) => inTime(pool.execute(sql, values)),
});

let reader: Connection | null = null;

/** The pool of the application's account, named by JENTIK_APP_DATABASE_URL, for what is read or written in one statement.
 *  Throws: Fault when it is not set. */
export const database = (): Connection => {
  if (reader && readers) return reader;
  readers = newPool('');
  reader = patient(readers);
  return reader;
};

/** A connection of the pool for transactions, once one is free. */
export const transactionConnection = async (): Promise<PoolConnection> => {
  const taken = transactions().getConnection();
  try {
    return await inTime(taken, CONNECTION_MS);
  } catch (error) {
    // One that is there after all goes back to the others.
    taken.then(
      (connection) => connection.release(),
      () => {},
    );
    throw error;
  }
};

/** The pool for transactions: a transaction begins with the first statement, without one that says so, and what it writes may share a packet. */
const transactions = (): Pool => {
  writers ??= newPool(', autocommit = 0', true);
  return writers;
};

/** Closes the pools, so that a process can end. */
export const closeDatabase = async (): Promise<void> => {
  await Promise.all([readers?.end(), writers?.end()]);
  readers = null;
  reader = null;
  writers = null;
};
