import { canonicalText } from '#core/canonical.ts';
import { untrueText } from '#core/command/claims.ts';
import type { Known } from '#core/command/known.ts';
import { type Fold, foldOn } from '#core/event/apply.ts';
import { commandOf, decide } from '#core/event/decide.ts';
import type { JobEvent, JobHappening, UnplacedEvent } from '#core/event/event.ts';
import { type LedgerEvent, lifted, liftedUnplaced, type SentEvent } from '#core/event/lifted.ts';
import { type Judgement, judgementOf } from '#core/job/pull.ts';
import { type ChainHead, type Placed, placedEvent } from '#core/ledger/hash-chain.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { JobView } from '#core/view/job-view.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Asker } from '../asker.ts';
import { type Connection, database } from '../database/pool.ts';
import { inTransaction, type Transaction } from '../database/transaction.ts';
import { project } from '../projections/projections.ts';
import { insertEvents, selectEventsById } from '../queries/events.ts';
import { lockHead, updateHead } from '../queries/jobs.ts';
import { now } from '../services/clock.ts';
import { type Contact, eventClock } from './event-clock.ts';
import { inTurn } from './in-turn.ts';
import { knownToSite, readAhead, type SiteKnowledge } from './known-to-site.ts';
import { nodeSha256 } from './node-sha256.ts';
import {
  atHead,
  broughtClose,
  caughtUp,
  isFarBehind,
  type RememberedJob,
  rememberPlaced,
} from './remembered-job.ts';

/** What became of a batch: the events now in the chain, in the order sent, and the first refused one, after which none was tried. */
export type AppendResult = {
  readonly placed: readonly LedgerEvent[];
  /** The same, each as JSON writes it. */
  readonly placedTexts: readonly string[];
  readonly refused: { readonly eventId: string; readonly problem: Problem } | null;
};

/** How an event reached the site; demo data gives each event a receipt of its own. */
export type ContactOf = (event: UnplacedEvent) => Contact;

/** An event made by the site itself, or by a program that tells nothing of its clock. */
export const unknownContact = (): Contact => ({
  receivedAt: now(),
  sentAt: null,
  device: null,
  signedInAt: null,
});

/** Whether what was sent is what was placed under its id: all that a person says of it is the same. */
const isSameHappening = (sent: UnplacedEvent, kept: LedgerEvent): boolean => {
  const placed = lifted(kept);
  const of = (event: UnplacedEvent) => {
    const { id, job, deviceTime, person } = event;
    return canonicalText([id, job, deviceTime, person, commandOf(event)]);
  };
  return placed.kind === sent.kind && of(sent) === of(placed);
};

const shownWith = (event: UnplacedEvent): Judgement | null =>
  event.kind === 'pull-made' ? (event.body.shown ?? judgementOf(event.body)) : null;

/** What happens by the site's own judgement. Refuses: not-your-event, claim-untrue, and what decide refuses. */
const decidedHere = (
  view: JobView | null,
  event: UnplacedEvent,
  known: Known,
): Result<JobHappening, Problem> => {
  const { person } = known;
  const { id, name, role } = event.person;
  if (id !== person.id || name !== person.name || role !== person.role)
    return refused({ code: 'not-your-event', name });
  const untrue = untrueText(event.body);
  if (untrue) return refused({ code: 'claim-untrue', field: untrue });
  return decide(view, commandOf(event), { ...known, shown: shownWith(event) });
};

type Batch = {
  readonly job: RememberedJob;
  /** What is new in the ledger. */
  readonly placed: Placed[];
  /** What is answered: that, and what was placed before. */
  readonly answers: Pick<Placed, 'event' | 'text'>[];
  readonly fold: Fold;
  head: ChainHead;
  /** How many of the placed are on their way to the database. */
  onTheirWay: number;
};

const place = (
  batch: Batch,
  sent: UnplacedEvent,
  knowledge: SiteKnowledge,
  contact: Contact,
): Problem | null => {
  const clock = eventClock(sent.deviceTime, contact);
  const known = { ...knowledge(clock.correctedTime), at: clock.correctedTime, head: batch.head };
  const happening = decidedHere(batch.fold.view(), sent, known);
  if (!happening.ok) return happening.refusal;
  const decided = { ...sent, ...happening.value } as UnplacedEvent;
  const placed = placedEvent(decided, batch.head, { clock, serverTime: contact.receivedAt }, nodeSha256);
  const { event } = placed;
  batch.placed.push(placed);
  batch.answers.push(placed);
  batch.fold.add(event as JobEvent);
  batch.head = { sequence: event.sequence, hash: event.hash };
  return null;
};

