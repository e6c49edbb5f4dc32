import type { Person } from '#core/people/person.ts';
import { EVENTS_MAX, JOB_OPERATIONS } from '#wire/api-jobs.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { siteDetails } from '#wire/problems/site-details.ts';
import { call } from '../api.ts';
import { deviceId } from '../device/id.ts';
import { deviceNow } from '../happen.ts';
import type { OutboxEntry } from './entry.ts';
import { keepSent } from './sent.ts';
import { onSignal, type SendingStuck, sendSignal } from './signals.ts';
import { forgetEntries, quarantineEntry, readOutbox } from './store.ts';

const FIRST_RETRY_MS = 500;
const LONGEST_RETRY_MS = 30_000;

/** The entries of a job to send next: in order, by the person who is signed in. Others wait for theirs. */
const nextBatch = (entries: readonly OutboxEntry[], person: Person, job: string): readonly OutboxEntry[] =>
  entries
    .filter(({ state, event }) => state === 'queued' && event.job === job && event.person.id === person.id)
    .slice(0, EVENTS_MAX);

type Sent = 'progress' | 'nothing' | SendingStuck;

const setAside = async (entry: OutboxEntry, problem: ProblemDetails): Promise<'progress'> => {
  await quarantineEntry(entry, problem);
  sendSignal({ kind: 'refused', job: entry.event.job, eventId: entry.event.id });
  return 'progress';
};

/** A refusal in words. They are many, and come when one is needed; where they don't, it is set aside with its code. */
const refusalDetails = async (problem: { readonly code: string }): Promise<ProblemDetails> => {
  try {
    const { knownAtWork, workDetails } = await import('#wire/problems/en-work.ts');
    return workDetails(knownAtWork(problem));
  } catch {
    return siteDetails({ code: 'fault', reference: problem.code.slice(0, 40) });
  }
};

const send = async (batch: readonly OutboxEntry[]): Promise<Sent> => {
  const [first] = batch;
  if (!first) return 'nothing';
  const events = batch.map(({ event }) => event);
  const answer = await call(
    JOB_OPERATIONS.appendEvents,
    { events, sentAt: deviceNow(), device: deviceId() },
    { job: first.event.job },
  );
  if (!answer.ok) {
    const { problem, retry } = answer.problem;
    if (problem.code === 'not-signed-in') return 'not-signed-in';
    // What is not understood says nothing of what was sent: it is asked again, and what was taken counts once.
    if (problem.code === 'answer-misshaped') return 'answer-unclear';
    if (retry) return problem.code === 'no-connection' ? problem.code : 'site-busy';
    // One event that does not fit fails its whole batch: alone, each shows whether it is the one.
    return batch.length > 1 ? send([first]) : setAside(first, answer.problem);
  }
  const { placed, refused } = answer.value;
  const placedIds = new Set(placed.map(({ id }) => id));
  const taken = batch.filter(({ event }) => placedIds.has(event.id));
  keepSent(placed);
  // Told before the disk lets go of them: that may fail, and what is placed is placed.
  if (placed.length > 0) sendSignal({ kind: 'placed', events: placed });
  await forgetEntries(taken);
  // Somebody else has signed in meanwhile, in another tab: it waits for its person, and nothing is wrong with it.
  if (refused?.problem.code === 'not-your-event') return 'not-signed-in';
  const refusedEntry = batch.find(({ event }) => event.id === refused?.eventId);
  if (refused && refusedEntry) return setAside(refusedEntry, await refusalDetails(refused.problem));
  return taken.length > 0 ? 'progress' : 'answer-unclear';
};

// Two tabs would send the same entries at once. Harmless, since the server takes each once, but wasteful; where a page has no locks
// (plain http on a network) it does so.
const alone = async <T>(job: string, work: () => Promise<T>): Promise<T> =>
  'locks' in navigator ? ((await navigator.locks.request(`jentik-outbox-${job}`, work)) as T) : work();

/** Sends what waits of one job, again and again with a growing pause while it can't be. Whatever fails, it never stops by itself. */
const jobSender = (job: string, person: Person): { readonly wake: () => void; readonly stop: () => void } => {
  let isOver = false;
  let isAgain = false;
  let isBusy = false;
  let pauseMs = FIRST_RETRY_MS;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const sentAll = async (): Promise<Sent> => {
    try {
      let sent: Sent = 'progress';
      while (sent === 'progress' && !isOver)
        sent = await alone(job, async () => send(nextBatch((await readOutbox()).entries, person, job)));
      return sent;
    } catch {
      // What waits there still waits, and is tried again like after a lost connection.
      return 'device-store';
    }
  };

  const round = async (): Promise<void> => {
    clearTimeout(timer);
    if (isBusy) {
      isAgain = true;
      return;
    }
    isBusy = true;
    const sent = await sentAll();
    isBusy = false;
    if (isOver) return;
    if (sent !== 'progress' && sent !== 'nothing') {
      timer = setTimeout(() => void round(), pauseMs);
      pauseMs = Math.min(pauseMs * 2, LONGEST_RETRY_MS);
      sendSignal({ kind: 'stuck', because: sent, job });
      return;
    }
    pauseMs = FIRST_RETRY_MS;
    if (!isAgain) return;
    isAgain = false;
    void round();
  };
  return {
    wake: () => void round(),
    stop: () => {
      isOver = true;
      clearTimeout(timer);
    },
  };
};

/** Sends what waits on this device for the person who is signed in, each job by itself and in its order: one that can't be sent holds up no other. Runs until the
 *  returned function is called. */
export const startSending = (person: Person): (() => void) => {
  const senders = new Map<string, ReturnType<typeof jobSender>>();
  let isOver = false;

  const look = async (): Promise<void> => {
    const { entries, isWhole } = await readOutbox();
    if (isOver) return;
    if (!isWhole) sendSignal({ kind: 'stuck', because: 'device-store', job: null });
    const mine = entries.filter(({ state, event }) => state === 'queued' && event.person.id === person.id);
    for (const job of new Set(mine.map(({ event }) => event.job))) {
      const sender = senders.get(job) ?? jobSender(job, person);
      senders.set(job, sender);
      sender.wake();
    }
    // A store that gave nothing out may do so later: what waits in it is not forgotten.
    if (!isWhole) setTimeout(() => void (isOver || look()), LONGEST_RETRY_MS / 10);
  };

  const stopListening = onSignal((news) => {
    if (news.kind === 'kept') void look();
  });
  const onOnline = (): void => void look();
  window.addEventListener('online', onOnline);
  void look();
  return () => {
    isOver = true;
    for (const { stop } of senders.values()) stop();
    stopListening();
    window.removeEventListener('online', onOnline);
  };
};
