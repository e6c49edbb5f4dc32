import { appliedTorque, type ErrorPoint, figureAt } from '../tool/known-error.ts';

/** Pulls of one tool on one job that were alike: shown and reached the same torque under the same limits. Torques in newton metres. */
export type AlikePulls = {
  readonly jobId: string;
  /** What the tool showed or was set to. */
  readonly shown: number;
  /** What the record says reached the fastener, through whatever adapter. */
  readonly torque: number;
  readonly low: number;
  readonly high: number;
  readonly count: number;
  /** Numbers of the tool's uses since its last good session, counted from 1. */
  readonly firstUse: number;
  readonly lastUse: number;
};

/** How alike pulls stand when the tool's error is counted in. */
export type RecalledPulls = {
  readonly pulls: AlikePulls;
  readonly errorPercent: number;
  /** What reached the fastener had the error been there all along. */
  readonly worstTorque: number;
  /** How far outside the nearer limit that is, in percent of the limit; 0 or less is inside. */
  readonly outsidePercent: number;
  /** Use from which on it is outside when the error grew linearly in use; null when it never is. */
  readonly outsideFromUse: number | null;
};

/** How far a torque is outside the nearer limit, in percent of the limit; 0 or less is inside. */
export const percentOutside = (torque: number, low: number, high: number): number =>
  Math.max(((torque - high) / high) * 100, ((low - torque) / low) * 100);

/** Judges alike pulls again with the as-found error interpolated at their setting: worst case (there all along), and linear in use over
 *  `uses` uses since the last good session.
 *    worst: t/(1 + e); linear at use k of n: t/(1 + e·k/n), outside from k* = n·(t/limit − 1)/e on
 *  Source: ISO 6789-1:2017, relative deviation (from memory); linear growth is common practice where nothing else is known. */
export const recalledPulls = (
  pulls: AlikePulls,
  found: readonly ErrorPoint[],
  uses: number,
): RecalledPulls => {
  const { torque, low, high, shown } = pulls;
  const errorPercent = figureAt(found, 'errorPercent', shown);
  const worstTorque = appliedTorque(torque, errorPercent);
  const outsidePercent = percentOutside(worstTorque, low, high);
  const wasInside = percentOutside(torque, low, high) <= 0;
  if (outsidePercent <= 0) return { pulls, errorPercent, worstTorque, outsidePercent, outsideFromUse: null };
  const limit = worstTorque > high ? high : low;
  const share = wasInside ? (torque / limit - 1) / (errorPercent / 100) : 0;
  return {
    pulls,
    errorPercent,
    worstTorque,
    outsidePercent,
    outsideFromUse: Math.max(1, Math.ceil(share * uses)),
  };
};

/** What a recall says of a job. */
export type RecalledJob = {
  readonly jobId: string;
  readonly pulls: number;
  readonly outsideWorst: number;
  /** Outside when the error grew linearly in use; where alike pulls straddle the use, counted by their share. */
  readonly outsideLinear: number;
  readonly farthestPercent: number;
};

/** Of alike pulls, how many came at or after a use, taking them as evenly spread between their first and last. */
export const countFrom = ({ count, firstUse, lastUse }: AlikePulls, use: number | null): number => {
  if (use === null || use > lastUse) return 0;
  if (use <= firstUse) return count;
  return Math.round((count * (lastUse - use + 1)) / (lastUse - firstUse + 1));
};

/** Groups recalled pulls by job, the job with the pull farthest outside first; jobs without one outside are left out. */
export const recalledJobs = (recalled: readonly RecalledPulls[]): readonly RecalledJob[] => {
  const jobs = new Map<string, RecalledJob>();
  for (const { pulls, outsidePercent, outsideFromUse } of recalled) {
    const before = jobs.get(pulls.jobId);
    jobs.set(pulls.jobId, {
      jobId: pulls.jobId,
      pulls: (before?.pulls ?? 0) + pulls.count,
      outsideWorst: (before?.outsideWorst ?? 0) + (outsidePercent > 0 ? pulls.count : 0),
      outsideLinear: (before?.outsideLinear ?? 0) + countFrom(pulls, outsideFromUse),
      farthestPercent: Math.max(before?.farthestPercent ?? Number.NEGATIVE_INFINITY, outsidePercent),
    });
  }
  return [...jobs.values()]
    .filter(({ outsideWorst }) => outsideWorst > 0)
    .sort((a, b) => b.farthestPercent - a.farthestPercent);
};
