import { applied } from '#core/event/apply.ts';
import { lifted } from '#core/event/lifted.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { JobView } from '#core/view/job-view.ts';
import { wholeLedger } from '../append/remembered-job.ts';
import { database } from '../database/pool.ts';
import { inTransaction, type Transaction } from '../database/transaction.ts';
import type { Projection } from '../projections/projection.ts';
import { PROJECTIONS } from '../projections/projections.ts';
import { selectJobIds } from '../queries/jobs.ts';
import { putProjectionVersions, selectProjectionVersions } from '../queries/projection-versions.ts';
import { selectToolEvents } from '../queries/tool-events.ts';

/** Where the ledger is not whole. */
export type BrokenPlace = { readonly job: string; readonly sequence: number };

const EVENTS_AT_ONCE = 500;

/** The jobs whose events do not reach their head unbroken, each with the place. */
const brokenPlaces = async (jobs: readonly string[]): Promise<readonly BrokenPlace[]> => {
  const broken: BrokenPlace[] = [];
  for (const job of jobs) {
    const events = await wholeLedger(database(), job);
    if (!events.ok && events.refusal.code === 'ledger-broken')
      broken.push({ job, sequence: events.refusal.sequence });
  }
  return broken;
};

const projectJob = async (
  db: Transaction,
  job: string,
  projections: readonly Projection[],
): Promise<void> => {
  const kept = await wholeLedger(db, job);
  const events = kept.ok ? kept.value.map(lifted) : [];
  let view: JobView | null = null;
  for (let from = 0; from < events.length; from += EVENTS_AT_ONCE) {
    const before = view;
    const batch = events.slice(from, from + EVENTS_AT_ONCE);
    for (const event of batch) view = applied(view, event);
    if (!view) return;
    for (const { apply } of projections) await apply(db, { kind: 'job', before, after: view, events: batch });
  }
};

const rebuilt = async (
  db: Transaction,
  projections: readonly Projection[],
  jobs: readonly string[],
): Promise<void> => {
  for (const { clear } of projections) await clear(db);
  for (const event of await selectToolEvents(db))
    for (const { apply } of projections) await apply(db, { kind: 'tool', event });
  for (const job of jobs) await projectJob(db, job, projections);
  for (const { addRest } of projections) await addRest?.(db);
  await putProjectionVersions(db, projections);
};

/** Writes everything that follows from events again, and answers how many jobs it read. First every job's chain and head are checked: where one
 *  breaks, nothing is touched. Refuses: the place. */
export const rebuildProjections = async (): Promise<Result<number, BrokenPlace>> => {
  const jobs = await selectJobIds(database());
  const [broken] = await brokenPlaces(jobs);
  if (broken) return refused(broken);
  await inTransaction((db) => rebuilt(db, PROJECTIONS, jobs));
  return accepted(jobs.length);
};

/** Rebuilds the projections that the database holds in another version than this code writes, as after an update. A job whose ledger is not whole
 *  keeps the others from nothing: it is left out, and answered with its place. */
export const bringProjectionsUpToDate = async (): Promise<readonly BrokenPlace[]> => {
  const held = await selectProjectionVersions(database());
  const stale = PROJECTIONS.filter(({ name, version }) => held.get(name) !== version);
  if (stale.length === 0) return [];
  const jobs = await selectJobIds(database());
  const broken = await brokenPlaces(jobs);
  const whole = jobs.filter((id) => !broken.some(({ job }) => job === id));
  await inTransaction((db) => rebuilt(db, stale, whole));
  return broken;
};
