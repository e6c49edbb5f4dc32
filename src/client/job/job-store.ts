import { knowingNothing } from '#core/command/known.ts';
import { applied } from '#core/event/apply.ts';
import { commandOf, decide, knewOf } from '#core/event/decide.ts';
import type { JobHappening, UnplacedEvent } from '#core/event/event.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import type { JobRefusal } from '#core/job/refusal.ts';
import type { SignedHead } from '#core/job/signature.ts';
import type { Person } from '#core/people/person.ts';
import { accepted, type Result } from '#core/result.ts';
import type { JobView } from '#core/view/job-view.ts';
import { JOB_OPERATIONS } from '#wire/api-jobs.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { siteDetails } from '#wire/problems/site-details.ts';
import { call } from '../api.ts';
import { markSeen, wasSeen } from '../device/seen.ts';
import { deviceNow, happeningNow } from '../happen.ts';
import { keepOpened, keepPlaced, keptAfter } from '../offline/kept-jobs.ts';
import { keepJobPages } from '../offline/pages.ts';
import { isInMemory, type OutboxEntry } from '../outbox/entry.ts';
import { onSignal, type SendingStuck, sendSignal } from '../outbox/signals.ts';
import { keepEvent, readOutbox } from '../outbox/store.ts';
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
  /** How many are on their way to this device's disk: nothing is promised of them yet. */
  readonly settling: number;
  /** How many of those that wait are held by this page alone: closing it loses them. */
  readonly inMemory: number;
  /** Whether this device has all that it takes to open the job without the site. */
  readonly opensAlone: boolean;
  /** This device keeps nothing, or could not keep an event. */
  readonly storageProblem: ProblemDetails | null;
  /** What the site judges otherwise than this person was shown, until they have seen it. */
  readonly told: readonly Told[];
};

/** A job on this device: what the site placed with what waits here, kept up to date with the outbox. */
export type JobStore = Store<JobOnDevice> & {
  /** Lets something happen to the job: folded here at once, kept on this device, sent behind. */
  readonly happen: (happening: JobHappening) => Result<JobView, JobRefusal>;
  /** Whether the last pull is safe on this device's disk or with the site, while that is not known yet; null once it is. */
  readonly keeping: () => Promise<boolean> | null;
  /** Resolves once everything that happened here is with the site; without one, once it is safe on this device's disk and the site was given some time. */
  readonly allSent: () => Promise<void>;
  /** Looks at what others did, where the site answers and the last look is a moment ago; null where there is no need. It takes no longer than a person would
   *  not notice. */
  readonly look: () => Promise<void> | null;
  /** Takes events the site has just placed, as after a signature. */
  readonly take: (events: readonly LedgerEvent[]) => void;
  /** Fetches what others added since. */
  readonly catchUp: () => Promise<void>;
  readonly seen: (eventId: string) => void;
  /** Reads what waits here, catches up, and listens to the outbox and for what others do until the returned function is called. */
  readonly start: () => () => void;
};

