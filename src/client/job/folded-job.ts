import { knowingNothing } from '#core/command/known.ts';
import { applied, jobViewOf } from '#core/event/apply.ts';
import { commandOf, decide, knewOf } from '#core/event/decide.ts';
import type { UnplacedEvent } from '#core/event/event.ts';
import { type LedgerEvent, lifted } from '#core/event/lifted.ts';
import { Fault } from '#core/fault.ts';
import type { JobView } from '#core/view/job-view.ts';

/** A job as this device has it: what the site placed, what waits here, and what the two add up to. */
export type FoldedJob = {
  readonly placed: readonly LedgerEvent[];
  readonly waiting: readonly UnplacedEvent[];
  readonly view: JobView;
};

/** What an unsent event comes to on the job as it is known here now; the job as it is where it no longer fits: that is the server's to say. */
const withWaiting = (job: JobView, event: UnplacedEvent): JobView => {
  const known = {
    ...knowingNothing(event.person),
    ...knewOf(event),
    hasHappened: true,
    at: event.deviceTime,
  };
  const decided = decide(job, commandOf(event), known);
  return decided.ok ? (applied(job, { ...event, ...decided.value }) ?? job) : job;
};

/** A job from what the site placed and what waits on this device. Throws a Fault where nothing of it plans a job. */
export const foldedJob = (placed: readonly LedgerEvent[], waiting: readonly UnplacedEvent[]): FoldedJob => {
  const base = jobViewOf(placed);
  if (!base) throw new Fault('the job has no plan');
  const ids = new Set(placed.map(({ id }) => id));
  const unsent = waiting.filter(({ id }) => !ids.has(id));
  return { placed, waiting: unsent, view: unsent.reduce(withWaiting, base) };
};

const isAsShown = (event: LedgerEvent): boolean => {
  const kept = lifted(event);
  return kept.kind !== 'pull-made' || (kept.body.shown === null && kept.body.objections === null);
};

/** The job once the site placed more of it; the same one where it placed nothing new. */
export const withPlaced = (job: FoldedJob, events: readonly LedgerEvent[]): FoldedJob => {
  const have = new Set(job.placed.map(({ id }) => id));
  const fresh = events.filter(({ id }) => !have.has(id));
  if (fresh.length === 0) return job;
  const placed = [...job.placed, ...fresh].sort((a, b) => a.sequence - b.sequence);
  const isInOrder = fresh.every((event, index) => job.waiting[index]?.id === event.id && isAsShown(event));
  // The usual case: the site placed what this device had decided already, so nothing has to be worked out again.
  if (isInOrder) return { ...job, placed, waiting: job.waiting.slice(fresh.length) };
  return foldedJob(placed, job.waiting);
};

/** Whether the site has placed events that are not here. */
export const hasGap = ({ placed }: FoldedJob): boolean =>
  placed.some(({ sequence }, index) => sequence !== index + 1);
