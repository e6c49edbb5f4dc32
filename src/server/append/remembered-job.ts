import { jobViewOf } from '#core/event/apply.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { type ChainHead, EMPTY_HEAD, firstBreakAfter } from '#core/ledger/hash-chain.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { JobView } from '#core/view/job-view.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Connection } from '../database/pool.ts';
import { selectEvents } from '../queries/events.ts';
import { selectHead } from '../queries/jobs.ts';
import { witnessedHead } from '../sealing/witness-file.ts';
import { nodeSha256 } from './node-sha256.ts';

/** A job as its events up to a head leave it: every one of them fits the chain. */
export type RememberedJob = {
  readonly head: ChainHead;
  readonly view: JobView | null;
  /** The ids of its events. */
  readonly ids: Set<string>;
};

const nothing = (): RememberedJob => ({ head: EMPTY_HEAD, view: null, ids: new Set() });

// A memory of what was read and committed. The head's hash says whether it still holds, so it can be lost or stale without harm.
const JOBS_REMEMBERED = 64;
const remembered = new Map<string, RememberedJob>();

/** Keeps a job in memory; only after what it holds is committed. */
const remember = (jobId: string, job: RememberedJob): void => {
  remembered.delete(jobId);
  remembered.set(jobId, job);
  if (remembered.size > JOBS_REMEMBERED) remembered.delete(remembered.keys().next().value as string);
};

/** Adds committed events to what is remembered of a job. */
export const rememberPlaced = (
  jobId: string,
  job: RememberedJob,
  events: readonly LedgerEvent[],
  view: JobView | null,
): void => remember(jobId, withCommitted(job, events, view));

/** A job after further events that are committed, the last of which is its new head. The ids are one growing set for all that is remembered of
 *  the job: one too many in it costs a question, and nothing else. */
const withCommitted = (
  job: RememberedJob,
  events: readonly LedgerEvent[],
  view: JobView | null,
): RememberedJob => {
  const last = events.at(-1);
  if (!last) return job;
  for (const { id } of events) job.ids.add(id);
  return { head: { sequence: last.sequence, hash: last.hash }, view, ids: job.ids };
};

const readOn = async (
  db: Connection,
  jobId: string,
  from: RememberedJob,
): Promise<Result<RememberedJob, Problem>> => {
  const events = await selectEvents(db, jobId, from.head.sequence);
  const broken = firstBreakAfter(from.head, events, nodeSha256);
  if (broken) return refused({ code: 'ledger-broken', sequence: broken.sequence });
  return accepted(withCommitted(from, events, jobViewOf(events, from.view)));
};

/** Reads what is new of a job, without a lock. What it reads is committed, so it is remembered. */
export const caughtUp = async (db: Connection, jobId: string): Promise<Result<RememberedJob, Problem>> => {
  const job = await readOn(db, jobId, remembered.get(jobId) ?? nothing());
  if (job.ok) remember(jobId, job.value);
  return job;
};

/** Most events that are read while the head is locked; a job that is further behind is caught up first. */
const MOST_BEHIND = 500;

/** A job as it is remembered, or read now where it is not. What came since is read behind the lock, unless it is much. */
export const broughtClose = (db: Connection, jobId: string): Promise<Result<RememberedJob, Problem>> => {
  const job = remembered.get(jobId);
  return job ? Promise.resolve(accepted(job)) : caughtUp(db, jobId);
};

/** Whether too much came since to read it behind the lock. */
export const isFarBehind = (job: RememberedJob, head: ChainHead): boolean =>
  head.sequence - job.head.sequence > MOST_BEHIND;

const isAt = ({ head }: RememberedJob, { sequence, hash }: ChainHead): boolean =>
  head.sequence === sequence && head.hash === hash;

/** The job at its head, once the head's row is locked: only what came since it was caught up is read. A memory that does not lead to the
 *  head is given up for the whole ledger. Refuses: ledger-broken (the events do not reach the head unbroken), with the place. */
export const atHead = async (
  db: Connection,
  jobId: string,
  head: ChainHead,
  before: RememberedJob = remembered.get(jobId) ?? nothing(),
): Promise<Result<RememberedJob, Problem>> => {
  if (isAt(before, head)) return accepted(before);
  const job = before.head.sequence <= head.sequence ? await readOn(db, jobId, before) : null;
  if (job?.ok && isAt(job.value, head)) return job;
  const whole = await readOn(db, jobId, nothing());
  if (!whole.ok || isAt(whole.value, head)) return whole;
  return refused({ code: 'ledger-broken', sequence: Math.min(whole.value.head.sequence, head.sequence) + 1 });
};

/** The first event of which a ledger that is whole in itself says something else than what was witnessed of it; null when it bears it out. Chain and head
 *  can both be moved by who is root on the database; the witness lies elsewhere. */
const unlikeWitness = (events: readonly LedgerEvent[], witnessed: ChainHead | null): number | null => {
  if (!witnessed || events[witnessed.sequence - 1]?.hash === witnessed.hash) return null;
  return Math.min(events.length + 1, witnessed.sequence);
};

/** The events of a job from the first to the head, every one in its place, as they were witnessed; empty for a job that does not exist. What is sealed or
 *  signed is read like this, never from memory. Refuses: ledger-broken, with the place. */
export const wholeLedger = async (
  db: Connection,
  jobId: string,
): Promise<Result<readonly LedgerEvent[], Problem>> => {
  for (let tries = 1; ; tries += 1) {
    // Before the head is read, so that it can speak of nothing that comes later.
    const witnessed = witnessedHead(jobId);
    const head = await selectHead(db, jobId);
    if (!head) return witnessed ? refused({ code: 'ledger-broken', sequence: 1 }) : accepted([]);
    const read = await selectEvents(db, jobId, 0);
    // What was appended between the two questions is behind the head that was read.
    const events = read.filter(({ sequence }) => sequence <= head.sequence);
    const broken = firstBreakAfter(EMPTY_HEAD, events, nodeSha256);
    if (broken) return refused({ code: 'ledger-broken', sequence: broken.sequence });
    const last = events.at(-1);
    if ((last?.sequence ?? 0) === head.sequence && (last?.hash ?? EMPTY_HEAD.hash) === head.hash) {
      const sequence = unlikeWitness(events, witnessed);
      return sequence === null ? accepted(events) : refused({ code: 'ledger-broken', sequence });
    }
    if (tries > 1) return refused({ code: 'ledger-broken', sequence: (last?.sequence ?? 0) + 1 });
  }
};
