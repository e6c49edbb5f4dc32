import { CLICK_IS_A_WARNING, EYE_PROTECTION } from '../everywhere.ts';
import { caution, type JointKind } from '../joint-kind.ts';
import { confirmed, inspected } from '../written-step.ts';

/** Screws of an inspection panel in self-locking nuts: the drag of the nut is felt before it seats and is added to the value. A panel is laid on
 *  by a screw in each corner and goes down from the middle outwards. Source of run-on torque: FAA AC 43.13-1B, 7-37 and 7-40 (from memory);
 *  the aircraft's manual overrides it. */
export const PANEL_SCREWS: JointKind = {
  code: 'panel-screws',
  revision: 1,
  name: 'Self-locking nuts and panel screws',
  words: {
    fastener: 'panel screw',
    fasteners: 'panel screws',
    part: 'panel',
    seenFrom: 'from outside',
    moved: 'the screw turned before the tool gave',
    leaveReasons: ['nut plate damaged'],
  },
  details: [],
  outline: 'none',
  usualDrive: 'cross',
  order: 'centre-out',
  passes: [
    { name: 'seated', amount: { kind: 'share', share: 0.5 } },
    { name: 'full torque', amount: { kind: 'share', share: 1 } },
  ],
  roundsUntilStill: false,
  passesSource: '',
  otherPasses: [
    {
      id: 'one-pass',
      name: 'full torque at once',
      passes: [{ name: 'full torque', amount: { kind: 'share', share: 1 } }],
      roundsUntilStill: false,
      source: '',
    },
  ],
  identify: [
    {
      what: 'screw and nut',
      ways: [
        'The part number on the bag or the parts list',
        'Its head mark, and the thread by a gauge: 8-32 is no M4',
      ],
      otherwise: 'It is not fitted.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'Runs on with the fingers alone',
      remedy:
        'The nut no longer locks: replace it. A used one must still have the least run-on torque of its table.',
      source: 'FAA AC 43.13-1B, table 7-2 (from memory)',
    },
    {
      sign: 'The nut plate turns with the screw',
      remedy: 'Stop, leave it open, say so: its rivets are gone.',
      source: '',
    },
    {
      sign: 'The cross rides up out of the head',
      remedy: 'Another bit before another push; a chewed head is replaced.',
      source: '',
    },
  ],
  steps: [
    caution(
      'aircraft-safe',
      'Aircraft made safe',
      'On the ground, switches off, controls that lie behind the panel locked; a placard says that the panel is open.',
    ),
    EYE_PROTECTION,
    CLICK_IS_A_WARNING,
    confirmed({
      id: 'nothing-left-inside',
      stage: 'prepare',
      scope: 'group',
      title: 'Nothing left inside',
      detail: 'Tools counted, looked in with a lamp, a second person where the manual asks one.',
    }),
    inspected({
      id: 'nut-locks',
      stage: 'prepare',
      scope: 'group',
      title: 'Every nut drags',
      detail: 'A screw that the fingers turn right down shows a nut that no longer locks.',
    }),
    confirmed({
      id: 'corners-first',
      stage: 'prepare',
      scope: 'group',
      title: 'Laid on by its corners',
      detail:
        'A few turns in each corner by hand, then every other screw started before the first is seated.',
    }),
    confirmed({
      id: 'counted',
      stage: 'close',
      scope: 'group',
      title: 'Screws counted, panel flush',
      detail: 'As many as were taken out, of the length each hole had; edge flush all round.',
    }),
  ],
};
