import Papa from 'papaparse';
import { Fault } from '#core/fault.ts';
import type { JobEvent } from '#core/job/event.ts';
import { foldJob } from '#core/job/next-state.ts';
import type { JobState } from '#core/job/state.ts';
import { sealed } from '#core/ledger/seal.ts';
import { jobRecord, recordText } from '#core/record/job-record.ts';
import { pullRows } from '#core/record/pull-rows.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { database } from '../database/pool.ts';
import { selectEvents } from '../queries/events.ts';
import { selectSealingKey, selectSite } from '../queries/site.ts';
import { now } from './clock.ts';

type Folded = { readonly events: readonly JobEvent[]; readonly state: JobState; readonly last: JobEvent };

const foldedJob = async (jobId: string): Promise<Result<Folded, Problem>> => {
  const events = await selectEvents(database(), jobId, 0);
  const last = events.at(-1);
  if (!last) return refused({ code: 'not-found', what: 'job' });
  const folded = foldJob(events);
  if (!folded.ok)
    throw new Fault(`the events of job ${jobId} do not fold: ${JSON.stringify(folded.refusal)}`);
  return accepted({ events, state: folded.value, last });
};

/** A file to be saved. */
export type ExportedFile = { readonly name: string; readonly type: string; readonly text: string };

/** The whole record of a job, sealed now. Refuses: not-found. */
export const exportRecord = async (jobId: string): Promise<Result<ExportedFile, Problem>> => {
  const folded = await foldedJob(jobId);
  if (!folded.ok) return folded;
  const { events, state, last } = folded.value;
  const { name: site } = await selectSite(database());
  const seal = sealed(
    { site, job: jobId, headSequence: last.sequence, headHash: last.hash, sealedAt: now() },
    await selectSealingKey(database()),
  );
  return accepted({
    name: `jentik-job-${state.plan.number}.json`,
    type: 'application/json',
    text: recordText(jobRecord(state, events, seal)),
  });
};

/** The pulls of a job as CSV (RFC 4180), a line each, voided ones too. Refuses: not-found. */
export const exportPulls = async (jobId: string): Promise<Result<ExportedFile, Problem>> => {
  const folded = await foldedJob(jobId);
  if (!folded.ok) return folded;
  const { events, state } = folded.value;
  return accepted({
    name: `jentik-pulls-${state.plan.number}.csv`,
    type: 'text/csv',
    // A label that starts with = would run as a formula in a spreadsheet.
    text: `${Papa.unparse([...pullRows(state, events)], { escapeFormulae: true, newline: '\r\n' })}\r\n`,
  });
};
