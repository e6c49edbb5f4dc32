import type { RowDataPacket } from 'mysql2';
import { type LogEntry, logEntrySchema } from '#wire/book.ts';
import type { Asker } from '../asker.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';

/** What the log keeps. */
export type LogKind =
  | 'site-changed'
  | 'person-added'
  | 'person-changed'
  | 'source-added'
  | 'source-changed'
  | 'adapter-added'
  | 'restated'
  | 'signed-in'
  | 'sign-in-refused'
  | 'signed-out'
  | 'invited'
  | 'doors-opened'
  | 'token-made'
  | 'token-revoked'
  | 'sealed'
  | 'sealing-key'
  | 'ledger-broken'
  | 'ledger-checked'
  | 'backed-up'
  | 'restored'
  | 'event-set-aside'
  | 'conflict-decided'
  | 'tool-changed'
  | 'tool-loan'
  | 'tool-override'
  | 'recall-decided'
  | 'template-kept'
  | 'interval-set'
  | 'joint-kind-written';

/** Who writes down what nobody did: the site itself. */
export const THE_SITE: Pick<Asker, 'id' | 'name'> = {
  id: '00000000-0000-0000-0000-000000000000',
  name: 'Jentik',
};

/** Adds an entry to the log, which nobody can change. */
export const insertLogEntry = async (
  db: Connection,
  entry: {
    readonly at: string;
    readonly by: Pick<Asker, 'id' | 'name'>;
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
    SELECT id,
           at,
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
  return readableRows('log entry', rows, (row) =>
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

/** The entries of some kinds in the order in which they were written, each with what it says. */
export const selectStatements = async (
  db: Connection,
  kinds: readonly LogKind[],
): Promise<readonly { readonly kind: string; readonly subject: string; readonly body: unknown }[]> => {
  const [rows] = await db.query<RowDataPacket[]>(
    `
    SELECT kind,
           subject,
           body
      FROM site_log
     WHERE kind IN (:kinds)
     ORDER BY id`,
    { kinds: [...kinds] },
  );
  return rows.map((row) => ({ kind: row['kind'], subject: row['subject'], body: JSON.parse(row['body']) }));
};

/** When the log begins; null while it is empty. */
export const selectFirstEntryAt = async (db: Connection): Promise<string | null> => {
  const [rows] = await db.execute<RowDataPacket[]>('SELECT MIN(at) AS at FROM site_log');
  return rows[0]?.['at'] ? instantFromSql(rows[0]['at']) : null;
};

type SignIn = { readonly id: number; readonly at: string; readonly address: string };

/** When and from where a person signed in last, and the time before, the newest first. */
const lastSignIns = async (db: Connection, personId: string): Promise<readonly SignIn[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT id,
           at,
           JSON_VALUE(body, '$.address') AS address
      FROM site_log
     WHERE kind = 'signed-in'
       AND subject = :personId
     ORDER BY id DESC
     LIMIT 2`,
    { personId },
  );
  return rows.map(({ id, at, address }) => ({ id: Number(id), at, address: address ?? '' }));
};

/** How many wrong PINs were typed for a person between their last sign-in and the one before: elsewhere, and in the minutes before at the address they came from. */
export const countRefused = async (
  db: Connection,
  personId: string,
  ownMinutes: number,
): Promise<{ readonly elsewhere: number; readonly justBefore: number }> => {
  const [last, before] = await lastSignIns(db, personId);
  if (!last) return { elsewhere: 0, justBefore: 0 };
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT COUNT(*) AS total,
           COALESCE(SUM(
             at > :at - INTERVAL :ownMinutes MINUTE
             AND JSON_VALUE(body, '$.address') = :address), 0) AS just_before
      FROM site_log
     WHERE kind = 'sign-in-refused'
       AND subject = :personId
       AND id > :after
       AND id < :until`,
    { personId, ownMinutes, at: last.at, address: last.address, after: before?.id ?? 0, until: last.id },
  );
  const justBefore = Number(rows[0]?.['just_before']);
  return { elsewhere: Number(rows[0]?.['total']) - justBefore, justBefore };
};
