import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { call } from '#client/api.ts';
import { happeningNow } from '#client/happen.ts';
import { type OutboxNews, onNews, tellNews } from '#client/outbox/news.ts';
import { keepEvent, type OutboxEntry, readOutbox } from '#client/outbox/store.ts';
import { Fault } from '#core/fault.ts';
import type { JobEvent, JobHappening, Person, UnplacedEvent } from '#core/job/event.ts';
import { foldJob, nextJobState } from '#core/job/next-state.ts';
import type { JobRefusal } from '#core/job/refusal.ts';
import type { JobState } from '#core/job/state.ts';
import type { Result } from '#core/result.ts';
import { OPERATIONS } from '#wire/api.ts';
import { type ProblemDetails, problemDetails } from '#wire/problems/problem-details.ts';

export type OpenJob = {
  /** The server's events and this device's unsent ones, folded. */
  readonly state: JobState;
  /** How many events of this job wait on this device. */
  readonly waiting: number;
  /** Whether sending is held up, and by what. */
  readonly stuck: Extract<OutboxNews, { kind: 'stuck' }>['because'] | null;
  readonly refusedEntries: readonly OutboxEntry[];
  /** How many entries of the outbox are of a form that can't be read any more. */
  readonly unreadable: number;
  /** Whether what waited on this device since before has been read. */
  readonly isReady: boolean;
  /** The device could not store an event. */
  readonly storageProblem: ProblemDetails | null;
  /** Lets something happen to the job: folded here at once, kept on this device, sent behind. */
  readonly happen: (happening: JobHappening) => Result<JobState, JobRefusal>;
  /** Takes events the server has just placed, as after a signature. */
  readonly take: (events: readonly JobEvent[]) => void;
};

type Known = {
  readonly confirmed: readonly JobEvent[];
  readonly pending: readonly UnplacedEvent[];
  readonly state: JobState;
};

const folded = (confirmed: readonly JobEvent[], pending: readonly UnplacedEvent[]): Known => {
  const base = foldJob(confirmed);
  if (!base.ok) throw new Fault(`the job does not fold: ${JSON.stringify(base.refusal)}`);
  const placed = new Set(confirmed.map(({ id }) => id));
  let state = base.value;
  const kept: UnplacedEvent[] = [];
  for (const event of pending) {
    if (placed.has(event.id)) continue;
    const next = nextJobState(state, event);
    // An unsent event that no longer fits is the server's to refuse; until it answers, it does not count here.
    if (next.ok) state = next.value;
    kept.push(event);
  }
  return { confirmed, pending: kept, state };
};

const withPlaced = (known: Known, events: readonly JobEvent[]): Known => {
  const have = new Set(known.confirmed.map(({ id }) => id));
  const fresh = events.filter(({ id }) => !have.has(id));
  if (fresh.length === 0) return known;
  const confirmed = [...known.confirmed, ...fresh].sort((a, b) => a.sequence - b.sequence);
  const isInOrder = fresh.every(({ id }, index) => known.pending[index]?.id === id);
  // The usual case: the server placed what this device had folded already, so nothing has to be folded again.
  if (isInOrder) return { ...known, confirmed, pending: known.pending.slice(fresh.length) };
  return folded(confirmed, known.pending);
};

/** How long the first look at the server may hold up the bench: without a network the work goes on. */
const CATCH_UP_MS = 1_000;

const hasGap = (events: readonly JobEvent[]): boolean =>
  events.some(({ sequence }, index) => sequence !== index + 1);

/** A job on this device: the server's events with this device's own unsent ones, kept up to date with the outbox. */
export const useJob = (jobId: string, events: readonly JobEvent[], person: Person): OpenJob => {
  const [known, setKnown] = useState<Known>(() => folded(events, []));
  const latest = useRef(known);
  const [entries, setEntries] = useState<readonly OutboxEntry[]>([]);
  const [unreadable, setUnreadable] = useState(0);
  const [isReady, setReady] = useState(false);
  const [stuck, setStuck] = useState<OpenJob['stuck']>(null);
  const [storageProblem, setStorageProblem] = useState<ProblemDetails | null>(null);

  const change = useCallback((next: Known): void => {
    latest.current = next;
    setKnown(next);
  }, []);

  const readWaiting = useCallback(async (): Promise<readonly OutboxEntry[]> => {
    const outbox = await readOutbox();
    const mine = outbox.entries.filter(({ event }) => event.job === jobId);
    setEntries(mine);
    setUnreadable(outbox.unreadable.length);
    return mine;
  }, [jobId]);

  const refold = useCallback(async (): Promise<void> => {
    const stored = await readWaiting();
    const storedIds = new Set(stored.map(({ event }) => event.id));
    const queued = stored.filter(({ state }) => state === 'queued').map(({ event }) => event);
    // What happened while the store was being read is not in it yet.
    const unstored = latest.current.pending.filter(({ id }) => !storedIds.has(id));
    change(folded(latest.current.confirmed, [...queued, ...unstored]));
  }, [change, readWaiting]);

  const take = useCallback(
    (placed: readonly JobEvent[]): void => {
      const next = withPlaced(latest.current, placed);
      change(next);
      if (!hasGap(next.confirmed)) return;
      // Another device wrote between: fetch what is missing, then fold all of it in order.
      void call(OPERATIONS.jobEvents, undefined, { job: jobId }).then((answer) => {
        if (answer.ok) change(folded(answer.value, latest.current.pending));
      });
    },
    [change, jobId],
  );

  const catchUp = useCallback(async (): Promise<void> => {
    const after = String(latest.current.confirmed.at(-1)?.sequence ?? 0);
    const answer = await call(OPERATIONS.jobEvents, undefined, { job: jobId, after });
    if (answer.ok) take(answer.value);
  }, [jobId, take]);

  useEffect(() => {
    // What the page before this one sent may have been placed after this page's events were read and before the outbox was.
    const patience = new Promise<void>((resolve) => setTimeout(resolve, CATCH_UP_MS));
    void refold()
      .then(() => Promise.race([catchUp(), patience]))
      .then(() => setReady(true));
    const onFocus = (): void => void catchUp();
    window.addEventListener('focus', onFocus);
    const stopListening = onNews((news) => {
      if (news.kind === 'stuck') setStuck(news.because);
      if (news.kind === 'placed') {
        setStuck(null);
        take(news.events.filter(({ job }) => job === jobId));
      }
      if (news.kind === 'refused') void refold();
      else void readWaiting();
    });
    return () => {
      stopListening();
      window.removeEventListener('focus', onFocus);
    };
  }, [catchUp, jobId, readWaiting, refold, take]);

  const happen = useCallback(
    (happening: JobHappening): Result<JobState, JobRefusal> => {
      const event = happeningNow(jobId, person, happening);
      const next = nextJobState(latest.current.state, event);
      if (!next.ok) return next;
      const { confirmed, pending } = latest.current;
      change({ confirmed, pending: [...pending, event], state: next.value });
      keepEvent(event).then(
        () => tellNews({ kind: 'kept' }),
        () => setStorageProblem(problemDetails({ code: 'device-storage-failed' })),
      );
      return next;
    },
    [change, jobId, person],
  );

  const refusedEntries = useMemo(() => entries.filter(({ state }) => state === 'refused'), [entries]);
  return {
    state: known.state,
    waiting: known.pending.length,
    stuck,
    refusedEntries,
    unreadable,
    isReady,
    storageProblem,
    happen,
    take,
  };
};
