import { CLICK_IS_A_WARNING, EYE_PROTECTION, NO_CHEATER_BAR } from '../everywhere.ts';
import type { JointKind } from '../joint-kind.ts';
import { confirmed, inspected, measured } from '../written-step.ts';

/** Bolts that are pulled to a torque and then turned by an angle, often past their yield and so used once. Only where the source asks for it:
 *  by angle nobody feels that a bolt is too long, too soft or already used. Common practice; the maker's instructions override it. */
export const TORQUE_TO_ANGLE: JointKind = {
  code: 'torque-to-angle',
  revision: 1,
  name: 'Torque, then angle',
  words: {
    fastener: 'angle bolt',
    fasteners: 'angle bolts',
    part: 'joint',
    seenFrom: 'from the heads',
    moved: '',
    leaveReasons: ['bolt to be replaced'],
  },
  details: [{ id: 'angle', name: 'Angle after the torque', missing: 'no angle named' }],
  outline: 'none',
  usualDrive: 'hex-head',
  order: 'centre-out',
  passes: [
    { name: 'half', amount: { kind: 'share', share: 0.5 } },
    { name: 'the torque before the angle', amount: { kind: 'share', share: 1 } },
  ],
  roundsUntilStill: false,
  passesSource: '',
  identify: [
    {
      what: 'whether the bolt may be used again',
      ways: [
        'What the source says of it',
        'Its length against a new one: a stretched one is longer, and necks in its thread',
      ],
      otherwise: 'It may not: a new bolt.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'The torque falls while it is turned',
      remedy: 'It yields too early, or its thread strips: stop, out, new bolt, thread looked at.',
      source: '',
    },
    {
      sign: 'Nobody knows how far it was turned',
      remedy:
        'It can’t be made good from there: loosen, new bolt where it is used once, from the torque again.',
      source: '',
    },
  ],
  steps: [
    EYE_PROTECTION,
    NO_CHEATER_BAR,
    CLICK_IS_A_WARNING,
    inspected({
      id: 'bolts-new',
      stage: 'prepare',
      scope: 'group',
      title: 'Bolts new, or measured',
      detail:
        'New where they are used once; else measured against a new one and not longer than the source allows.',
    }),
    confirmed({
      id: 'lubricated-as-asked',
      stage: 'prepare',
      scope: 'group',
      title: 'Oiled as the source asks',
      detail: 'Thread and under the head, with what is named, and nothing in a blind hole.',
    }),
    measured(
      { unit: '°', low: 1 },
      {
        id: 'turned-on',
        stage: 'check',
        scope: 'fastener',
        title: 'Turned on after the torque',
        detail:
          'By an angle gauge from the mark made at the torque, in one pull; a sixth of a turn is one flat of a hex.',
      },
    ),
  ],
};
