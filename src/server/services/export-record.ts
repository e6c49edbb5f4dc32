import { jobViewOf } from '#core/event/apply.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { Fault } from '#core/fault.ts';
import { jobRecord, recordText } from '#core/ledger/job-record.ts';
import { pullRows } from '#core/ledger/pull-rows.ts';
import { sealed } from '#core/ledger/seal.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { csvOf } from '#core/spec/list/csv-text.ts';
import type { JobView } from '#core/view/job-view.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { wholeLedger } from '../append/remembered-job.ts';
import type { Asker } from '../asker.ts';
import { database } from '../database/pool.ts';
import { selectSite } from '../queries/site.ts';
import { insertLogEntry, THE_SITE } from '../queries/site-log.ts';
import { readKeyFile } from '../sealing/key-file.ts';
import { now } from './clock.ts';

type WholeJob = {
  readonly events: readonly LedgerEvent[];
  readonly view: JobView;
  readonly last: LedgerEvent;
};

const wholeJob = async (jobId: string): Promise<Result<WholeJob, Problem>> => {
  const events = await wholeLedger(database(), jobId);
  if (!events.ok) return events;
  const last = events.value.at(-1);
  const view = jobViewOf(events.value);
  if (!last || !view) return refused({ code: 'not-found', what: 'job' });
  return accepted({ events: events.value, view, last });
};

/** A file to be saved. */
export type ExportedFile = { readonly name: string; readonly type: string; readonly text: string };

/** The whole record of a job, its chain checked from the first event to the head and against the witness, and sealed now; the log keeps that it was, and for
 *  whom. Refuses: not-found, ledger-broken. */
export const exportRecord = async (
  jobId: string,
  by: Pick<Asker, 'id' | 'name'> = THE_SITE,
): Promise<Result<ExportedFile, Problem>> => {
  const job = await wholeJob(jobId);
  if (!job.ok) return job;
  const { view, last } = job.value;
  const { name: site } = await selectSite(database());
  const seal = sealed(
    { site, job: jobId, headSequence: last.sequence, headHash: last.hash, sealedAt: now() },
    readKeyFile().privateKey,
  );
  const record = jobRecord(job.value.events, seal);
  if (!record) throw new Fault(`the events of job ${jobId} are not of the form they say`);
  const { job: subject, sealedAt: at, ...body } = seal;
  await insertLogEntry(database(), { at, by, kind: 'sealed', subject, why: '', body });
  return accepted({
    name: `jentik-job-${view.plan.number}.json`,
    type: 'application/json',
    text: recordText(record),
  });
};

/** The pulls of a job as CSV (RFC 4180), a line each, voided ones too. Refuses: not-found, ledger-broken. */
export const exportPulls = async (jobId: string): Promise<Result<ExportedFile, Problem>> => {
  const job = await wholeJob(jobId);
  if (!job.ok) return job;
  const { events, view } = job.value;
  return accepted({
    name: `jentik-pulls-${view.plan.number}.csv`,
    type: 'text/csv',
    text: csvOf(pullRows(view, events)),
  });
};
