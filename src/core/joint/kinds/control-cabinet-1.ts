import { CLICK_IS_A_WARNING, EYE_PROTECTION } from '../everywhere.ts';
import { caution, type JointKind, ONE_PASS } from '../joint-kind.ts';

/** Revision 1 of the control cabinet, which plans of the forms before joint kinds are lifted to: it never changes. */
export const CONTROL_CABINET_1: JointKind = {
  code: 'control-cabinet',
  revision: 1,
  name: 'Control cabinet',
  words: {
    fastener: 'terminal',
    fasteners: 'terminals',
    part: '',
    seenFrom: 'from the door',
    moved: '',
    leaveReasons: ['spare, no conductor'],
  },
  details: [{ id: 'conductor', name: 'Conductor', missing: 'no conductor named' }],
  outline: 'rails',
  usualDrive: 'slot',
  order: 'reading',
  passes: ONE_PASS,
  roundsUntilStill: false,
  steps: [
    caution(
      'isolated-and-locked',
      'Isolated and locked',
      'Every supply of this cabinet is off, locked and tagged, foreign voltages too.',
    ),
    caution('tester-proved-before', 'Tester proved', 'On a known live source, before the test.'),
    caution(
      'tested-dead',
      'Tested dead',
      'Each conductor to every other and to earth, at the place of work.',
    ),
    caution('tester-proved-after', 'Tester proved again', 'On the same live source, after the test.'),
    caution(
      'stored-energy',
      'Stored energy gone',
      'Waited as the drive’s label says, and measured. The meter decides, not the clock.',
    ),
    caution(
      'line-side',
      'Line side',
      'The line side of a main switch stays live until the utility has isolated it.',
    ),
    EYE_PROTECTION,
    caution(
      'hand-tools-only',
      'Hand tools only',
      'No power tool on terminals, no cheater bar, no loosening with the torque tool unless its maker allows it.',
    ),
    CLICK_IS_A_WARNING,
  ],
};
