import type { ResultSetHeader, RowDataPacket } from 'mysql2';
import type { JobEvent } from '#core/job/event.ts';
import { jobProgress, jobStage } from '#core/job/open-items.ts';
import type { JobState } from '#core/job/state.ts';
import { type ChainHead, EMPTY_HEAD } from '#core/ledger/hash-chain.ts';
import { type JobSummary, jobNumberText, jobSummarySchema } from '#wire/job-summary.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';

/** Every job, the one worked on last first. */
export const selectJobSummaries = async (db: Connection): Promise<readonly JobSummary[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT id,
           number,
           title,
           stage,
           fasteners_total,
           fasteners_in,
           fasteners_left_open,
           last_person,
           last_event_at
      FROM jobs
     WHERE head_sequence > 0
     ORDER BY last_event_at DESC`);
  return rows.map((row) =>
    jobSummarySchema.parse({
      id: row['id'],
      number: jobNumberText(row['number']),
      title: row['title'],
      stage: row['stage'],
      fastenersTotal: row['fasteners_total'],
      fastenersIn: row['fasteners_in'],
      fastenersLeftOpen: row['fasteners_left_open'],
      lastPerson: row['last_person'],
      lastEventAt: instantFromSql(row['last_event_at']),
    }),
  );
};

/** Makes a job's head row and gives the job its number. */
export const insertJob = async (db: Connection, jobId: string, now: string): Promise<number> => {
  const [result] = await db.execute<ResultSetHeader>(
    `
    INSERT INTO jobs (id, head_hash, last_event_at)
    VALUES (:jobId, :hash, :now)`,
    { jobId, hash: EMPTY_HEAD.hash, now: instantToSql(now) },
  );
  return result.insertId;
};

/** The head of a job's chain, its row locked until the transaction ends; null when there is no such job. */
export const lockHead = async (db: Connection, jobId: string): Promise<ChainHead | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT head_sequence,
           head_hash
      FROM jobs
     WHERE id = :jobId
       FOR UPDATE`,
    { jobId },
  );
  return rows[0] ? { sequence: rows[0]['head_sequence'], hash: rows[0]['head_hash'] } : null;
};

/** Moves a job's head to its last event and writes what lists show of its state. */
export const updateHead = async (db: Connection, last: JobEvent, state: JobState): Promise<void> => {
  const progress = jobProgress(state);
  await db.execute(
    `
    UPDATE jobs
       SET head_sequence = :sequence,
           head_hash = :hash,
           title = :title,
           stage = :stage,
           fasteners_total = :total,
           fasteners_in = :inAcceptance,
           fasteners_left_open = :leftOpen,
           last_person = :person,
           last_event_at = :lastEventAt
     WHERE id = :jobId`,
    {
      jobId: last.job,
      sequence: last.sequence,
      hash: last.hash,
      title: state.plan.title,
      stage: jobStage(state),
      total: progress.total,
      inAcceptance: progress.inAcceptance,
      leftOpen: progress.leftOpen,
      person: last.person.name,
      lastEventAt: instantToSql(last.serverTime),
    },
  );
};

/** The ids of all jobs, for rebuilding what lists show. */
export const selectJobIds = async (db: Connection): Promise<readonly string[]> => {
  const [rows] = await db.execute<RowDataPacket[]>('SELECT id FROM jobs WHERE head_sequence > 0');
  return rows.map((row) => row['id'] as string);
};
