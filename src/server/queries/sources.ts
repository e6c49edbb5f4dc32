import type { RowDataPacket } from 'mysql2';
import type { Source } from '#core/spec/book/source.ts';
import { sourceSchema } from '#core/spec/book/source.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';

const sourceOf = (row: RowDataPacket): Source =>
  sourceSchema.parse({
    id: row['id'],
    title: row['title'],
    kind: row['kind'],
    number: row['number'],
    revision: row['revision'],
    datedOn: row['dated_on'] ?? '',
    place: row['place'],
    status: row['status'],
    supersededBy: row['superseded_by'],
  });

/** Every source of the book, current ones first. */
export const selectSources = async (db: Connection): Promise<readonly Source[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT id,
           title,
           kind,
           number,
           revision,
           dated_on,
           place,
           status,
           superseded_by
      FROM sources
     ORDER BY status, title, revision`);
  return readableRows('source', rows, sourceOf);
};

/** A source by its id; null when there is none. */
export const selectSource = async (db: Connection, id: string): Promise<Source | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT id,
           title,
           kind,
           number,
           revision,
           dated_on,
           place,
           status,
           superseded_by
      FROM sources
     WHERE id = :id`,
    { id },
  );
  return rows[0] ? sourceOf(rows[0]) : null;
};

/** Adds a source, or changes the one with its id. */
export const putSource = async (db: Connection, source: Source): Promise<void> => {
  await db.execute(
    `
    INSERT INTO sources (id, title, kind, number, revision, dated_on, place, status, superseded_by)
    VALUES (:id, :title, :kind, :number, :revision, :datedOn, :place, :status, :supersededBy)
    ON DUPLICATE KEY UPDATE
           title = VALUES(title),
           kind = VALUES(kind),
           number = VALUES(number),
           revision = VALUES(revision),
           dated_on = VALUES(dated_on),
           place = VALUES(place),
           status = VALUES(status),
           superseded_by = VALUES(superseded_by)`,
    { ...source, datedOn: source.datedOn || null },
  );
};
