import type { ResultSetHeader, RowDataPacket } from 'mysql2';
import { type KeptTable, keptTableSchema } from '#wire/book.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';

const COLUMNS = 'id, revision, source_id, place, is_withdrawn, body, why, changed_by, changed_at';

const keptOf = (row: RowDataPacket): KeptTable =>
  keptTableSchema.parse({
    id: row['id'],
    revision: row['revision'],
    sourceId: row['source_id'],
    place: row['place'],
    isWithdrawn: row['is_withdrawn'] === 1,
    changedBy: row['changed_by'],
    changedAt: instantFromSql(row['changed_at']),
    why: row['why'],
    body: JSON.parse(row['body']),
  });

/** The lookup tables of the book at their newest revision, by name; of one source, or all. */
export const selectTables = async (
  db: Connection,
  sourceId: string | null,
): Promise<readonly KeptTable[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT ${COLUMNS}
      FROM book_tables
     WHERE :sourceId IS NULL
        OR source_id = :sourceId
     ORDER BY name`,
    { sourceId },
  );
  return readableRows('table', rows, keptOf);
};

/** A table at its newest revision; null when there is none. */
export const selectTable = async (db: Connection, id: string): Promise<KeptTable | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT ${COLUMNS}
      FROM book_tables
     WHERE id = :id`,
    { id },
  );
  return rows[0] ? keptOf(rows[0]) : null;
};

/** A table at one of its revisions; null when there is none such. */
export const selectTableRevision = async (
  db: Connection,
  id: string,
  revision: number,
): Promise<KeptTable | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT ${COLUMNS}
      FROM book_table_revisions
     WHERE id = :id
       AND revision = :revision`,
    { id, revision },
  );
  return rows[0] ? keptOf(rows[0]) : null;
};

const parameters = (kept: KeptTable) => ({
  id: kept.id,
  revision: kept.revision,
  sourceId: kept.sourceId,
  place: kept.place,
  isWithdrawn: kept.isWithdrawn ? 1 : 0,
  name: kept.body.name,
  body: JSON.stringify(kept.body),
  why: kept.why,
  changedBy: kept.changedBy,
  changedAt: instantToSql(kept.changedAt),
});

const insertRevision = (db: Connection, kept: KeptTable) =>
  db.execute(
    `
    INSERT INTO book_table_revisions (
      id, revision, source_id, place, is_withdrawn, name, body, why, changed_by, changed_at)
    VALUES (:id, :revision, :sourceId, :place, :isWithdrawn, :name, :body, :why, :changedBy, :changedAt)`,
    parameters(kept),
  );

/** Adds a table's first revision. */
export const insertTable = async (db: Connection, kept: KeptTable): Promise<void> => {
  await db.execute(
    `
    INSERT INTO book_tables (
      id, revision, source_id, place, is_withdrawn, name, body, why, changed_by, changed_at)
    VALUES (:id, :revision, :sourceId, :place, :isWithdrawn, :name, :body, :why, :changedBy, :changedAt)`,
    parameters(kept),
  );
  await insertRevision(db, kept);
};

/** Adds a table's next revision; false when another came first. */
export const reviseTable = async (db: Connection, kept: KeptTable): Promise<boolean> => {
  const [result] = await db.execute<ResultSetHeader>(
    `
    UPDATE book_tables
       SET revision = :revision,
           source_id = :sourceId,
           place = :place,
           is_withdrawn = :isWithdrawn,
           name = :name,
           body = :body,
           why = :why,
           changed_by = :changedBy,
           changed_at = :changedAt
     WHERE id = :id
       AND revision = :revision - 1`,
    parameters(kept),
  );
  if (result.affectedRows === 0) return false;
  await insertRevision(db, kept);
  return true;
};
