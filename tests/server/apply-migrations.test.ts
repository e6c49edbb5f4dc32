import { type Connection, createConnection, type RowDataPacket } from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, inject, test, vi } from 'vitest';
import { applyMigrations, migrationNames } from '../../scripts/site/apply-migrations.ts';

// A start may be killed at any moment. The worst one for a migration is after its statement and before its note: the server does not take back a change of tables.

const whole = 'migrated_at_once';
const ended = 'migrated_in_pieces';
let db: Connection;

const emptied = async (name: string): Promise<void> => {
  await db.query('DROP DATABASE IF EXISTS ??', [name]);
  await db.query('CREATE DATABASE ?? CHARACTER SET utf8mb4', [name]);
  await db.query('USE ??', [name]);
};

/** Everything that the server says of the form of a database, and the rows that migrations made. */
const formOf = async (name: string): Promise<unknown> => {
  const asked = async (sql: string, values: readonly string[]): Promise<readonly RowDataPacket[]> =>
    (await db.query<RowDataPacket[]>(sql, [...values]))[0];
  const columns =
    'table_name, column_name, ordinal_position, column_type, is_nullable, column_key, generation_expression';
  const names = 'constraint_name, table_name, column_name, referenced_table_name, referenced_column_name';
  const keys = 'table_name, index_name, seq_in_index, column_name, non_unique';
  return {
    columns: await asked(
      `SELECT ${columns} FROM information_schema.columns WHERE table_schema = ? ORDER BY 1, 3`,
      [name],
    ),
    constraints: await asked(
      `SELECT ${names} FROM information_schema.key_column_usage WHERE table_schema = ? ORDER BY 1, 2, 3`,
      [name],
    ),
    keys: await asked(
      `SELECT ${keys} FROM information_schema.statistics WHERE table_schema = ? ORDER BY 1, 2, 3`,
      [name],
    ),
    counters: await asked(`SELECT * FROM \`${name}\`.counters ORDER BY name`, []),
    applied: await asked(`SELECT name, sha256 FROM \`${name}\`.schema_migrations ORDER BY name`, []),
  };
};

/** Applies migrations up to one, and is killed after the statement of that one, before it is noted. */
const killedBeforeItsNote = async (name: string): Promise<void> => {
  const dying = await createConnection({ uri: inject('ownerUrl'), database: ended });
  const query = dying.query.bind(dying) as never as (sql: string, values?: unknown) => Promise<never>;
  vi.spyOn(dying, 'query').mockImplementation(((sql: string, values?: readonly unknown[]) => {
    if (sql.startsWith('INSERT INTO schema_migrations') && values?.[0] === name) throw new Error('killed');
    return query(sql, values);
  }) as never);
  await expect(applyMigrations(dying, name)).rejects.toThrow('killed');
  dying.destroy();
};

beforeAll(async () => {
  db = await createConnection({ uri: inject('ownerUrl') });
  await emptied(whole);
  await applyMigrations(db, null);
});
afterAll(() => db.end());

describe('a start that was killed while it brought the database up to date', () => {
  test('between any statement and its note: the next one goes on, and all is as if it had been done at once', async () => {
    await emptied(ended);
    for (const name of migrationNames()) await killedBeforeItsNote(name);
    await applyMigrations(db, null);
    expect(await formOf(ended)).toEqual(await formOf(whole));
  });

  test('by an older Jentik, which wrote down nothing of what it began', async () => {
    await emptied(ended);
    await killedBeforeItsNote(migrationNames()[1] ?? '');
    await db.query('DROP TABLE schema_begun');
    await applyMigrations(db, null);
    expect(await formOf(ended)).toEqual(await formOf(whole));
  });

  test('a table that nobody began is another’s: it is said, with the migration that it is in the way of', async () => {
    await emptied(ended);
    const [first = '', second = ''] = migrationNames();
    await applyMigrations(db, first);
    await db.query('CREATE TABLE sessions (id INT)');
    await expect(applyMigrations(db, null)).rejects.toThrow(
      `migration ${second} could not be applied: Table 'sessions' already exists`,
    );
  });
});
