import type { RowDataPacket } from 'mysql2';
import type { LedgerFinding } from '#wire/ledger-check.ts';
import type { Connection } from '../database/pool.ts';

/** Requirements and tables of the book whose row is not their newest revision. */
export const selectUnlikeRevisions = async (db: Connection): Promise<readonly LedgerFinding[]> => {
  const [rows] = await db.query<RowDataPacket[]>(`
    SELECT 'requirement' AS what,
           CONCAT('R-', kept.number) AS name
      FROM book_requirements AS kept
      LEFT JOIN book_requirement_revisions AS revision
             ON revision.id = kept.id AND revision.revision = kept.revision
     WHERE revision.id IS NULL
        OR revision.body <> kept.body
        OR revision.is_withdrawn <> kept.is_withdrawn
        OR revision.source_id <> kept.source_id
        OR EXISTS (SELECT 1
                     FROM book_requirement_revisions AS newer
                    WHERE newer.id = kept.id AND newer.revision > kept.revision)
    UNION ALL
    SELECT 'table',
           kept.name
      FROM book_tables AS kept
      LEFT JOIN book_table_revisions AS revision
             ON revision.id = kept.id AND revision.revision = kept.revision
     WHERE revision.id IS NULL
        OR revision.body <> kept.body
        OR revision.name <> kept.name
        OR revision.is_withdrawn <> kept.is_withdrawn
        OR revision.source_id <> kept.source_id
        OR EXISTS (SELECT 1
                     FROM book_table_revisions AS newer
                    WHERE newer.id = kept.id AND newer.revision > kept.revision)`);
  return rows.map(({ what, name }) => ({ code: 'state-differs', what, name, field: 'revision' }));
};
