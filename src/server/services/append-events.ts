import { Fault } from '#core/fault.ts';
import type { JobEvent, Person, UnplacedEvent } from '#core/job/event.ts';
import { foldJob, nextJobState } from '#core/job/next-state.ts';
import type { JobState } from '#core/job/state.ts';
import { type ChainHead, canonicalText, placedEvent } from '#core/ledger/hash-chain.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { type Connection, inTransaction } from '../database/pool.ts';
import { insertEvent, selectEvent, selectEvents } from '../queries/events.ts';
import { replaceJobReferences } from '../queries/job-references.ts';
import { lockHead, updateHead } from '../queries/jobs.ts';
import { projectPull } from '../queries/pulls.ts';
import { referenceProblem } from './check-references.ts';
import { now } from './clock.ts';
import { indexEntries, jobEntries } from './site-search.ts';
import { toolChoiceProblem } from './tool-crib.ts';

/** What became of a batch: the events now in the chain, in the order sent, and the first refused one, after which none was tried. */
export type AppendResult = {
  readonly placed: readonly JobEvent[];
  readonly refused: { readonly eventId: string; readonly problem: Problem } | null;
};

/** The time an event is placed at; only demo data has another than now. */
export type Clock = (event: UnplacedEvent) => string;

type Standing = { readonly head: ChainHead; readonly state: JobState | null };

// A memory of what a head's events fold to. The head's hash is its key, so it can be lost or stale without harm.
const FOLDS_KEPT = 32;
const folds = new Map<string, JobState>();

const rememberFold = (head: ChainHead, state: JobState): void => {
  folds.set(head.hash, state);
  if (folds.size > FOLDS_KEPT) folds.delete(folds.keys().next().value as string);
};

const standingOf = async (db: Connection, jobId: string, head: ChainHead): Promise<Standing> => {
  if (head.sequence === 0) return { head, state: null };
  const known = folds.get(head.hash);
  if (known) return { head, state: known };
  const folded = foldJob(await selectEvents(db, jobId, 0));
  if (!folded.ok)
    throw new Fault(`the events of job ${jobId} do not fold: ${JSON.stringify(folded.refusal)}`);
  return { head, state: folded.value };
};

const isSameHappening = (sent: UnplacedEvent, placed: JobEvent): boolean => {
  const { sequence: _s, serverTime: _t, previousHash: _p, hash: _h, ...unplaced } = placed;
  return canonicalText(unplaced) === canonicalText(sent);
};

const entitlement = async (db: Connection, event: UnplacedEvent, by: Person): Promise<Problem | null> => {
  const { id, name } = event.person;
  if (id !== by.id || name !== by.name || event.person.role !== by.role)
    return { code: 'not-your-event', name };
  if (event.kind === 'requirement-moved') return referenceProblem(db, [event.body]);
  return event.kind === 'tool-chosen' ? toolChoiceProblem(db, event) : null;
};

const appendOne = async (
  db: Connection,
  standing: Standing,
  event: UnplacedEvent,
  by: Person,
  clock: Clock,
): Promise<Result<{ readonly placed: JobEvent; readonly standing: Standing }, Problem>> => {
  const before = await selectEvent(db, event.id);
  if (before)
    return isSameHappening(event, before)
      ? accepted({ placed: before, standing })
      : refused({ code: 'event-id-used' });
  const problem = await entitlement(db, event, by);
  if (problem) return refused(problem);
  const state = nextJobState(standing.state, event);
  if (!state.ok) return state;
  const placed = placedEvent(event, standing.head, clock(event));
  await insertEvent(db, placed);
  await projectPull(db, placed);
  if (placed.kind === 'job-planned') {
    const { number, title, fasteners } = placed.body;
    await indexEntries(
      db,
      'job',
      placed.job,
      jobEntries({ id: placed.job, number, title, fastenersTotal: fasteners.length }),
    );
  }
  const head = { sequence: placed.sequence, hash: placed.hash };
  return accepted({ placed, standing: { head, state: state.value } });
};

/** Appends events to a job whose head row the transaction has locked, until the first that is refused. */
export const appendInTransaction = async (
  db: Connection,
  jobId: string,
  head: ChainHead,
  events: readonly UnplacedEvent[],
  by: Person,
  clock: Clock = now,
): Promise<AppendResult> => {
  let standing = await standingOf(db, jobId, head);
  const placed: JobEvent[] = [];
  let stopped: AppendResult['refused'] = null;
  for (const event of events) {
    const result: Awaited<ReturnType<typeof appendOne>> =
      event.job === jobId
        ? await appendOne(db, standing, event, by, clock)
        : refused({ code: 'not-found', what: 'job' });
    if (!result.ok) {
      stopped = { eventId: event.id, problem: result.refusal };
      break;
    }
    placed.push(result.value.placed);
    standing = result.value.standing;
  }
  if (standing.state && standing.head.sequence > head.sequence) {
    const last = placed.find(({ sequence }) => sequence === standing.head.sequence) as JobEvent;
    await updateHead(db, last, standing.state);
    if (placed.some(({ kind }) => kind === 'job-planned' || kind === 'requirement-moved'))
      await replaceJobReferences(db, standing.state);
    rememberFold(standing.head, standing.state);
  }
  return { placed, refused: stopped };
};

/** Appends events of a person to a job, in order, in one transaction; those before a refused one stay. Idempotent by event id: an event
 *  sent again answers as it did the first time. Refuses: not-found (no such job); per event what the fold refuses and
 *  not-your-event, tool-changed, event-id-used, kind-not-accepted. */
export const appendEvents = (
  jobId: string,
  events: readonly UnplacedEvent[],
  by: Person,
): Promise<Result<AppendResult, Problem>> =>
  inTransaction(async (db): Promise<Result<AppendResult, Problem>> => {
    const head = await lockHead(db, jobId);
    if (!head) return refused({ code: 'not-found', what: 'job' });
    // Planning and signing have their own actions: one reads a list, the other a PIN.
    const at = events.findIndex(({ kind }) => kind === 'job-planned' || kind === 'job-signed');
    const taken = at < 0 ? events : events.slice(0, at);
    const result = await appendInTransaction(db, jobId, head, taken, by);
    const first = events[at];
    if (!first || result.refused) return accepted(result);
    const problem: Problem = { code: 'kind-not-accepted', kind: first.kind };
    return accepted({ ...result, refused: { eventId: first.id, problem } });
  });
