import type { Person } from '#core/people/person.ts';
import { fastenerAt, isAsRequired, type PullRecord } from '#core/view/bench.ts';
import type { JobView } from '#core/view/job-view.ts';
import type { OwnStore } from '../store.ts';
import { type AskedPull, type BenchState, benchAt } from './bench-state.ts';
import type { JobOnDevice, JobStore } from './job-store.ts';

// What happens beside the person at the bench: others pull, the site refuses, the device keeps nothing.

/** The job of a bench. Only who stands at it may be left out: then nobody's pull is somebody else's. */
export type BenchJob = Pick<JobStore, 'snapshot' | 'happen'> &
  Partial<Pick<JobStore, 'keeping' | 'look' | 'subscribe'>> & { readonly person?: Person };

/** A pull of a fastener that somebody else made and that is not among those known. */
const pulledByOther = (
  view: JobView,
  position: string | null,
  known: ReadonlySet<string>,
  me: Person | undefined,
): PullRecord | undefined =>
  position === null || !me
    ? undefined
    : fastenerAt(view, position)?.pulls.find(
        ({ eventId, person, voided }) => person.id !== me.id && !voided && !known.has(eventId),
      );

/** The bench stopped at the fastener of which something was refused. */
const stoppedAt = ({ event }: JobOnDevice['refusedEntries'][number], view: JobView): Partial<BenchState> => {
  const { position } = event.body as { readonly position?: string };
  const isHere = position !== undefined && fastenerAt(view, position) !== undefined;
  return { question: 'refused', refusedId: event.id, ...(isHere ? { chosen: position } : {}) };
};

const pullsAt = (view: JobView, position: string | null): ReadonlySet<string> =>
  new Set((position === null ? undefined : fastenerAt(view, position))?.pulls.map(({ eventId }) => eventId));

/** Whether a pull may be recorded now: the one before is kept on this device or said not to be, and nobody else pulled the fastener meanwhile. Null where
 *  nothing has to be waited for. */
export const mayPull = (
  job: BenchJob,
  store: OwnStore<BenchState>,
  position: string,
  asked: AskedPull,
): Promise<boolean> | null => {
  const view = (): JobView => job.snapshot().view;
  const [keeping, looking] = [job.keeping?.() ?? null, job.look?.() ?? null];
  if (!keeping && !looking) return null;
  const known = pullsAt(view(), position);
  return Promise.all([keeping, looking]).then(([isKept]) => {
    if (isKept === false && store.snapshot().question === 'not-kept') return false;
    const other = pulledByOther(view(), position, known, job.person);
    if (other)
      store.change({
        ...store.snapshot(),
        chosen: position,
        question: 'pulled-meanwhile',
        meanwhile: { position, eventId: other.eventId, mine: asked },
      });
    return !other;
  });
};

/** Watches what happens to the job beside the bench, and stops the bench to say it, until the returned function is called. `isPulling`: whether a pull is on its
 *  way into the record, which then says it itself. */
export const watchBeside = (
  job: BenchJob,
  store: OwnStore<BenchState>,
  isPulling: () => boolean,
): (() => void) => {
  const view = (): JobView => job.snapshot().view;
  const set = (part: Partial<BenchState>): void => store.change({ ...store.snapshot(), ...part });
  const refusedSeen = new Set<string>();
  let wasNotKept = false;
  let inHand: { readonly position: string | null; readonly known: ReadonlySet<string> } | null = null;
  const isDoneElsewhere = ({ position, known }: NonNullable<typeof inHand>): boolean => {
    const fastener = position === null ? undefined : fastenerAt(view(), position);
    const last = fastener?.pulls.at(-1);
    return (
      last !== undefined &&
      !known.has(last.eventId) &&
      last.person.id === job.person?.id &&
      isAsRequired(fastener?.status ?? 'open')
    );
  };
  const look = (): void => {
    const { isReady, storageProblem, refusedEntries } = job.snapshot();
    if (!isReady) return;
    const isNotKept = storageProblem?.problem.code === 'device-storage-failed';
    const isNewlyNotKept = isNotKept && !wasNotKept;
    const refused = refusedEntries.find(({ event }) => !refusedSeen.has(event.id));
    const before = inHand;
    const other =
      before && !isPulling() ? pulledByOther(view(), before.position, before.known, job.person) : undefined;
    // All is remembered before anything is set: what is set calls this again.
    wasNotKept = isNotKept;
    for (const { event } of refusedEntries) refusedSeen.add(event.id);
    const { position } = benchAt(view(), store.snapshot());
    inHand = { position, known: pullsAt(view(), position) };
    // In another tab one's own hands went on: what is done there is not the next thing here.
    if (
      before &&
      before.position === position &&
      isDoneElsewhere(before) &&
      !isPulling() &&
      store.snapshot().typed === ''
    )
      set({ chosen: null });
    if (isNewlyNotKept) set({ question: 'not-kept' });
    if (refused) set(stoppedAt(refused, view()));
    if (before && other && before.position !== null)
      set({
        chosen: before.position,
        question: 'pulled-meanwhile',
        meanwhile: { position: before.position, eventId: other.eventId, mine: null },
      });
  };
  look();
  const stops = [job.subscribe?.(look), store.subscribe(look)];
  return () => {
    for (const stop of stops) stop?.();
  };
};