/** A write that takes longer than this is not waited for before the event is sent. */
const LATE_MS = 1_500;
/** How long the first look at the site may hold up the bench: without a network the work goes on. */
const CATCH_UP_MS = 1_000;
/** What others did is asked for so often while a page is looked at. */
const LOOK_EVERY_MS = 3_000;
/** A look older than this is taken again before a pull is recorded, and given up after the other. */
const FRESH_MS = 1_000;
const LOOK_MS = 400;
/** So long after something was done here the next thing is close: it is looked again before the last look is old, so that no pull waits for it. */
const AT_WORK_MS = 30_000;
const LOOK_AT_WORK_MS = 600;
const TICK_MS = 200;
/** Whoever leaves a job to somebody else waits so long for it to be sent, and for a disk that is late. */
const SENT_MS = 3_000;
const SAFE_MS = 10_000;

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
    settling: 0,
    inMemory: 0,
    opensAlone: false,
    storageProblem: null,
    told: [],
  });
  const set = (part: Partial<JobOnDevice>): void => store.change({ ...store.snapshot(), ...part });
  // Read while the page still comes alive: on a slow tablet that takes as long as the stores do.
  const early =
    'indexedDB' in globalThis ? { outbox: readOutbox(), kept: keptAfter(jobId, headOf(job)) } : null;

  const hold = (next: FoldedJob, also: Partial<JobOnDevice> = {}): void => {
    if (next === job) return;
    job = next;
    set({ view: job.view, head: headOf(job), waiting: job.waiting.length, ...also });
  };

  /** What is said of this device's disk once it was read, or not. One that refused an event a moment ago may do so again: that stays said. One that
   *  took its time to answer keeps what it is given from now on. */
  const storageProblemNow = (isRead: boolean, inMemory: number): ProblemDetails | null => {
    const said = store.snapshot().storageProblem;
    if (said?.problem.code === 'device-storage-failed') return said;
    if (!isRead) return siteDetails({ code: 'device-keeps-nothing' });
    return inMemory > 0 ? said : null;
  };

  const readWaiting = async (outbox = readOutbox()): Promise<readonly OutboxEntry[]> => {
    const { entries, unreadable, isWhole } = await outbox;
    const mine = entries.filter(({ event }) => event.job === jobId);
    const inMemory = mine.filter((entry) => entry.state === 'queued' && isInMemory(entry)).length;
    set({
      refusedEntries: mine.filter(({ state }) => state === 'refused'),
      unreadable: unreadable.length,
      inMemory,
      storageProblem: storageProblemNow(isWhole, inMemory),
    });
    return mine;
  };

  /** What another tab did is part of the job here too. */
  const foldNews = async (): Promise<void> => {
    const mine = await readWaiting();
    const here = new Set([...job.placed, ...job.waiting].map(({ id }) => id));
    if (mine.some(({ state, event }) => state === 'queued' && !here.has(event.id))) await refold();
  };

  const refold = async (outbox = readOutbox()): Promise<void> => {
    const stored = await readWaiting(outbox);
    const storedIds = new Set(stored.map(({ event }) => event.id));
    const queued = stored.filter(({ state }) => state === 'queued').map(({ event }) => event);
    // What happened while the store was being read is not in it yet.
    const unstored = job.waiting.filter(({ id }) => !storedIds.has(id));
    hold(foldedJob(job.placed, [...queued, ...unstored]));
  };

  /** The last pull on its way to the disk. What the site has needs no disk any more. */
  let keeping: {
    readonly id: string;
    readonly isKept: Promise<boolean>;
    readonly isPlaced: () => void;
  } | null = null;

  const take = (placed: readonly LedgerEvent[]): void => {
    hold(withPlaced(job, placed));
    void keepPlaced(placed);
    if (placed.some(({ id }) => id === keeping?.id)) keeping?.isPlaced();
    if (!hasGap(job)) return;
    // Another device wrote between: fetch what is missing, then fold all of it in order.
    void call(JOB_OPERATIONS.jobEvents, undefined, { job: jobId }).then((answer) => {
      // A site that was restored may not have the job any more: what is here stays on screen, to be offered.
      if (!answer.ok || answer.value.length === 0) return;
      hold(foldedJob(answer.value, job.waiting));
      void keepPlaced(answer.value);
    });
  };

  // On a clock that only goes forward: a device that is set back an hour would else not look for an hour.
  let lookedAt = Number.NEGATIVE_INFINITY;
  let triedAt = Number.NEGATIVE_INFINITY;
  let looking: Promise<void> | null = null;
  const caughtUp = async (): Promise<void> => {
    triedAt = performance.now();
    const after = String(headOf(job).sequence);
    // A site that does not answer may have placed more than it told the page: this device kept it, and is asked beside the site.
    const isFirst = lookedAt === Number.NEGATIVE_INFINITY;
    const kept = isFirst ? (early?.kept ?? keptAfter(jobId, headOf(job))) : null;
    const answer = await call(JOB_OPERATIONS.jobEvents, undefined, { job: jobId, after });
    if (!answer.ok) {
      if (kept) take(await kept);
      return;
    }
    lookedAt = performance.now();
    take(answer.value);
  };
  const catchUp = (): Promise<void> => {
    looking ??= caughtUp().finally(() => {
      looking = null;
    });
    return looking;
  };
  const look: JobStore['look'] = () => {
    const isAway = store.snapshot().stuck !== null || ('onLine' in navigator && !navigator.onLine);
    if (isAway || performance.now() - lookedAt < FRESH_MS) return null;
    const patience = new Promise<void>((resolve) => setTimeout(resolve, LOOK_MS));
    return Promise.race([catchUp(), patience]);
  };

  // Also what was judged while no page of this person was open: it is told until they have seen it.
  const tell = (placed: readonly LedgerEvent[]): void => {
    const { told } = store.snapshot();
    const fresh = toldPulls(placed, person).filter(
      ({ eventId }) => !wasSeen(eventId) && told.every((each) => each.eventId !== eventId),
    );
    if (fresh.length > 0) set({ told: [...told, ...fresh] });
  };

  /** Whether an event is safe: on disk, or with the site before a slow disk had it. Says it where it is not. */
  const keep = async (event: UnplacedEvent): Promise<boolean> => {
    // A disk that is late holds up no sending: the site may have it before.
    const late = setTimeout(() => sendSignal({ kind: 'kept' }), LATE_MS);
    const isOnDisk = await keepEvent(event);
    clearTimeout(late);
    set({ settling: store.snapshot().settling - 1 });
    const isSafe = isOnDisk || job.waiting.every(({ id }) => id !== event.id);
    // Where nothing is kept at all, that was said from the start.
    const isSaid = store.snapshot().storageProblem?.problem.code === 'device-keeps-nothing';
    if (!isSafe && !isSaid) set({ storageProblem: siteDetails({ code: 'device-storage-failed' }) });
    // Also what this page alone holds is sent at once.
    sendSignal({ kind: 'kept' });
    return isSafe;
  };

  /** Lets the next pull wait until this one is safe, or is said not to be. */
  const waitFor = (id: string, kept: Promise<boolean>): void => {
    let isPlaced = (): void => {};
    const placed = new Promise<boolean>((resolve) => {
      isPlaced = () => resolve(true);
    });
    const mine = { id, isKept: Promise.race([kept, placed]), isPlaced };
    keeping = mine;
    void mine.isKept.then(() => {
      if (keeping === mine) keeping = null;
    });
  };
  const isDiskGone = (): boolean => store.snapshot().storageProblem?.problem.code === 'device-storage-failed';

  const allSent = async (): Promise<void> => {
    const since = performance.now();
    for (;;) {
      const { waiting, settling } = store.snapshot();
      const waited = performance.now() - since;
      if (waiting === 0 || waited >= SAFE_MS || (waited >= SENT_MS && settling === 0)) return;
      await new Promise((resolve) => setTimeout(resolve, TICK_MS / 4));
    }
  };

  let workedAt = Number.NEGATIVE_INFINITY;
  const happen: JobStore['happen'] = (happening) => {
    const known = { ...knowingNothing(person), ...knewOf(happening), at: deviceNow() };
    const decided = decide(job.view, commandOf(happening), known);
    if (!decided.ok) return decided;
    workedAt = performance.now();
    const event = happeningNow(jobId, person, decided.value);
    const view = applied(job.view, event) ?? job.view;
    const settling = store.snapshot().settling + 1;
    hold({ placed: job.placed, waiting: [...job.waiting, event], view }, { settling });
    const kept = keep(event);
    if (event.kind === 'pull-made') waitFor(event.id, kept);
    return accepted(view);
  };

  /** Keeps what it takes to open the job without the site. */
  const keepAll = async (): Promise<void> => {
    const { number, title } = job.view.plan;
    await keepPlaced(events);
    const isKept = await keepOpened({ job: jobId, number, title, openedAt: Date.now() });
    const arePages = await keepJobPages(jobId);
    set({ opensAlone: isKept && arePages });
  };

  const start = (): (() => void) => {
    let isOver = false;
    tell(events);
    // Side by side: what another page sends meanwhile it tells, before it lets go of it (outbox/sender).
    const patience = new Promise<void>((resolve) => setTimeout(resolve, CATCH_UP_MS));
    void Promise.all([refold(early?.outbox), Promise.race([catchUp(), patience])]).then(() => {
      if (isOver) return;
      set({ isReady: true });
      // What another page kept since the stores were read.
      void foldNews();
      void keepAll();
    });
    const stopListening = onSignal((news) => {
      if (news.kind === 'stuck' && (news.job ?? jobId) === jobId) set({ stuck: news.because });
      if (news.kind === 'placed') {
        const placed = news.events.filter((event) => event.job === jobId);
        if (placed.length > 0) set({ stuck: null });
        take(placed);
        tell(placed);
      }
      if (news.kind === 'refused') {
        // What was refused rests on something that is otherwise than this device knew: that is fetched with it.
        if (news.job === jobId) void Promise.all([refold(), catchUp()]);
      } else void foldNews();
    });
    const timer = setInterval(() => {
      const isSeen = !('document' in globalThis) || document.visibilityState === 'visible';
      const isAtWork = performance.now() - workedAt < AT_WORK_MS;
      const pause = isAtWork ? LOOK_AT_WORK_MS : LOOK_EVERY_MS;
      if (isSeen && store.snapshot().isReady && performance.now() - triedAt >= pause) void catchUp();
    }, TICK_MS);
    // What only this page holds is lost with it: the browser asks before it closes.
    const onLeave = (event: Event): void => {
      if (store.snapshot().inMemory > 0) event.preventDefault();
    };
    window.addEventListener('beforeunload', onLeave);
    // Whoever turns to this tab may come from one that was ended between the disk and its news.
    const onTurnedTo = (): void => void (store.snapshot().isReady && foldNews());
    window.addEventListener('focus', onTurnedTo);
    return () => {
      isOver = true;
      clearInterval(timer);
      window.removeEventListener('beforeunload', onLeave);
      window.removeEventListener('focus', onTurnedTo);
      stopListening();
    };
  };

  return {
    snapshot: store.snapshot,
    subscribe: store.subscribe,
    happen,
    allSent,
    // A disk that is known to be gone is not waited for.
    keeping: () => (isDiskGone() ? null : (keeping?.isKept ?? null)),
    look,
    take,
    catchUp,
    start,
    seen: (eventId) => {
      markSeen(eventId);
      set({ told: store.snapshot().told.filter((each) => each.eventId !== eventId) });
    },
  };
};
