import { z } from 'zod';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { dueAgainAt } from '#core/job/due-again.ts';
import type { JobPlan } from '#core/job/plan.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { sha256Hex } from '#core/text-hash.ts';
import type { Interval, NextJob } from '#wire/interval.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { type ContactOf, unknownContact } from '../append/append-events.ts';
import { caughtUp } from '../append/remembered-job.ts';
import type { Asker } from '../asker.ts';
import { database } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import { selectJobSummaries } from '../queries/jobs.ts';
import { selectLastJobOn } from '../queries/part-events.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { selectWritten } from '../queries/written.ts';
import { openAsBefore } from './begin-from-plan.ts';
import { now } from './clock.ts';

const intervalBody = z.strictObject({ code: z.string(), name: z.string(), days: z.int().nullable() });

/** A log's subject is plain ASCII; a code on a machine may be anything. */
const subjectOf = (code: string): string => sha256Hex(code);

/** Says how often a machine is tightened again, or that it no longer is. Refuses: not-found (no job was planned on it). */
export const setMachineInterval = async (
  code: string,
  days: number | null,
  by: Asker,
): Promise<Result<null, Problem>> => {
  const last = await selectLastJobOn(database(), code);
  if (!last) return refused({ code: 'not-found', what: 'job' });
  return inTransaction(async (db) => {
    await insertLogEntry(db, {
      at: now(),
      by,
      kind: 'interval-set',
      subject: subjectOf(code),
      why: '',
      body: { code, name: last.name, days },
    });
    return accepted(null);
  });
};

/** Every machine that is tightened again and again, the one due first first. */
export const intervals = async (code: string | null = null): Promise<readonly Interval[]> => {
  const db = database();
  const written = await selectWritten(db, 'interval-set', code === null ? null : subjectOf(code));
  const standing = written.flatMap(({ body, changedBy }) => {
    const read = intervalBody.safeParse(body);
    return read.success && read.data.days !== null
      ? [{ ...read.data, days: read.data.days, setBy: changedBy }]
      : [];
  });
  if (standing.length === 0) return [];
  const jobs = new Map((await selectJobSummaries(db)).map((job) => [job.id, job]));
  const at = now();
  const found: Interval[] = [];
  for (const each of standing) {
    const last = await selectLastJobOn(db, each.code);
    const job = last && jobs.get(last.job);
    if (!job) continue;
    const isSigned = job.stage === 'done' || job.stage === 'inspected';
    const dueAt = dueAgainAt(job.lastEventAt, each.days);
    const { id, number, title } = job;
    found.push({ ...each, job: { id, number, title, isSigned }, dueAt, isDue: isSigned && dueAt <= at });
  }
  return found.sort((a, b) => a.dueAt.localeCompare(b.dueAt));
};

const planAgain = ({ title, source, asset, groups, fasteners }: JobPlan) => ({
  title,
  source,
  asset,
  groups,
  fasteners,
});

/** Opens the next job of a machine with the plan of the one it was worked on last, on the same parts. Idempotent by event id.
 *  Refuses: not-found, ledger-broken, event-id-used, and what decide refuses. */
export const openNextJob = async (
  code: string,
  { jobId, eventId, deviceTime }: NextJob,
  by: Asker,
  contactOf: ContactOf = unknownContact,
): Promise<Result<LedgerEvent, Problem>> => {
  const last = await selectLastJobOn(database(), code);
  if (!last) return refused({ code: 'not-found', what: 'job' });
  const job = await caughtUp(database(), last.job);
  if (!job.ok) return job;
  const { view } = job.value;
  if (!view) return refused({ code: 'not-found', what: 'job' });
  const ids = { job: jobId, event: eventId, deviceTime };
  return openAsBefore(planAgain(view.plan), ids, by, contactOf);
};
