import type { RowDataPacket } from 'mysql2';
import { type LogEntry, logEntrySchema } from '#wire/book.ts';
import type { Asker } from '../asker.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';

/** What the log keeps. */
export type LogKind =
  | 'site-changed'
  | 'source-changed'
  | 'conflict-decided'
  | 'tool-changed'
  | 'tool-loan'
  | 'tool-override'
  | 'recall-decided';

/** Adds an entry to the log, which nobody can change. */
export const insertLogEntry = async (
  db: Connection,
  entry: {
    readonly at: string;
    readonly by: Asker;
    readonly kind: LogKind;
    readonly subject: string;
    readonly why: string;
    readonly body: unknown;
  },
): Promise<void> => {
  await db.execute(
    `
    INSERT INTO site_log (at, person_id, person_name, kind, subject, why, body)
    VALUES (:at, :personId, :personName, :kind, :subject, :why, :body)`,
    {
      at: instantToSql(entry.at),
      personId: entry.by.id,
      personName: entry.by.name,
      kind: entry.kind,
      subject: entry.subject,
      why: entry.why,
      body: JSON.stringify(entry.body),
    },
  );
};

/** Every entry of a kind, of one subject or all, the newest first. */
export const selectLog = async (
  db: Connection,
  kind: LogKind,
  subject: string | null,
): Promise<readonly LogEntry[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT at,
           person_name,
           kind,
           subject,
           why,
           body
      FROM site_log
     WHERE kind = :kind
       AND (:subject IS NULL OR subject = :subject)
     ORDER BY at DESC, id DESC`,
    { kind, subject },
  );
  return rows.map((row) =>
    logEntrySchema.parse({
      at: instantFromSql(row['at']),
      by: row['person_name'],
      kind: row['kind'],
      subject: row['subject'],
      why: row['why'],
      body: JSON.parse(row['body']),
    }),
  );
};
