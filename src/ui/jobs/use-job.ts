import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { call } from '#client/api.ts';
import { happeningNow } from '#client/happen.ts';
import { onNews, type SendingStuck, tellNews } from '#client/outbox/news.ts';
import { keepEvent, type OutboxEntry, readOutbox } from '#client/outbox/store.ts';
import { markSeen, wasSeen } from '#client/seen.ts';
import { commandOf, decide, knewOf } from '#core/command/decide.ts';
import { knowingNothing } from '#core/command/known.ts';
import { applied, jobViewOf } from '#core/event/apply.ts';
import type { JobHappening, UnplacedEvent } from '#core/event/event.ts';
import { type KeptEvent, lifted } from '#core/event/lifted.ts';
import { Fault } from '#core/fault.ts';
import type { PullBody } from '#core/job/pull.ts';
import type { JobRefusal } from '#core/job/refusal.ts';
import type { SignedHead } from '#core/job/signature.ts';
import type { Person } from '#core/people/person.ts';
import { accepted, type Result } from '#core/result.ts';
import type { Outcome } from '#core/verdict/tightening-verdict.ts';
import type { JobView } from '#core/view/job-view.ts';
import { OPERATIONS } from '#wire/api.ts';
import { type ProblemDetails, problemDetails } from '#wire/problems/problem-details.ts';

/** A pull that the site judges otherwise than its person was shown. */
export type Told = {
  readonly eventId: string;
  readonly position: string;
  readonly shown: Outcome;
  readonly stands: Outcome;
  readonly objections: PullBody['objections'];
};

export type OpenJob = {
  /** The server's events and this device's unsent ones, folded. */
  readonly state: JobView;
  /** How many events of this job wait on this device. */
  readonly waiting: number;
  /** Whether sending is held up, and by what. */
  readonly stuck: SendingStuck | null;
  readonly refusedEntries: readonly OutboxEntry[];
  /** How many entries of the outbox are of a form that can't be read any more. */
  readonly unreadable: number;
  /** Whether what waited on this device since before has been read. */
  readonly isReady: boolean;
  /** The device could not store an event. */
  readonly storageProblem: ProblemDetails | null;
  /** Lets something happen to the job: folded here at once, kept on this device, sent behind. */
  readonly happen: (happening: JobHappening) => Result<JobView, JobRefusal>;
  /** Takes events the server has just placed, as after a signature. */
  readonly take: (events: readonly KeptEvent[]) => void;
  /** Fetches what others added since. */
  readonly catchUp: () => Promise<void>;
  /** Where the chain stands as far as this page knows. */
  readonly head: SignedHead;
  /** What the site judges otherwise than this person was shown, until they have seen it. */
  readonly told: readonly Told[];
  readonly seen: (eventId: string) => void;
};

type Known = {
  readonly confirmed: readonly KeptEvent[];
  readonly pending: readonly UnplacedEvent[];
  readonly state: JobView;
};

/** What an unsent event comes to on the job as it is known here now; the job as it is where it no longer fits: that is the server's to say. */
const withPending = (job: JobView, event: UnplacedEvent): JobView => {
  const known = { ...knowingNothing(event.person), ...knewOf(event), hasHappened: true };
  const decided = decide(job, commandOf(event), known);
  return decided.ok ? (applied(job, { ...event, ...decided.value }) ?? job) : job;
};

const folded = (confirmed: readonly KeptEvent[], pending: readonly UnplacedEvent[]): Known => {
  const base = jobViewOf(confirmed);
  if (!base) throw new Fault('the job has no plan');
  const placed = new Set(confirmed.map(({ id }) => id));
  const unsent = pending.filter(({ id }) => !placed.has(id));
  return { confirmed, pending: unsent, state: unsent.reduce(withPending, base) };
};

const isAsShown = (event: KeptEvent): boolean => {
  const placed = lifted(event);
  return placed.kind !== 'pull-made' || (placed.body.shown === null && placed.body.objections === null);
};

