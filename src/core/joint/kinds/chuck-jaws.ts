import { CLICK_IS_A_WARNING, EYE_PROTECTION, NO_CHEATER_BAR } from '../everywhere.ts';
import { caution, type JointKind } from '../joint-kind.ts';
import { confirmed, inspected, measured } from '../written-step.ts';

/** Top jaws on the master jaws of a chuck: short screws of a high class in a slot, two to a jaw, brought up turn about so that the jaw seats in
 *  its serration. Common practice; the chuck maker's torque and least class override it. */
export const CHUCK_JAWS: JointKind = {
  code: 'chuck-jaws',
  revision: 1,
  name: 'Chuck jaws',
  words: {
    fastener: 'jaw screw',
    fasteners: 'jaw screws',
    part: 'jaw',
    seenFrom: 'from the front of the chuck',
    moved: 'the screw turned before the tool gave',
    leaveReasons: ['jaw not fitted'],
  },
  details: [],
  outline: 'none',
  usualDrive: 'hex-socket',
  order: 'alternating',
  passes: [
    { name: 'half', amount: { kind: 'share', share: 0.5 } },
    { name: 'full torque', amount: { kind: 'share', share: 1 } },
  ],
  roundsUntilStill: false,
  passesSource: '',
  identify: [
    {
      what: 'class of the jaw screw',
      ways: ['The mark on its head: 12.9 is asked for as a rule', 'The bag it came in'],
      otherwise: 'Take a new one of the class that is asked; an unmarked one is not used.',
      source: '',
    },
    {
      what: 'length that is screwed in',
      ways: [
        'Counted in turns until it bottoms, times the pitch',
        'Measured with a depth gauge, less the jaw',
      ],
      otherwise: 'Less than its diameter: another screw.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'A jaw lifts or is not flush',
      remedy: 'Chips in the serration. Off, clean, seat by hand, again turn about.',
      source: '',
    },
    {
      sign: 'Stripped in the jaw nut',
      remedy: 'Replace the nut and its screw; the jaws of a set are pulled again.',
      source: '',
    },
    {
      sign: 'Runout of the bored jaws grew',
      remedy: 'Clamp and bore again at the pressure of the work.',
      source: '',
    },
  ],
  steps: [
    caution(
      'spindle-locked-off',
      'Spindle locked off',
      'The machine is off and locked; a chuck is never held by the drive, and the key never stays in it.',
    ),
    EYE_PROTECTION,
    NO_CHEATER_BAR,
    CLICK_IS_A_WARNING,
    confirmed({
      id: 'serration-clean',
      stage: 'prepare',
      scope: 'part',
      title: 'Serration clean, same number as the master jaw',
      detail: 'No chip between the teeth; jaw 1 on 1, 2 on 2, 3 on 3, all in the same tooth from the rim.',
    }),
    measured(
      { unit: 'turns', low: 5 },
      {
        id: 'engaged-turns',
        stage: 'prepare',
        scope: 'fastener',
        title: 'Turns by hand until it seats',
        detail: 'Fewer than five: the screw is too short for this jaw.',
      },
    ),
    inspected({
      id: 'jaws-flush',
      stage: 'between-passes',
      scope: 'group',
      title: 'Jaws flush and even',
      detail: 'No gap under a jaw to light or a blade.',
    }),
    measured(
      { unit: 'mm', high: 0.03, from: 'runout' },
      {
        id: 'runout',
        stage: 'check',
        scope: 'group',
        title: 'Runout on a ring or a true bar',
        detail: 'Largest less smallest of the indicator over one slow turn by hand.',
      },
    ),
  ],
};
