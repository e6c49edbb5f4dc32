import type { RowDataPacket } from 'mysql2';
import type { Connection } from '../database/pool.ts';

/** Which version of each projection the database holds. */
export const selectProjectionVersions = async (db: Connection): Promise<ReadonlyMap<string, number>> => {
  const [rows] = await db.execute<RowDataPacket[]>('SELECT name, version FROM projections');
  return new Map(rows.map((row) => [row['name'] as string, row['version'] as number]));
};

/** Notes which versions the database holds now. */
export const putProjectionVersions = async (
  db: Connection,
  projections: readonly { readonly name: string; readonly version: number }[],
): Promise<void> => {
  await db.query(
    `
    INSERT INTO projections (name, version)
    VALUES :rows
    ON DUPLICATE KEY UPDATE version = VALUES(version)`,
    { rows: projections.map(({ name, version }) => [name, version]) },
  );
};
