import type { RowDataPacket } from 'mysql2';
import type { Connection } from '../database/pool.ts';

/** A table that nobody may change, with the statement that reads its rows. Each row says what it is called in the chain (`ref`), what it is in words
 *  (`said`), and the hash it was linked with (`linked`, null while it is not); everything else of it is its content.
 *  `:isAll` 0 reads only rows that are not linked yet, at most `:most`. */
type CoveredTable = { readonly kind: string; readonly sql: string };

export const COVERED_TABLES: readonly CoveredTable[] = [
  {
    kind: 'site_log',
    sql: `
    SELECT CONVERT(site_log.id USING ascii) AS ref,
           CONCAT('log entry ', site_log.id, ', ', site_log.kind, ' of ', site_log.subject, ' by ', person_name) AS said,
           site_chain.content_hash AS linked,
           site_log.at,
           person_id,
           person_name,
           site_log.kind,
           subject,
           why,
           body
      FROM site_log
      LEFT JOIN site_chain ON site_chain.kind = 'site_log' AND site_chain.ref = CONVERT(site_log.id USING ascii)
     WHERE :isAll OR site_chain.sequence IS NULL
     ORDER BY site_log.id
     LIMIT :most`,
  },
  {
    kind: 'tool_events',
    sql: `
    SELECT CONVERT(tool_events.id USING ascii) AS ref,
           CONCAT(tool_events.kind, ' of tool ', COALESCE(JSON_VALUE(tool_events.body, '$.after.tool.code'), tool_id), ' by ', person_name) AS said,
           site_chain.content_hash AS linked,
           tool_id,
           tool_events.at,
           person_id,
           person_name,
           tool_events.kind,
           body
      FROM tool_events
      LEFT JOIN site_chain ON site_chain.kind = 'tool_events' AND site_chain.ref = CONVERT(tool_events.id USING ascii)
     WHERE :isAll OR site_chain.sequence IS NULL
     ORDER BY tool_events.id
     LIMIT :most`,
  },
  {
    kind: 'calibration_sessions',
    sql: `
    SELECT calibration_sessions.id AS ref,
           CONCAT('calibration of ', COALESCE(tools.code, tool_id), ' on ', done_on) AS said,
           site_chain.content_hash AS linked,
           tool_id,
           done_on,
           calibration_sessions.at,
           calibration_sessions.body
      FROM calibration_sessions
      LEFT JOIN site_chain ON site_chain.kind = 'calibration_sessions' AND site_chain.ref = calibration_sessions.id
      LEFT JOIN tools ON tools.id = tool_id
     WHERE :isAll OR site_chain.sequence IS NULL
     ORDER BY calibration_sessions.at, calibration_sessions.id
     LIMIT :most`,
  },
  {
    kind: 'book_requirement_revisions',
    sql: `
    SELECT CONCAT(revisions.id, '/', revisions.revision) AS ref,
           CONCAT('requirement R-', COALESCE(book_requirements.number, revisions.id), ', revision ', revisions.revision) AS said,
           site_chain.content_hash AS linked,
           revisions.source_id,
           revisions.is_withdrawn,
           revisions.body,
           revisions.why,
           revisions.changed_by,
           revisions.changed_at
      FROM book_requirement_revisions AS revisions
      LEFT JOIN site_chain ON site_chain.kind = 'book_requirement_revisions'
                          AND site_chain.ref = CONVERT(CONCAT(revisions.id, '/', revisions.revision) USING ascii)
      LEFT JOIN book_requirements ON book_requirements.id = revisions.id
     WHERE :isAll OR site_chain.sequence IS NULL
     ORDER BY revisions.changed_at, revisions.id, revisions.revision
     LIMIT :most`,
  },
  {
    kind: 'book_table_revisions',
    sql: `
    SELECT CONCAT(revisions.id, '/', revisions.revision) AS ref,
           CONCAT('table ', revisions.name, ', revision ', revisions.revision) AS said,
           site_chain.content_hash AS linked,
           source_id,
           place,
           is_withdrawn,
           name,
           body,
           why,
           changed_by,
           changed_at
      FROM book_table_revisions AS revisions
      LEFT JOIN site_chain ON site_chain.kind = 'book_table_revisions'
                          AND site_chain.ref = CONVERT(CONCAT(revisions.id, '/', revisions.revision) USING ascii)
     WHERE :isAll OR site_chain.sequence IS NULL
     ORDER BY changed_at, revisions.id, revisions.revision
     LIMIT :most`,
  },
  {
    kind: 'attachments',
    sql: `
    SELECT attachments.id AS ref,
           CONCAT('attachment ', name, ' of a ', owner_kind) AS said,
           site_chain.content_hash AS linked,
           owner_kind,
           owner_id,
           name,
           media_type,
           SHA2(content, 256) AS content_sha256,
           added_by,
           added_at
      FROM attachments
      LEFT JOIN site_chain ON site_chain.kind = 'attachments' AND site_chain.ref = attachments.id
     WHERE :isAll OR site_chain.sequence IS NULL
     ORDER BY added_at, attachments.id
     LIMIT :most`,
  },
];

/** A row of a covered table. */
export type CoveredRow = {
  readonly ref: string;
  readonly said: string;
  readonly linked: string | null;
  readonly content: Readonly<Record<string, unknown>>;
};

const MOST_ROWS = 4_000_000;

/** Rows of a covered table, all or those that are not linked yet. */
export const selectCovered = async (
  db: Connection,
  { sql }: CoveredTable,
  which: { readonly isAll: boolean; readonly most?: number },
): Promise<readonly CoveredRow[]> => {
  const [rows] = await db.query<RowDataPacket[]>(sql, {
    isAll: which.isAll ? 1 : 0,
    most: which.most ?? MOST_ROWS,
  });
  return rows.map(({ ref, said, linked, ...content }) => ({
    ref,
    said: said.slice(0, 200),
    linked,
    content,
  }));
};
