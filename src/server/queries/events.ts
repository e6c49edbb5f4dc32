import type { RowDataPacket } from 'mysql2';
import type { JobEvent } from '#core/job/event.ts';
import { canonicalText } from '#core/ledger/hash-chain.ts';
import { jobEventSchema } from '#wire/job-event.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';

const eventOf = (row: RowDataPacket): JobEvent =>
  jobEventSchema.parse({
    schemaVersion: row['schema_version'],
    id: row['id'],
    job: row['job_id'],
    sequence: row['sequence'],
    deviceTime: instantFromSql(row['device_time']),
    serverTime: instantFromSql(row['server_time']),
    person: { id: row['person_id'], name: row['person_name'], role: row['person_role'] },
    kind: row['kind'],
    body: JSON.parse(row['body']),
    previousHash: row['previous_hash'],
    hash: row['hash'],
  });

/** A job's events after a sequence, in their order. */
export const selectEvents = async (
  db: Connection,
  jobId: string,
  after: number,
): Promise<readonly JobEvent[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT job_id,
           sequence,
           id,
           schema_version,
           kind,
           device_time,
           server_time,
           person_id,
           person_name,
           person_role,
           body,
           previous_hash,
           hash
      FROM events
     WHERE job_id = :jobId
       AND sequence > :after
     ORDER BY sequence`,
    { jobId, after },
  );
  return rows.map(eventOf);
};

/** An event by its id, whatever its job; null when there is none. */
export const selectEvent = async (db: Connection, id: string): Promise<JobEvent | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT job_id,
           sequence,
           id,
           schema_version,
           kind,
           device_time,
           server_time,
           person_id,
           person_name,
           person_role,
           body,
           previous_hash,
           hash
      FROM events
     WHERE id = :id`,
    { id },
  );
  return rows[0] ? eventOf(rows[0]) : null;
};

/** Adds an event to the ledger. */
export const insertEvent = async (db: Connection, event: JobEvent): Promise<void> => {
  await db.execute(
    `
    INSERT INTO events (
      job_id, sequence, id, schema_version, kind, device_time, server_time,
      person_id, person_name, person_role, body, previous_hash, hash)
    VALUES (
      :job, :sequence, :id, :schemaVersion, :kind, :deviceTime, :serverTime,
      :personId, :personName, :personRole, :body, :previousHash, :hash)`,
    {
      job: event.job,
      sequence: event.sequence,
      id: event.id,
      schemaVersion: event.schemaVersion,
      kind: event.kind,
      deviceTime: instantToSql(event.deviceTime),
      serverTime: instantToSql(event.serverTime),
      personId: event.person.id,
      personName: event.person.name,
      personRole: event.person.role,
      body: canonicalText(event.body),
      previousHash: event.previousHash,
      hash: event.hash,
    },
  );
};
