import { median } from 'simple-statistics';
import type { Changes } from './route-problem.ts';

/** A moment of somebody's work on a job: a pull, or a tool set or taken in between. */
export type WorkMoment = {
  readonly job: string;
  readonly person: string;
  /** When their device says it was, in milliseconds. */
  readonly atMs: number;
  readonly kind: 'pull' | 'change';
};

/** How long the work takes at a site, from its own pulls. */
export type Pace = {
  /** From one pull to the next with nothing changed in between: the median, in seconds. */
  readonly pullSeconds: number;
  /** What a change of setting or tool adds: the median, in seconds; null where too few were made. */
  readonly changeSeconds: number | null;
  /** How many times from pull to pull it comes from. */
  readonly counted: number;
};

/** Whoever takes longer from one pull to the next did something else. */
const PAUSE_MS = 10 * 60_000;
/** Fewer than so many say nothing yet. */
const FEWEST = 12;
const FEWEST_CHANGES = 4;

/** The pace of moments, those of a job in the order in which they were recorded; null where there are too few. A clock that was set back counts as a pause. */
export const paceOf = (moments: readonly WorkMoment[]): Pace | null => {
  const plain: number[] = [];
  const changed: number[] = [];
  const last = new Map<string, { readonly atMs: number; changes: number }>();
  for (const { job, person, atMs, kind } of moments) {
    const key = `${job} ${person}`;
    const before = last.get(key);
    if (kind === 'change') {
      if (before) before.changes += 1;
      continue;
    }
    const took = before ? atMs - before.atMs : -1;
    if (before && took > 0 && took < PAUSE_MS) {
      if (before.changes === 0) plain.push(took);
      else changed.push(took / before.changes);
    }
    last.set(key, { atMs, changes: 0 });
  }
  if (plain.length < FEWEST) return null;
  const pull = median(plain);
  return {
    pullSeconds: pull / 1_000,
    changeSeconds: changed.length < FEWEST_CHANGES ? null : Math.max(0, median(changed) - pull) / 1_000,
    counted: plain.length + changed.length,
  };
};

/** How long a number of pulls takes with its changes, in seconds; a change that nobody has timed yet counts as a pull. */
export const timeFor = (pace: Pace, pulls: number, { settings, takenUp }: Changes): number =>
  pulls * pace.pullSeconds + (settings + takenUp) * (pace.changeSeconds ?? pace.pullSeconds);
