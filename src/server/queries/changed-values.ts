import type { RowDataPacket } from 'mysql2';
import type { BookReference } from '#core/spec/book/book-reference.ts';
import type { Connection } from '../database/pool.ts';

/** A requirement or a table of the book, by its id. */
export type ValueId = Pick<BookReference, 'kind' | 'id'>;

/** Values that jobs rest on as they no longer are: revised or withdrawn since. The one changed last comes first. */
export const selectChangedValues = async (db: Connection): Promise<readonly ValueId[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT changed.kind,
           changed.id
      FROM (SELECT 'requirement' AS kind,
                   book_requirements.id,
                   book_requirements.changed_at
              FROM book_requirements
              JOIN job_references
                ON job_references.ref_id = book_requirements.id
               AND (job_references.revision < book_requirements.revision OR book_requirements.is_withdrawn)
             UNION
            SELECT 'table' AS kind,
                   book_tables.id,
                   book_tables.changed_at
              FROM book_tables
              JOIN job_references
                ON job_references.ref_id = book_tables.id
               AND (job_references.revision < book_tables.revision OR book_tables.is_withdrawn)) AS changed
     ORDER BY changed.changed_at DESC, changed.id`);
  return rows.map((row) => ({ kind: row['kind'] === 'table' ? 'table' : 'requirement', id: row['id'] }));
};