/** What was placed before is answered as it was then. Refuses: event-id-used (something else stands under that id). */
const answerAgain = (batch: Batch, sent: UnplacedEvent, before: LedgerEvent): Problem | null => {
  if (!isSameHappening(sent, before)) return { code: 'event-id-used' };
  batch.answers.push({ event: before, text: JSON.stringify(before) });
  return null;
};

/** From how many events on a batch is written in two halves: the database is at work on the first while the second is decided. */
const TWO_HALVES = 40;

const sendPlaced = (db: Transaction, batch: Batch): void => {
  const placed = batch.placed.slice(batch.onTheirWay);
  if (placed.length > 0) insertEvents(db, placed);
  batch.onTheirWay = batch.placed.length;
};

const written = async (db: Transaction, batch: Batch): Promise<Pick<Appended, 'kept' | 'view'>> => {
  const { job, placed, fold } = batch;
  sendPlaced(db, batch);
  const view = fold.done();
  const kept = placed.map(({ event }) => event);
  const last = kept.at(-1);
  if (!last || !view) return { kept, view };
  updateHead(db, last, view);
  await project(db, { kind: 'job', before: job.view, after: view, events: kept as readonly JobEvent[] });
  return { kept, view };
};

/** The events of a batch that are in the ledger already, by their ids. One statement, and none where the job knows none of the ids. */
const placedBefore = async (
  db: Connection,
  job: RememberedJob,
  events: readonly UnplacedEvent[],
): Promise<ReadonlyMap<string, LedgerEvent>> => {
  const ids = events.flatMap(({ id }) => (job.ids.has(id) ? [id] : []));
  const kept = ids.length > 0 ? await selectEventsById(db, ids) : [];
  return new Map(kept.map((event) => [event.id, event]));
};

/** What an append leads to once it is committed: its answer, and the job to remember. */
export type Appended = {
  readonly result: AppendResult;
  readonly job: RememberedJob;
  readonly kept: readonly LedgerEvent[];
  readonly view: JobView | null;
};

/** Appends events to a job whose head the transaction has locked, until the first that is refused. The number of statements does not grow
 *  with the batch; a large one takes one more. Nothing is remembered here: the caller does it once the transaction is committed. */
export const appendToJob = async (
  db: Transaction,
  job: RememberedJob,
  events: readonly UnplacedEvent[],
  knowledge: SiteKnowledge,
  contactOf: ContactOf,
): Promise<Appended> => {
  const seen = new Map(await placedBefore(db, job, events));
  const { view, head } = job;
  const batch: Batch = { job, placed: [], answers: [], fold: foldOn(view), head, onTheirWay: 0 };
  const half = events.length < TWO_HALVES ? null : Math.floor(events.length / 2);
  let stopped: AppendResult['refused'] = null;
  for (const sent of events) {
    const before = seen.get(sent.id);
    const problem = before
      ? answerAgain(batch, sent, before)
      : place(batch, sent, knowledge, contactOf(sent));
    if (problem) {
      stopped = { eventId: sent.id, problem };
      break;
    }
    seen.set(sent.id, batch.answers.at(-1)?.event as LedgerEvent);
    if (batch.placed.length === half) sendPlaced(db, batch);
  }
  const done = await written(db, batch);
  const { answers } = batch;
  const placed = answers.map(({ event }) => event);
  const placedTexts = answers.map(({ text }) => text);
  return { result: { placed, placedTexts, refused: stopped }, job, ...done };
};

// Never answered: it sends the append round again once the job has been caught up without a lock.
const FAR_BEHIND: Problem = { code: 'job-busy' };

const DUPLICATE_KEY = 1062;

/** An id that another job has taken: found by the key it breaks, so that the usual append need not ask. */
const usedElsewhere = async (
  error: unknown,
  jobId: string,
  events: readonly UnplacedEvent[],
): Promise<AppendResult | null> => {
  if ((error as { errno?: number }).errno !== DUPLICATE_KEY) return null;
  const kept = await selectEventsById(
    database(),
    events.map(({ id }) => id),
  );
  const used = events.find(({ id }) => kept.some((event) => event.id === id && event.job !== jobId));
  return used
    ? { placed: [], placedTexts: [], refused: { eventId: used.id, problem: { code: 'event-id-used' } } }
    : null;
};