const withPlaced = (known: Known, events: readonly KeptEvent[]): Known => {
  const have = new Set(known.confirmed.map(({ id }) => id));
  const fresh = events.filter(({ id }) => !have.has(id));
  if (fresh.length === 0) return known;
  const confirmed = [...known.confirmed, ...fresh].sort((a, b) => a.sequence - b.sequence);
  const isInOrder = fresh.every((event, index) => known.pending[index]?.id === event.id && isAsShown(event));
  // The usual case: the server placed what this device had decided already, so nothing has to be worked out again.
  if (isInOrder) return { ...known, confirmed, pending: known.pending.slice(fresh.length) };
  return folded(confirmed, known.pending);
};

/** Pulls of this person that the site judges otherwise than they were shown, or that something stands against. */
const toldOf = (events: readonly KeptEvent[], person: Person): readonly Told[] =>
  events.flatMap((kept) => {
    const event = lifted(kept);
    if (event.kind !== 'pull-made' || event.person.id !== person.id) return [];
    const { position, outcome, shown, objections } = event.body;
    const isOther = shown !== null && shown.outcome !== outcome;
    return isOther || objections
      ? [{ eventId: event.id, position, shown: shown?.outcome ?? outcome, stands: outcome, objections }]
      : [];
  });

/** How long the first look at the server may hold up the bench: without a network the work goes on. */
const CATCH_UP_MS = 1_000;

const hasGap = (events: readonly KeptEvent[]): boolean =>
  events.some(({ sequence }, index) => sequence !== index + 1);

/** A job on this device: the server's events with this device's own unsent ones, kept up to date with the outbox. */
export const useJob = (jobId: string, events: readonly KeptEvent[], person: Person): OpenJob => {
  const [known, setKnown] = useState<Known>(() => folded(events, []));
  const latest = useRef(known);
  const [entries, setEntries] = useState<readonly OutboxEntry[]>([]);
  const [unreadable, setUnreadable] = useState(0);
  const [isReady, setReady] = useState(false);
  const [stuck, setStuck] = useState<OpenJob['stuck']>(null);
  const [told, setTold] = useState<readonly Told[]>([]);
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
    (placed: readonly KeptEvent[]): void => {
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

  // Also what was judged while no page of this person was open: it is told until they have seen it.
  const tell = useCallback(
    (placed: readonly KeptEvent[]): void => {
      const more = toldOf(placed, person).filter(({ eventId }) => !wasSeen(eventId));
      if (more.length === 0) return;
      setTold((before) => [
        ...before,
        ...more.filter(({ eventId }) => before.every((each) => each.eventId !== eventId)),
      ]);
    },
    [person],
  );
  useEffect(() => tell(events), [events, tell]);

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
        const placed = news.events.filter(({ job }) => job === jobId);
        take(placed);
        tell(placed);
      }
      if (news.kind === 'refused') void refold();
      else void readWaiting();
    });
    return () => {
      stopListening();
      window.removeEventListener('focus', onFocus);
    };
  }, [catchUp, jobId, readWaiting, refold, take, tell]);

  const happen = useCallback(
    (happening: JobHappening): Result<JobView, JobRefusal> => {
      const { confirmed, pending, state } = latest.current;
      const decided = decide(state, commandOf(happening), {
        ...knowingNothing(person),
        ...knewOf(happening),
      });
      if (!decided.ok) return decided;
      const event = happeningNow(jobId, person, decided.value);
      const next = applied(state, event) ?? state;
      change({ confirmed, pending: [...pending, event], state: next });
      keepEvent(event).then(
        () => tellNews({ kind: 'kept' }),
        () => setStorageProblem(problemDetails({ code: 'device-storage-failed' })),
      );
      return accepted(next);
    },
    [change, jobId, person],
  );

  const seen = useCallback((eventId: string): void => {
    markSeen(eventId);
    setTold((before) => before.filter((each) => each.eventId !== eventId));
  }, []);
  const last = known.confirmed.at(-1);
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
    catchUp,
    head: { sequence: last?.sequence ?? 0, hash: last?.hash ?? '' },
    told,
    seen,
  };
};
