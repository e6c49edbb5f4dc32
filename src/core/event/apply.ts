import type { Happened } from '../job/happened.ts';
import { built, toBuild } from '../view/bench.ts';
import { confirmedBy, openClaims } from '../view/claims.ts';
import type { JobView, JobViews } from '../view/job-view.ts';
import type { JobEvent, UnplacedEvent } from './event.ts';
import type { Applies } from './event-kind.ts';
import { jobPlanned } from './kinds/job-planned.ts';
import { EVENT_KINDS } from './kinds.ts';
import { type LedgerEvent, lifted } from './lifted.ts';

type AnyApply = (job: JobView, event: Happened<unknown>) => Partial<JobView>;
const APPLIES: ReadonlyMap<string, readonly AnyApply[]> = new Map(
  Object.values(EVENT_KINDS).map(({ kind, apply }) => [
    kind,
    Object.values(apply as Applies<never> as Readonly<Record<keyof JobViews, AnyApply>>),
  ]),
);

/** A job after one more event in the newest form; null is a job that is not planned yet. Total: it never refuses, never judges, never throws;
 *  an event of a kind that this code does not know changes nothing. */
export const applied = (job: JobView | null, event: UnplacedEvent | JobEvent): JobView | null => {
  if (event.kind === 'job-planned') return job ?? jobPlanned.begin(event);
  if (!job) return null;
  return changed({ ...job }, event);
};

/** The same on a view that nobody else holds, which is changed in place. */
const changed = (own: JobView, event: UnplacedEvent | JobEvent): JobView => {
  for (const apply of APPLIES.get(event.kind) ?? [])
    Object.assign(own, apply(own, event as Happened<unknown>));
  // Whatever somebody sends as themselves confirms what was said of them.
  if (openClaims(own).length > 0) Object.assign(own, confirmedBy(own, event as Happened<unknown>));
  return own;
};

/** A job's view that events are added to, as it goes along: of its own, changed in place. */
export type Fold = {
  /** The view so far. It is for looking at before the next event only. */
  readonly view: () => JobView | null;
  readonly add: (event: UnplacedEvent | JobEvent) => void;
  /** The view, which stays as it is from now on. */
  readonly done: () => JobView | null;
};

/** Adds events to a view, which itself stays as it is. */
export const foldOn = (before: JobView | null): Fold => {
  let own = before && toBuild(before);
  return {
    view: () => own,
    add: (event) => {
      if (own && event.kind !== 'job-planned') own = changed(own, event);
      else if (!own) {
        const begun = applied(null, event);
        own = begun && toBuild(begun);
      }
    },
    done: () => own && built(own),
  };
};

/** What a job's events add up to, of whatever version each is; null when it is not planned. */
export const jobViewOf = (events: readonly LedgerEvent[], before: JobView | null = null): JobView | null => {
  const fold = foldOn(before);
  for (const event of events) fold.add(lifted(event));
  return fold.done();
};
