import type { RowDataPacket } from 'mysql2';
import type { PartEvent } from '#core/ledger/part-events.ts';
import { jobNumberText } from '#wire/job-summary.ts';
import { type PartHistory, partEntrySchema } from '#wire/part.ts';
import { idFromBytes, idToBytes } from '../database/id-bytes.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import type { Transaction } from '../database/transaction.ts';

/** Writes down what parts went through. */
export const insertPartEvents = (db: Transaction, events: readonly PartEvent[]): void => {
  const rows = events.map(({ eventId, code, job, at, person, body }) => [
    idToBytes(eventId),
    code,
    job,
    instantToSql(at),
    person,
    JSON.stringify(body),
  ]);
  db.write(
    `
    INSERT INTO part_events (event_id, part_code, job_id, happened_at, person_name, body)
    VALUES :rows`,
    { rows },
  );
};

/** Takes out what every part went through, before it is written down again from the events. */
export const clearPartEvents = async (db: Connection): Promise<void> => {
  await db.execute('DELETE FROM part_events');
};

const MOST_ENTRIES = 500;

/** What parts went through over all jobs, the newest first, and how many entries there are of each. A part that nobody named has an empty history. */
export const selectPartHistories = async (
  db: Connection,
  codes: readonly string[],
): Promise<readonly PartHistory[]> => {
  if (codes.length === 0) return [];
  const [rows] = await db.query<RowDataPacket[]>(
    `
    SELECT part_events.part_code,
           part_events.event_id,
           part_events.job_id,
           part_events.happened_at,
           part_events.person_name,
           part_events.body,
           jobs.number,
           jobs.title
      FROM part_events
      JOIN jobs ON jobs.id = part_events.job_id
     WHERE part_events.part_code IN (:codes)
     ORDER BY part_events.happened_at DESC, part_events.event_id DESC
     LIMIT ${MOST_ENTRIES}`,
    { codes: [...codes] },
  );
  const [counts] = await db.query<RowDataPacket[]>(
    `
    SELECT part_code,
           COUNT(*) AS entries
      FROM part_events
     WHERE part_code IN (:codes)
     GROUP BY part_code`,
    { codes: [...codes] },
  );
  return codes.map((code) => ({
    code,
    total: Number(counts.find((row) => row['part_code'] === code)?.['entries'] ?? 0),
    entries: rows
      .filter((row) => row['part_code'] === code)
      .map((row) =>
        partEntrySchema.parse({
          eventId: idFromBytes(row['event_id']),
          job: { id: row['job_id'], number: jobNumberText(row['number']), title: row['title'] },
          at: instantFromSql(row['happened_at']),
          person: row['person_name'],
          body: row['body'],
        }),
      ),
  }));
};

/** The codes of every part and machine that a job named, with what it was called and when it was last touched. */
export const selectParts = async (
  db: Connection,
): Promise<readonly { readonly code: string; readonly lastAt: string; readonly jobs: number }[]> => {
  const [rows] = await db.query<RowDataPacket[]>(
    `
    SELECT part_code,
           MAX(happened_at) AS last_at,
           COUNT(DISTINCT job_id) AS jobs
      FROM part_events
     GROUP BY part_code
     ORDER BY part_code`,
  );
  return rows.map((row) => ({
    code: row['part_code'] as string,
    lastAt: instantFromSql(row['last_at']),
    jobs: Number(row['jobs']),
  }));
};

/** The job that was planned last on a machine, and what the machine is called; null where none was. */
export const selectLastJobOn = async (
  db: Connection,
  code: string,
): Promise<{ readonly job: string; readonly name: string } | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT job_id,
           body
      FROM part_events
     WHERE part_code = :code
       AND JSON_VALUE(body, '$.kind') = 'planned'
       AND JSON_VALUE(body, '$.as') = 'asset'
     ORDER BY happened_at DESC, event_id DESC
     LIMIT 1`,
    { code },
  );
  const [row] = rows;
  if (!row) return null;
  const body = typeof row['body'] === 'string' ? JSON.parse(row['body']) : row['body'];
  return { job: row['job_id'], name: body.name };
};
