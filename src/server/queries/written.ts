import type { RowDataPacket } from 'mysql2';
import { instantFromSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import type { LogKind } from './site-log.ts';

/** What the site wrote down of a subject last, as its log keeps it: each entry is one revision. */
export type Written = {
  readonly subject: string;
  /** How many entries there are of it. */
  readonly revision: number;
  readonly changedAt: string;
  readonly changedBy: string;
  readonly body: unknown;
};

/** What stands of every subject of a kind, or of one: its newest entry in the log. The one changed last comes first. */
export const selectWritten = async (
  db: Connection,
  kind: LogKind,
  subject: string | null = null,
): Promise<readonly Written[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT site_log.subject,
           newest.revisions,
           site_log.at,
           site_log.person_name,
           site_log.body
      FROM site_log
      JOIN (SELECT MAX(id) AS id, COUNT(*) AS revisions
              FROM site_log
             WHERE kind = :kind
               AND (:subject IS NULL OR subject = :subject)
             GROUP BY subject) AS newest
        ON newest.id = site_log.id
     ORDER BY site_log.id DESC`,
    { kind, subject },
  );
  return rows.map((row) => ({
    subject: row['subject'],
    revision: Number(row['revisions']),
    changedAt: instantFromSql(row['at']),
    changedBy: row['person_name'],
    body: JSON.parse(row['body']),
  }));
};
