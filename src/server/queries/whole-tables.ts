import type { RowDataPacket } from 'mysql2';
import type { Connection } from '../database/pool.ts';

/** The migrations that were applied, in their order. */
export const selectMigrations = async (db: Connection): Promise<readonly string[]> => {
  const [rows] = await db.query<RowDataPacket[]>('SELECT name FROM schema_migrations ORDER BY name');
  return rows.map(({ name }) => name);
};

/** The columns of a table that hold something of their own, in their order, and those among them that hold bytes. */
export const selectColumns = async (
  db: Connection,
  table: string,
): Promise<{ readonly section: string; readonly columns: string[]; readonly bytes: string[] }> => {
  const [rows] = await db.query<RowDataPacket[]>(
    `
    SELECT column_name AS name,
           data_type AS type
      FROM information_schema.columns
     WHERE table_schema = DATABASE()
       AND table_name = :table
       AND is_generated = 'NEVER'
     ORDER BY ordinal_position`,
    { table },
  );
  return {
    section: table,
    columns: rows.map(({ name }) => name),
    bytes: rows.flatMap(({ name, type }) => (/blob|binary/.test(type) ? [name] : [])),
  };
};

/** How many rows a table has. */
export const countRows = async (db: Connection, table: string): Promise<number> => {
  const [rows] = await db.query<RowDataPacket[]>(
    { sql: 'SELECT COUNT(*) AS count FROM ??', namedPlaceholders: false } as never,
    [table] as never,
  );
  return rows[0]?.['count'] ?? 0;
};

/** Every table of the database. */
export const selectTableNames = async (db: Connection): Promise<readonly string[]> => {
  const [rows] = await db.query<RowDataPacket[]>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE() ORDER BY table_name',
  );
  return rows.map(({ name }) => name);
};
