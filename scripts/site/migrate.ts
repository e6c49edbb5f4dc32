import { createHash } from 'node:crypto';
import { type Connection, createConnection, type RowDataPacket } from 'mysql2/promise';
import { applyMigrations } from './apply-migrations.ts';
import { underSchemaLock } from './schema-lock.ts';

/** What the application's account may do with each table; a table that is not named gets everything. */
const RIGHTS: Readonly<Record<string, string>> = {
  events: 'SELECT, INSERT',
  site_log: 'SELECT, INSERT',
  tool_events: 'SELECT, INSERT',
  calibration_sessions: 'SELECT, INSERT',
  book_requirement_revisions: 'SELECT, INSERT',
  book_table_revisions: 'SELECT, INSERT',
  schema_migrations: 'SELECT',
  schema_begun: 'SELECT',
  schema_lock: 'SELECT',
};

const grantRights = async (db: Connection, database: string, account: string): Promise<void> => {
  const [tables] = await db.query<RowDataPacket[]>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = ?',
    [database],
  );
  for (const { name } of tables) {
    const rights = RIGHTS[name] ?? 'SELECT, INSERT, UPDATE, DELETE';
    await db.query(`GRANT ${rights} ON ${db.escapeId(database)}.${db.escapeId(name)} TO ${account}`);
  }
};

/** What a backup puts into an empty database: once its tables have the form that they had in the backup. */
export type Restored = { readonly upTo: string; readonly load: (db: Connection) => Promise<void> };

/** Brings a database up to date and makes the application's account, which may not change events; then `prepare` fills what a site needs. All
 *  under one lock row, so that any number of processes may start at once; `isAlone` where only this one can be on the server.
 *  Answers the account's address: JENTIK_APP_DATABASE_URL where it is set, for a server whose owner may not make accounts. */
export const migrate = async (
  ownerUrl: string,
  database: string,
  prepare: (appUrl: string) => Promise<void> = async () => {},
  {
    restored = null,
    isAlone = false,
  }: { readonly restored?: Restored | null; readonly isAlone?: boolean } = {},
): Promise<string> => {
  const db = await createConnection({ uri: ownerUrl, multipleStatements: false, timezone: 'Z' });
  try {
    await db.query('CREATE DATABASE IF NOT EXISTS ?? CHARACTER SET utf8mb4', [database]);
    await db.query('USE ??', [database]);
    return await underSchemaLock(
      db,
      async () => {
        if (restored) {
          await applyMigrations(db, restored.upTo);
          await restored.load(db);
        }
        await applyMigrations(db, null);
        const given = process.env['JENTIK_APP_DATABASE_URL'];
        const appUrl = given ?? (await makeAccount(db, new URL(ownerUrl), database));
        await prepare(appUrl);
        return appUrl;
      },
      isAlone,
    );
  } finally {
    await db.end();
  }
};

const makeAccount = async (db: Connection, owner: URL, database: string): Promise<string> => {
  const name = `${database}_app`;
  // Follows from the owner's password, so that every process that starts on this database arrives at the same account.
  const password = createHash('sha256').update(`${name}:${owner.password}`).digest('hex');
  const isLoopback = owner.hostname === '127.0.0.1';
  const account = `${db.escape(name)}@${isLoopback ? "'127.0.0.1'" : "'%'"}`;
  await db.query(`CREATE USER IF NOT EXISTS ${account} IDENTIFIED BY ${db.escape(password)}`);
  await db.query(`ALTER USER ${account} IDENTIFIED BY ${db.escape(password)}`);
  await grantRights(db, database, account);
  const url = new URL(owner);
  url.username = name;
  url.password = password;
  url.pathname = `/${database}`;
  return url.toString();
};
