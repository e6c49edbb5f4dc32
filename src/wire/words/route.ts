import type { JobRoute } from '#core/route/job-route.ts';
import { type Pace, timeFor } from '#core/route/pace.ts';
import type { Changes } from '#core/route/route-problem.ts';
import { waitWords } from './joint.ts';

const counted = (count: number, one: string): string => `${count} ${count === 1 ? one : `${one}s`}`;

/** Changes in words: `2 settings, 1 tool to take up`. */
export const changesWords = ({ settings, takenUp }: Changes): string =>
  [counted(settings, 'setting'), ...(takenUp > 0 ? [`${counted(takenUp, 'tool')} to take up`] : [])].join(
    ', ',
  );

/** Whether fewer changes would be possible. */
export const fewerWords = ({ settings, takenUp, atLeast, isProved }: JobRoute): string =>
  isProved
    ? 'Fewer is not possible in an order that the joint allows.'
    : `At the most ${counted(settings + takenUp - atLeast, 'change')} above the fewest there can be.`;

/** How long a route takes, and where that comes from. */
export const paceWords = (pace: Pace | null, pulls: number, changes: Changes): string => {
  if (!pace) return 'No time is estimated: too few pulls of this site follow each other yet.';
  const { pullSeconds, changeSeconds, counted: many } = pace;
  const change = changeSeconds === null ? '' : `, ${Math.round(changeSeconds)} s more with a change`;
  return `About ${waitWords(Math.max(1, timeFor(pace, pulls, changes) / 60))} for ${counted(pulls, 'pull')}: ${Math.round(pullSeconds)} s from pull to pull${change}, by ${many} of this site’s own.`;
};

const MOST_NAMES = 3;

/** Which fasteners a leg works: `X3-1, X3-4, X3-5 and 9 more`. */
export const legWords = (positions: readonly string[]): string => {
  const names = positions.slice(0, MOST_NAMES).join(', ');
  const more = positions.length - MOST_NAMES;
  return more > 0 ? `${names} and ${more} more` : names;
};
