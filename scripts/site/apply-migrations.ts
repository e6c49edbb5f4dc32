import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import type { Connection, RowDataPacket } from 'mysql2/promise';
import { inProject } from './paths.ts';

const MIGRATIONS = inProject('db', 'migrations');

// What the server says to a statement that it has carried out before: the table, column, key or constraint is there, or is gone.
const DONE_BEFORE: ReadonlySet<number> = new Set([1050, 1051, 1060, 1061, 1091, 1826]);

/** The migrations there are, in their order. */
export const migrationNames = (): readonly string[] =>
  readdirSync(MIGRATIONS)
    .filter((file) => file.endsWith('.sql'))
    .sort();

/** Which migrations were applied, by name, with what each said. */
const appliedBefore = async (db: Connection): Promise<ReadonlyMap<string, string>> => {
  await db.query(`
    CREATE TABLE IF NOT EXISTS schema_migrations (
      name VARCHAR(120) CHARACTER SET ascii NOT NULL PRIMARY KEY,
      sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
      applied_at DATETIME(6) NOT NULL
    ) ENGINE = InnoDB`);
  const [rows] = await db.query<RowDataPacket[]>('SELECT name, sha256 FROM schema_migrations');
  return new Map(rows.map((row) => [row['name'] as string, row['sha256'] as string]));
};

/** The migration that an earlier start may have carried out without getting to note it. Where the table that says so is not there yet, that is the next one. */
const begunBefore = async (db: Connection, next: string | undefined): Promise<string | null> => {
  const [tables] = await db.query<RowDataPacket[]>("SHOW TABLES LIKE 'schema_begun'");
  if (tables.length === 0) {
    await db.query(`
      CREATE TABLE IF NOT EXISTS schema_begun (
        id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
        name VARCHAR(120) CHARACTER SET ascii NOT NULL
      ) ENGINE = InnoDB`);
    return next ?? null;
  }
  const [rows] = await db.query<RowDataPacket[]>('SELECT name FROM schema_begun');
  return (rows[0]?.['name'] as string | undefined) ?? null;
};

const carryOut = async (db: Connection, name: string, sql: string, isBegunBefore: boolean): Promise<void> => {
  try {
    await db.query(sql);
  } catch (error) {
    const { errno = 0, message } = error as Error & { readonly errno?: number };
    if (isBegunBefore && DONE_BEFORE.has(errno)) return;
    throw new Error(
      `migration ${name} could not be applied: ${message}. What was there is as it was. Take away what is in its way, or restore a backup (docs/backup.md).`,
      { cause: error },
    );
  }
};

/** Applies what is not applied yet, up to and with one migration, or all of them. A process may end, or be killed, at any moment of it: each migration is one statement, which
 *  the server carries out whole or not at all; that it is begun is written down before, and that it is done in the same transaction where there can be one, so that the next
 *  start knows which statement may have been carried out already. Throws where a migration was edited after it had been applied. */
export const applyMigrations = async (db: Connection, upTo: string | null): Promise<void> => {
  const applied = await appliedBefore(db);
  const names = migrationNames();
  const begun = await begunBefore(
    db,
    names.find((name) => !applied.has(name)),
  );
  for (const name of names) {
    if (upTo !== null && name > upTo) return;
    const sql = readFileSync(`${MIGRATIONS}/${name}`, 'utf8');
    const sha256 = createHash('sha256').update(sql).digest('hex');
    const before = applied.get(name);
    if (before && before !== sha256)
      throw new Error(`migration ${name} was edited after it had been applied`);
    if (before) continue;
    await db.query('REPLACE INTO schema_begun (id, name) VALUES (1, ?)', [name]);
    // A change of tables commits by itself; a change of rows is there with its note or not at all.
    await db.beginTransaction();
    await carryOut(db, name, sql, begun === name);
    await db.query(
      'INSERT INTO schema_migrations (name, sha256, applied_at) VALUES (?, ?, UTC_TIMESTAMP(6))',
      [name, sha256],
    );
    await db.commit();
  }
};
