import { knowingNothing } from '#core/command/known.ts';
import { applied } from '#core/event/apply.ts';
import { commandOf, decide, knewOf } from '#core/event/decide.ts';
import type { JobHappening } from '#core/event/event.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import type { JobRefusal } from '#core/job/refusal.ts';
import type { SignedHead } from '#core/job/signature.ts';
import type { Person } from '#core/people/person.ts';
import { accepted, type Result } from '#core/result.ts';
import type { JobView } from '#core/view/job-view.ts';
import { OPERATIONS } from '#wire/api.ts';
import { type ProblemDetails, problemDetails } from '#wire/problems/problem-details.ts';
import { call } from '../api.ts';
import { markSeen, wasSeen } from '../device/seen.ts';
import { deviceNow, happeningNow } from '../happen.ts';
import { onSignal, type SendingStuck, sendSignal } from '../outbox/signals.ts';
import { keepEvent, type OutboxEntry, readOutbox } from '../outbox/store.ts';
import { type Store, storeOf } from '../store.ts';
import { type FoldedJob, foldedJob, hasGap, withPlaced } from './folded-job.ts';
import { type Told, toldPulls } from './told-pulls.ts';

/** A job on this device, as a screen looks at it. */
export type JobOnDevice = {
  /** The site's events and this device's unsent ones, folded. */
  readonly view: JobView;
  /** Where the chain stands as far as this device knows. */
  readonly head: SignedHead;
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
  /** What the site judges otherwise than this person was shown, until they have seen it. */
  readonly told: readonly Told[];
};

/** A job on this device: what the site placed with what waits here, kept up to date with the outbox. */
export type JobStore = Store<JobOnDevice> & {
  /** Lets something happen to the job: folded here at once, kept on this device, sent behind. */
  readonly happen: (happening: JobHappening) => Result<JobView, JobRefusal>;
  /** Takes events the site has just placed, as after a signature. */
  readonly take: (events: readonly LedgerEvent[]) => void;
  /** Fetches what others added since. */
  readonly catchUp: () => Promise<void>;
  readonly seen: (eventId: string) => void;
  /** Reads what waits here, catches up, and listens to the outbox until the returned function is called. */
  readonly start: () => () => void;
};

/** How long the first look at the site may hold up the bench: without a network the work goes on. */
const CATCH_UP_MS = 1_000;

const headOf = ({ placed }: FoldedJob): SignedHead => {
  const last = placed.at(-1);
  return { sequence: last?.sequence ?? 0, hash: last?.hash ?? '' };
};

/** Opens a job on this device with the events that the site had placed when its page was made. */
export const jobStore = (jobId: string, events: readonly LedgerEvent[], person: Person): JobStore => {
  let job = foldedJob(events, []);
  const store = storeOf<JobOnDevice>({
    view: job.view,
    head: headOf(job),
    waiting: 0,
    stuck: null,
    refusedEntries: [],
    unreadable: 0,
    isReady: false,
    storageProblem: null,
    told: [],
  });
  const set = (part: Partial<JobOnDevice>): void => store.change({ ...store.snapshot(), ...part });

  const hold = (next: FoldedJob): void => {
    if (next === job) return;
    job = next;
    set({ view: job.view, head: headOf(job), waiting: job.waiting.length });
  };

  const readWaiting = async (): Promise<readonly OutboxEntry[]> => {
    const { entries, unreadable } = await readOutbox();
    const mine = entries.filter(({ event }) => event.job === jobId);
    set({
      refusedEntries: mine.filter(({ state }) => state === 'refused'),
      unreadable: unreadable.length,
    });
    return mine;
  };

  const refold = async (): Promise<void> => {
    const stored = await readWaiting();
    const storedIds = new Set(stored.map(({ event }) => event.id));
    const queued = stored.filter(({ state }) => state === 'queued').map(({ event }) => event);
    // What happened while the store was being read is not in it yet.
    const unstored = job.waiting.filter(({ id }) => !storedIds.has(id));
    hold(foldedJob(job.placed, [...queued, ...unstored]));
  };

  const take = (placed: readonly LedgerEvent[]): void => {
    hold(withPlaced(job, placed));
    if (!hasGap(job)) return;
    // Another device wrote between: fetch what is missing, then fold all of it in order.
    void call(OPERATIONS.jobEvents, undefined, { job: jobId }).then((answer) => {
      if (answer.ok) hold(foldedJob(answer.value, job.waiting));
    });
  };

  const catchUp = async (): Promise<void> => {
    const after = String(headOf(job).sequence);
    const answer = await call(OPERATIONS.jobEvents, undefined, { job: jobId, after });
    if (answer.ok) take(answer.value);
  };

  // Also what was judged while no page of this person was open: it is told until they have seen it.
  const tell = (placed: readonly LedgerEvent[]): void => {
    const { told } = store.snapshot();
    const fresh = toldPulls(placed, person).filter(
      ({ eventId }) => !wasSeen(eventId) && told.every((each) => each.eventId !== eventId),
    );
    if (fresh.length > 0) set({ told: [...told, ...fresh] });
  };

  const happen: JobStore['happen'] = (happening) => {
    const known = { ...knowingNothing(person), ...knewOf(happening), at: deviceNow() };
    const decided = decide(job.view, commandOf(happening), known);
    if (!decided.ok) return decided;
    const event = happeningNow(jobId, person, decided.value);
    const view = applied(job.view, event) ?? job.view;
    hold({ placed: job.placed, waiting: [...job.waiting, event], view });
    keepEvent(event).then(
      () => sendSignal({ kind: 'kept' }),
      () => set({ storageProblem: problemDetails({ code: 'device-storage-failed' }) }),
    );
    return accepted(view);
  };

  const start = (): (() => void) => {
    let isOver = false;
    tell(events);
    // What the page before this one sent may have been placed after this page's events were read and before the outbox was.
    const patience = new Promise<void>((resolve) => setTimeout(resolve, CATCH_UP_MS));
    void refold()
      .then(() => Promise.race([catchUp(), patience]))
      .then(() => {
        if (!isOver) set({ isReady: true });
      });
    const stopListening = onSignal((news) => {
      if (news.kind === 'stuck') set({ stuck: news.because });
      if (news.kind === 'placed') {
        set({ stuck: null });
        const placed = news.events.filter((event) => event.job === jobId);
        take(placed);
        tell(placed);
      }
      if (news.kind === 'refused') void refold();
      else void readWaiting();
    });
    return () => {
      isOver = true;
      stopListening();
    };
  };

  return {
    snapshot: store.snapshot,
    subscribe: store.subscribe,
    happen,
    take,
    catchUp,
    start,
    seen: (eventId) => {
      markSeen(eventId);
      set({ told: store.snapshot().told.filter((each) => each.eventId !== eventId) });
    },
  };
};
