import type { RowDataPacket } from 'mysql2';
import type { LedgerEvent } from '#core/event/lifted.ts';
import type { Placed } from '#core/ledger/hash-chain.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import type { Transaction } from '../database/transaction.ts';

// What somebody made unreadable stays as it is: its hash does not fit, and whoever checks the chain names the event.
const read = (text: string) => {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
};

// What is in the ledger was checked when it came in, and its hash says whether it is still that; its form is not judged again here.
// Keys stand in canonical order, in which clock and body are kept: what is hashed is then read off without putting it in order again.
const eventOf = (row: RowDataPacket): LedgerEvent => ({
  body: read(row['body']),
  ...(row['clock'] === null ? {} : { clock: read(row['clock']) }),
  deviceTime: instantFromSql(row['device_time']),
  hash: row['hash'],
  id: row['id'],
  job: row['job_id'],
  kind: row['kind'],
  person: { id: row['person_id'], name: row['person_name'], role: row['person_role'] },
  previousHash: row['previous_hash'],
  schemaVersion: row['schema_version'],
  sequence: row['sequence'],
  serverTime: instantFromSql(row['server_time']),
});

const COLUMNS = `
           job_id,
           sequence,
           id,
           schema_version,
           kind,
           device_time,
           server_time,
           person_id,
           person_name,
           person_role,
           clock,
           body,
           previous_hash,
           hash`;

/** A job's events after a sequence, in their order. */
export const selectEvents = async (
  db: Connection,
  jobId: string,
  after: number,
): Promise<readonly LedgerEvent[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT ${COLUMNS}
      FROM events
     WHERE job_id = :jobId
       AND sequence > :after
     ORDER BY sequence`,
    { jobId, after },
  );
  return rows.map(eventOf);
};

/** When the site placed the first of some events, each named by its job and its sequence; null where there is none of them. */
export const selectFirstTime = async (
  db: Connection,
  places: readonly (readonly [jobId: string, sequence: number])[],
): Promise<string | null> => {
  const [[row]] = await db.query<RowDataPacket[]>(
    `
    SELECT MIN(server_time) AS first
      FROM events
     WHERE (job_id, sequence) IN (:places)`,
    { places: places.map((place) => [...place]) },
  );
  return row?.['first'] ? instantFromSql(row['first']) : null;
};

/** The events of some ids, whatever their jobs. */
export const selectEventsById = async (
  db: Connection,
  ids: readonly string[],
): Promise<readonly LedgerEvent[]> => {
  const [rows] = await db.query<RowDataPacket[]>(
    `
    SELECT ${COLUMNS}
      FROM events
     WHERE id IN (:ids)`,
    { ids: [...ids] },
  );
  return rows.map(eventOf);
};

/** Adds events to the ledger, in one statement. */
export const insertEvents = (db: Transaction, placed: readonly Placed[]): void => {
  const rows = placed.map(({ event, clockText, bodyText }) => [
    event.job,
    event.sequence,
    event.id,
    event.schemaVersion,
    event.kind,
    instantToSql(event.deviceTime),
    instantToSql(event.serverTime),
    event.person.id,
    event.person.name,
    event.person.role,
    clockText,
    bodyText,
    event.previousHash,
    event.hash,
  ]);
  db.write(
    `
    INSERT INTO events (
      job_id, sequence, id, schema_version, kind, device_time, server_time,
      person_id, person_name, person_role, clock, body, previous_hash, hash)
    VALUES :rows`,
    { rows },
  );
};