/** Appends to a job, after what this process was asked to append to it before: catches up first without a lock, locks the head, decides, writes, and remembers once it
 *  is committed. Refuses: not-found, ledger-broken. */
export const appendedTo = (
  jobId: string,
  events: readonly UnplacedEvent[],
  by: Asker,
  contactOf: ContactOf,
): Promise<Result<AppendResult, Problem>> =>
  inTurn(jobId, async () => {
    const appended = await appendedNow(jobId, events, by, contactOf);
    if (appended.ok || appended.refusal.code !== 'ledger-broken') return appended;
    // Not believed of one transaction alone: on a cluster another node may have ended it between its lock and what it read. What is broken is so the
    // second time too.
    console.error(
      `job ${jobId}: the ledger was seen broken at ${appended.refusal.sequence}; looked at again`,
    );
    return appendedNow(jobId, events, by, contactOf);
  });

const appendedNow = async (
  jobId: string,
  events: readonly UnplacedEvent[],
  by: Asker,
  contactOf: ContactOf,
  mayBeFarBehind = true,
): Promise<Result<AppendResult, Problem>> => {
  // Before the lock: what is new of the job, and what takes time to read of all that the site knows.
  const [ready, ahead] = await Promise.all([broughtClose(database(), jobId), readAhead(database(), events)]);
  if (!ready.ok) return ready;
  try {
    const done = await inTransaction(async (db): Promise<Result<Appended, Problem>> => {
      const [head, knowledge] = await Promise.all([lockHead(db, jobId), knownToSite(db, events, by, ahead)]);
      if (!head) return refused({ code: 'not-found', what: 'job' });
      // Once it was caught up and still is not near, the head speaks of events that are not there: that is said, not tried again.
      if (mayBeFarBehind && isFarBehind(ready.value, head)) return refused(FAR_BEHIND);
      const job = await atHead(db, jobId, head, ready.value);
      return job.ok ? accepted(await appendToJob(db, job.value, events, knowledge, contactOf)) : job;
    });
    if (!done.ok && done.refusal === FAR_BEHIND) {
      const caught = await caughtUp(database(), jobId);
      return caught.ok ? appendedNow(jobId, events, by, contactOf, false) : caught;
    }
    if (!done.ok) return done;
    const { result, job, kept, view } = done.value;
    rememberPlaced(jobId, job, kept, view);
    return accepted(result);
  } catch (error) {
    const used = await usedElsewhere(error, jobId, events);
    if (!used) throw error;
    // What came before the one that is taken is placed by itself, as in any batch that stops at a refusal.
    const at = events.findIndex(({ id }) => id === used.refused?.eventId);
    if (at <= 0) return accepted(used);
    const first = await appendedNow(jobId, events.slice(0, at), by, contactOf);
    return first.ok && !first.value.refused ? accepted({ ...first.value, refused: used.refused }) : first;
  }
};

/** Planning, signing and recalls have their own actions: one reads a list, one a PIN, one a calibration or the book. */
const HAVE_THEIR_ACTIONS: ReadonlySet<string> = new Set([
  'job-planned',
  'job-signed',
  'recall-noted',
  'value-recall-noted',
]);

/** Appends events that a person sends to a job, in order, in one transaction; those before a refused one stay. Idempotent by event id: an event
 *  sent again answers as it did the first time. Events of an older form are lifted. A pull that was made is recorded, with the site's own judgement.
 *  Refuses: not-found (no such job), ledger-broken; per event what decide refuses, not-your-event, claim-untrue, event-id-used, kind-not-accepted. */
export const appendEvents = async (
  jobId: string,
  sent: readonly SentEvent[],
  by: Asker,
  contact: Contact = unknownContact(),
): Promise<Result<AppendResult, Problem>> => {
  const events = sent.map(liftedUnplaced);
  const at = events.findIndex(({ kind, job }) => job !== jobId || HAVE_THEIR_ACTIONS.has(kind));
  const taken = at < 0 ? events : events.slice(0, at);
  const result = await appendedTo(jobId, taken, by, () => contact);
  const first = events[at];
  if (!result.ok || !first || result.value.refused) return result;
  const problem: Problem =
    first.job === jobId
      ? { code: 'kind-not-accepted', kind: first.kind }
      : { code: 'not-found', what: 'job' };
  return accepted({ ...result.value, refused: { eventId: first.id, problem } });
};
