import type { RowDataPacket } from 'mysql2';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { type ChainHead, EMPTY_HEAD } from '#core/ledger/hash-chain.ts';
import type { JobHead } from '#core/ledger/witness.ts';
import type { JobView } from '#core/view/job-view.ts';
import { jobProgress, jobStage } from '#core/view/open-items.ts';
import { waitingFor } from '#core/view/waiting-for.ts';
import { type JobSummary, jobNumberText, jobSummarySchema } from '#wire/job-summary.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';
import type { Transaction } from '../database/transaction.ts';
import { nextNumber } from './counters.ts';

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
           waits_for,
           waits_until,
           last_person,
           last_event_at
      FROM jobs
     WHERE head_sequence > 0
     ORDER BY last_event_at DESC`);
  return readableRows('job', rows, (row) =>
    jobSummarySchema.parse({
      id: row['id'],
      number: jobNumberText(row['number']),
      title: row['title'],
      stage: row['stage'],
      fastenersTotal: row['fasteners_total'],
      fastenersIn: row['fasteners_in'],
      fastenersLeftOpen: row['fasteners_left_open'],
      waiting:
        row['waits_for'] === null || row['waits_until'] === null
          ? null
          : { title: row['waits_for'], until: instantFromSql(row['waits_until']) },
      lastPerson: row['last_person'],
      lastEventAt: instantFromSql(row['last_event_at']),
    }),
  );
};

/** Makes a job's head row, and gives the job its number. */
export const insertJob = async (db: Connection, jobId: string, now: string): Promise<number> => {
  const number = await nextNumber(db, 'job');
  await db.execute(
    `
    INSERT INTO jobs (id, number, head_hash, last_event_at)
    VALUES (:jobId, :number, :hash, :now)`,
    { jobId, number, hash: EMPTY_HEAD.hash, now: instantToSql(now) },
  );
  return number;
};

const headOf = (row: RowDataPacket | undefined): ChainHead | null =>
  row ? { sequence: row['head_sequence'], hash: row['head_hash'] } : null;

/** The head of a job's chain, its row locked until the transaction ends; null when there is no such job. */
export const lockHead = async (db: Connection, jobId: string): Promise<ChainHead | null> => {
  const [rows] = await db.query<RowDataPacket[]>(
    `
    SELECT head_sequence,
           head_hash
      FROM jobs
     WHERE id = :jobId
       FOR UPDATE`,
    { jobId },
  );
  return headOf(rows[0]);
};

/** The head of a job's chain as it is now; null when there is no such job. */
export const selectHead = async (db: Connection, jobId: string): Promise<ChainHead | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT head_sequence,
           head_hash
      FROM jobs
     WHERE id = :jobId`,
    { jobId },
  );
  return headOf(rows[0]);
};

/** The head of every job that has events, with the job's number. */
export const selectHeads = async (db: Connection): Promise<readonly JobHead[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT id,
           number,
           head_sequence,
           head_hash
      FROM jobs
     WHERE head_sequence > 0
     ORDER BY number`);
  return rows.map((row) => ({
    job: row['id'],
    number: row['number'],
    sequence: row['head_sequence'],
    hash: row['head_hash'],
  }));
};

const summaryOf = (last: Pick<LedgerEvent, 'job' | 'person' | 'serverTime'>, state: JobView) => {
  const progress = jobProgress(state);
  const waiting = waitingFor(state);
  return {
    job: last.job,
    title: state.plan.title,
    stage: jobStage(state),
    total: progress.total,
    inAcceptance: progress.inAcceptance,
    leftOpen: progress.leftOpen,
    waitsFor: waiting?.title ?? null,
    waitsUntil: waiting ? instantToSql(waiting.until) : null,
    person: last.person.name,
    lastEventAt: instantToSql(last.serverTime),
  };
};

const SUMMARY = `title = :title,
           stage = :stage,
           fasteners_total = :total,
           fasteners_in = :inAcceptance,
           fasteners_left_open = :leftOpen,
           waits_for = :waitsFor,
           waits_until = :waitsUntil,
           last_person = :person,
           last_event_at = :lastEventAt`;

/** Moves a job's head to its last event, and writes what lists show of it in the same stroke. */
export const updateHead = (db: Transaction, last: LedgerEvent, state: JobView): void => {
  db.write(
    `
    UPDATE jobs
       SET head_sequence = :sequence,
           head_hash = :hash,
           ${SUMMARY}
     WHERE id = :job`,
    { sequence: last.sequence, hash: last.hash, ...summaryOf(last, state) },
  );
};

/** Writes what lists show of a job after its last event; its head stays where it is. */
export const updateSummary = (
  db: Transaction,
  last: Pick<LedgerEvent, 'job' | 'person' | 'serverTime'>,
  state: JobView,
): void => {
  db.write(
    `
    UPDATE jobs
       SET ${SUMMARY}
     WHERE id = :job`,
    summaryOf(last, state),
  );
};

/** Clears what lists show of every job; heads stay where they are. */
export const clearSummaries = async (db: Connection): Promise<void> => {
  await db.execute(`
    UPDATE jobs
       SET title = '',
           stage = 'planned',
           fasteners_total = 0,
           fasteners_in = 0,
           fasteners_left_open = 0,
           waits_for = NULL,
           waits_until = NULL,
           last_person = ''`);
};

/** The ids of all jobs that have events, for rebuilding what lists show. */
export const selectJobIds = async (db: Connection): Promise<readonly string[]> => {
  const [rows] = await db.execute<RowDataPacket[]>('SELECT id FROM jobs ORDER BY number');
  return rows.map((row) => row['id'] as string);
};
