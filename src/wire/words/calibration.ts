import type { SessionShortfall } from '#core/calibration/session-standing.ts';

/** What a session lacks to count as a calibration. */
export const SHORTFALL_WORDS: Record<SessionShortfall, string> = {
  'points-missing': 'a point that the class asks is not read',
  'readings-missing': 'a point has fewer readings than the class asks',
  'reference-unknown': 'the reference’s own uncertainty is not stated',
  'reference-too-coarse': 'the reference’s uncertainty is more than a quarter of the limit',
  'reading-doubtful': 'a reading looks like a mix-up of units',
};
