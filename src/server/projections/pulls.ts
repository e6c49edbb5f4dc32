import { hash } from 'node:crypto';
import type { EventOf, JobEvent } from '#core/event/event.ts';
import { happenedAt } from '#core/job/happened.ts';
import { writtenInNewtonMetres } from '#core/quantity/torque.ts';
import { fastenerAt } from '#core/view/bench.ts';
import type { JobView } from '#core/view/job-view.ts';
import {
  type AlikeUses,
  addToPullCounts,
  clearPullCounts,
  clearPulls,
  insertPulls,
  type ProjectedPull,
  voidPulls,
} from '../queries/pulls.ts';
import type { Projection } from './projection.ts';

type PullEvent = EventOf<'pull-made'> & Pick<JobEvent, 'clock'>;

/** A pull as it is projected; null for one by feel, which no tool made. */
const projected = (event: PullEvent, after: JobView): ProjectedPull | null => {
  const { body, clock } = event;
  if (body.toolId === null) return null;
  const { torqueNewtonMetres: torque, knownErrorPercent } = body;
  return {
    eventId: event.id,
    toolId: body.toolId,
    jobId: event.job,
    personId: event.person.id,
    deviceId: clock?.device ?? null,
    position: body.position,
    label: fastenerAt(after, body.position)?.planned.label ?? '',
    pulledAt: happenedAt(event),
    // An over-shot showed nothing and reached nobody knows what: its setting does not stand in for it.
    shown: body.reading === null ? null : writtenInNewtonMetres(body.reading),
    torque: torque === null ? null : torque * (1 + (knownErrorPercent ?? 0) / 100),
    recorded: torque,
    low: body.lowNewtonMetres,
    high: body.highNewtonMetres,
    outcome: body.outcome,
    voidedBy: null,
  };
};

const isPull = (event: JobEvent): event is JobEvent & PullEvent => event.kind === 'pull-made';

const pullsOf = (events: readonly JobEvent[], after: JobView): readonly ProjectedPull[] =>
  events.filter(isPull).flatMap((event) => projected(event, after) ?? []);

/** Every pull with a tool. */
export const pullsProjection: Projection = {
  name: 'pulls',
  version: 1,
  clear: clearPulls,
  apply: async (db, fact) => {
    if (fact.kind !== 'job') return;
    const { events, after } = fact;
    const voids = events.flatMap((event) =>
      event.kind === 'pull-voided' ? [{ pullId: event.body.pullId, voidedBy: event.id }] : [],
    );
    const byPull = new Map(voids.map(({ pullId, voidedBy }) => [pullId, voidedBy]));
    const pulls = pullsOf(events, after).map((pull) => ({
      ...pull,
      voidedBy: byPull.get(pull.eventId) ?? null,
    }));
    if (pulls.length > 0) insertPulls(db, pulls);
    const made = new Set(pulls.map(({ eventId }) => eventId));
    const earlier = voids.filter(({ pullId }) => !made.has(pullId));
    if (earlier.length > 0) voidPulls(db, earlier);
  },
};

const alikeKey = (key: string): Buffer => hash('sha256', key, 'buffer').subarray(0, 16);

/** The pull that an event voids, as it was projected: from the view, where its body and its event's time are kept. */
const voidedPull = (pullId: string, after: JobView): ProjectedPull | null => {
  for (const { pulls } of after.fasteners) {
    const pull = pulls.find(({ eventId }) => eventId === pullId);
    if (pull)
      return projected(
        {
          schemaVersion: 0,
          kind: 'pull-made',
          id: pull.eventId,
          job: after.job,
          deviceTime: pull.deviceTime,
          person: pull.person,
          clock: pull.clock,
          body: pull.body,
        },
        after,
      );
  }
  return null;
};

type Counting = { uses: number; voided: number; lastUsedAt: string; readonly pull: ProjectedPull };

const counted = (pulls: readonly ProjectedPull[], voided: readonly ProjectedPull[]): readonly AlikeUses[] => {
  const counts = new Map<string, Counting>();
  const add = (pull: ProjectedPull, uses: number, voids: number): void => {
    const { toolId, jobId, shown, torque, low, high, pulledAt } = pull;
    const key = `${toolId} ${pulledAt.slice(0, 10)} ${jobId} ${shown} ${torque} ${low} ${high}`;
    const counting = counts.get(key);
    if (!counting) {
      counts.set(key, { uses, voided: voids, lastUsedAt: pulledAt, pull });
      return;
    }
    counting.uses += uses;
    counting.voided += voids;
    if (counting.lastUsedAt < pulledAt) counting.lastUsedAt = pulledAt;
  };
  for (const pull of pulls) add(pull, 1, 0);
  for (const pull of voided) add(pull, 0, 1);
  return [...counts].map(([key, { pull, ...totals }]) => ({
    ...pull,
    ...totals,
    alike: alikeKey(key),
    day: pull.pulledAt.slice(0, 10),
  }));
};

/** Alike pulls of a tool on one day and job, counted. */
export const pullCountsProjection: Projection = {
  name: 'pull-counts',
  version: 1,
  clear: clearPullCounts,
  apply: async (db, fact) => {
    if (fact.kind !== 'job') return;
    const voided = fact.events.flatMap((event) =>
      event.kind === 'pull-voided' ? (voidedPull(event.body.pullId, fact.after) ?? []) : [],
    );
    const alike = counted(pullsOf(fact.events, fact.after), voided);
    if (alike.length > 0) addToPullCounts(db, alike);
  },
};
