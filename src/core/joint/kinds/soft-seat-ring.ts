import { CLICK_IS_A_WARNING, EYE_PROTECTION } from '../everywhere.ts';
import { caution, type JointKind } from '../joint-kind.ts';

/** A ring of screws on a soft seat: tightening one lets its neighbours go, and the seat goes on giving way for hours. Crosswise, in passes, and
 *  again after it has settled until nothing moves. Source of the passes and the wait: ASME PCC-1 (from memory). */
export const SOFT_SEAT_RING: JointKind = {
  code: 'soft-seat-ring',
  revision: 2,
  name: 'Ring of screws on a soft seat',
  words: {
    fastener: 'ring screw',
    fasteners: 'ring screws',
    part: 'seat',
    seenFrom: 'from above',
    moved: 'the screw turned before the tool gave',
    leaveReasons: ['thread damaged'],
  },
  details: [],
  outline: 'ring',
  usualDrive: 'hex-socket',
  order: 'crosswise',
  passes: [
    { name: 'snug, a third', amount: { kind: 'share', share: 0.33 } },
    { name: 'two thirds', amount: { kind: 'share', share: 0.66 } },
    { name: 'full torque', amount: { kind: 'share', share: 1 } },
  ],
  roundsUntilStill: true,
  passesSource: 'ASME PCC-1, legacy pattern and passes (from memory)',
  otherPasses: [
    {
      id: 'two-passes',
      name: 'half, full, rounds until nothing moves',
      passes: [
        { name: 'half', amount: { kind: 'share', share: 0.5 } },
        { name: 'full torque', amount: { kind: 'share', share: 1 } },
      ],
      roundsUntilStill: true,
      source: '',
    },
    {
      id: 'one-pass-and-rounds',
      name: 'full torque at once, rounds until nothing moves',
      passes: [{ name: 'full torque', amount: { kind: 'share', share: 1 } }],
      roundsUntilStill: true,
      source: '',
    },
  ],
  identify: [
    {
      what: 'what the seat is made of',
      ways: [
        'The drawing or the part’s bag',
        'Pressed with a thumbnail: rubber gives and comes back, cork stays dented',
      ],
      otherwise: 'The softer one: more rounds and the longer wait.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'The outer or the neighbouring screws are loose again',
      remedy: 'That is the seat, not the screws: go round again at full torque until nothing moves.',
      source: '',
    },
    {
      sign: 'Rounds do not come to rest',
      remedy: 'The seat is creeping or cut. Stop, look at it, take a new seat; never raise the torque.',
      source: '',
    },
    {
      sign: 'Stripped, or an insert that spins',
      remedy:
        'Leave it open and say so; the ring is not tightened around a missing screw until its keeper has decided.',
      source: '',
    },
  ],
  onlyOne: 'take the lower half of the range, and stop at the first sound or jump.',
  steps: [
    caution(
      'held-from-below',
      'Held from below',
      'What the ring carries is supported until the last screw is at full torque.',
    ),
    EYE_PROTECTION,
    caution(
      'hand-tools-only',
      'Hand tools only',
      'No power tool on small screws, not even to run them down.',
    ),
    CLICK_IS_A_WARNING,
    {
      id: 'seat-inspected',
      stage: 'prepare',
      scope: 'part',
      act: { kind: 'inspect' },
      title: 'Seat inspected',
      detail: 'Whole, clean, lying flat, no old witness of a screw in it.',
      isBlocking: true,
      source: '',
    },
    {
      id: 'started-by-hand',
      stage: 'prepare',
      scope: 'group',
      act: { kind: 'confirm' },
      title: 'Every screw started by hand',
      detail: 'Three turns with the fingers, without a tool; a screw that binds comes out again.',
      isBlocking: true,
      source: '',
    },
    {
      id: 'gap-even',
      stage: 'between-passes',
      scope: 'group',
      act: { kind: 'confirm' },
      title: 'Gap even all round',
      detail: 'Looked at, or felt with a blade, before the next pass.',
      isBlocking: false,
      source: '',
    },
    {
      id: 'settled',
      stage: 'settle',
      scope: 'group',
      act: { kind: 'wait', minutes: 240 },
      title: 'Seat left to settle',
      detail: 'It goes on giving way under the screws; nothing is pulled meanwhile.',
      isBlocking: true,
      source: 'ASME PCC-1, relaxation of gaskets (from memory)',
    },
  ],
};
