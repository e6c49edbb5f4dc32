import type { Person } from '#core/people/person.ts';
import { EVENTS_MAX, OPERATIONS } from '#wire/api.ts';
import { knownProblem } from '#wire/problems/en.ts';
import { type ProblemDetails, problemDetails } from '#wire/problems/problem-details.ts';
import { call } from '../api.ts';
import { deviceId } from '../device/id.ts';
import { deviceNow } from '../happen.ts';
import { onSignal, type SendingStuck, sendSignal } from './signals.ts';
import { forgetEntries, type OutboxEntry, quarantineEntry, readOutbox } from './store.ts';

const FIRST_RETRY_MS = 500;
const LONGEST_RETRY_MS = 30_000;

/** The entries to send next: of one job, in order, by the person who is signed in. Others wait for theirs. */
const nextBatch = (entries: readonly OutboxEntry[], person: Person): readonly OutboxEntry[] => {
  const mine = entries.filter(({ state, event }) => state === 'queued' && event.person.id === person.id);
  const job = mine[0]?.event.job;
  return mine.filter(({ event }) => event.job === job).slice(0, EVENTS_MAX);
};

type Sent = 'progress' | 'nothing' | SendingStuck;

const setAside = async (entry: OutboxEntry, problem: ProblemDetails): Promise<'progress'> => {
  await quarantineEntry(entry, problem);
  sendSignal({ kind: 'refused' });
  return 'progress';
};

const send = async (batch: readonly OutboxEntry[]): Promise<Sent> => {
  const [first] = batch;
  if (!first) return 'nothing';
  const events = batch.map(({ event }) => event);
  const answer = await call(
    OPERATIONS.appendEvents,
    { events, sentAt: deviceNow(), device: deviceId() },
    { job: first.event.job },
  );
  if (!answer.ok) {
    const { problem, retry } = answer.problem;
    if (problem.code === 'not-signed-in') return 'not-signed-in';
    if (retry) return problem.code === 'no-connection' ? problem.code : 'site-busy';
    // One event that does not fit fails its whole batch: alone, each shows whether it is the one.
    return batch.length > 1 ? send([first]) : setAside(first, answer.problem);
  }
  const { placed, refused } = answer.value;
  const placedIds = new Set(placed.map(({ id }) => id));
  await forgetEntries(batch.filter(({ event }) => placedIds.has(event.id)).map(({ seq }) => seq));
  if (placed.length > 0) sendSignal({ kind: 'placed', events: placed });
  const refusedEntry = batch.find(({ event }) => event.id === refused?.eventId);
  if (refused && refusedEntry) return setAside(refusedEntry, problemDetails(knownProblem(refused.problem)));
  return placed.length > 0 ? 'progress' : 'nothing';
};

// Two tabs would send the same entries at once. Harmless, since the server takes each once, but wasteful; where a page has no locks
// (plain http on a network) it does so.
const alone = <T>(work: () => Promise<T>): Promise<T> =>
  'locks' in navigator ? (navigator.locks.request('jentik-outbox', work) as Promise<T>) : work();

/** Sends what waits on this device for the person who is signed in, in order, again and again with a growing pause while the server
 *  can't be reached. Runs until the returned function is called. */
export const startSending = (person: Person): (() => void) => {
  let isOver = false;
  let isAgain = false;
  let isBusy = false;
  let pauseMs = FIRST_RETRY_MS;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const round = async (): Promise<void> => {
    clearTimeout(timer);
    if (isBusy) {
      isAgain = true;
      return;
    }
    isBusy = true;
    let sent: Sent = 'progress';
    try {
      while (sent === 'progress' && !isOver)
        sent = await alone(async () => send(nextBatch((await readOutbox()).entries, person)));
    } catch {
      // What waits there still waits, and is tried again like after a lost connection.
      sent = 'device-store';
    } finally {
      isBusy = false;
    }
    if (isOver) return;
    if (sent !== 'progress' && sent !== 'nothing') {
      sendSignal({ kind: 'stuck', because: sent });
      timer = setTimeout(round, pauseMs);
      pauseMs = Math.min(pauseMs * 2, LONGEST_RETRY_MS);
    } else {
      pauseMs = FIRST_RETRY_MS;
      if (isAgain) {
        isAgain = false;
        void round();
      }
    }
  };

  const stopListening = onSignal((news) => {
    if (news.kind === 'kept') void round();
  });
  const onOnline = (): void => void round();
  window.addEventListener('online', onOnline);
  void round();
  return () => {
    isOver = true;
    clearTimeout(timer);
    stopListening();
    window.removeEventListener('online', onOnline);
  };
};
