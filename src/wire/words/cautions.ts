import type { CautionId } from '#core/job/cautions.ts';

/** What a person confirms, and how. Common practice; local codes and the maker's instructions override it. */
export const CAUTION_WORDS: Record<CautionId, { readonly title: string; readonly detail: string }> = {
  'isolated-and-locked': {
    title: 'Isolated and locked',
    detail: 'Every supply of this cabinet is off, locked and tagged, foreign voltages too.',
  },
  'tester-proved-before': { title: 'Tester proved', detail: 'On a known live source, before the test.' },
  'tested-dead': {
    title: 'Tested dead',
    detail: 'Each conductor to every other and to earth, at the place of work.',
  },
  'tester-proved-after': { title: 'Tester proved again', detail: 'On the same live source, after the test.' },
  'stored-energy': {
    title: 'Stored energy gone',
    detail: 'Waited as the drive’s label says, and measured. The meter decides, not the clock.',
  },
  'line-side': {
    title: 'Line side',
    detail: 'The line side of a main switch stays live until the utility has isolated it.',
  },
  'eye-protection': {
    title: 'Eye protection on',
    detail: 'A slipping blade or a breaking screw gives no warning.',
  },
  'hand-tools-only': {
    title: 'Hand tools only',
    detail:
      'No power tool on terminals, no cheater bar, no loosening with the torque tool unless its maker allows it.',
  },
  'click-is-a-warning': {
    title: 'Stop at the click',
    detail: 'The click is a warning and not a stop: pull slowly and let go.',
  },
};
