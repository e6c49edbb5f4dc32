import { CLICK_IS_A_WARNING, EYE_PROTECTION, NO_CHEATER_BAR } from '../everywhere.ts';
import type { JointKind } from '../joint-kind.ts';

/** A clamp on a part that crushes before its screws are tight: the lower of two values governs, paste lets less torque hold it, and the screws
 *  are brought up turn about so that the gap stays even. Common practice; the part maker's instructions override it. */
export const SOFT_PART_CLAMP: JointKind = {
  code: 'soft-part-clamp',
  revision: 2,
  name: 'Clamp on a soft part',
  words: {
    fastener: 'clamp screw',
    fasteners: 'clamp screws',
    part: 'clamped part',
    seenFrom: 'from the front',
    moved: 'the screw turned before the tool gave',
    leaveReasons: ['part to be replaced'],
  },
  details: [],
  outline: 'none',
  usualDrive: 'hex-socket',
  order: 'alternating',
  passes: [
    { name: 'half', amount: { kind: 'share', share: 0.5 } },
    { name: 'three quarters', amount: { kind: 'share', share: 0.75 } },
    { name: 'full torque', amount: { kind: 'share', share: 1 } },
  ],
  roundsUntilStill: true,
  passesSource: '',
  identify: [
    {
      what: 'which of the two parts allows less',
      ways: [
        'The value printed on each part',
        'The table of the part’s maker; a carbon part by its weave or its lacquer',
      ],
      otherwise: 'The lower of the two governs, and the softer is taken for carbon.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'It still slips at full torque',
      remedy: 'Paste on the clamped faces, never more torque. Slips again: the parts do not fit each other.',
      source: '',
    },
    {
      sign: 'A crack or a soft, dull spot',
      remedy: 'The part is scrap, whatever the load. Nobody rides or lifts on it.',
      source: '',
    },
    {
      sign: 'The gap closes on one side',
      remedy: 'Loosen both, begin again turn about in small steps.',
      source: '',
    },
  ],
  steps: [
    EYE_PROTECTION,
    NO_CHEATER_BAR,
    CLICK_IS_A_WARNING,
    {
      id: 'part-inspected',
      stage: 'prepare',
      scope: 'part',
      act: { kind: 'inspect' },
      title: 'Clamped part inspected',
      detail:
        'No crack, crush mark, soft spot or whitened fibre where the clamp sits. In doubt it is not clamped.',
      isBlocking: true,
      source: '',
    },
    {
      id: 'friction-paste',
      stage: 'prepare',
      scope: 'group',
      act: { kind: 'confirm' },
      title: 'Friction paste on the part',
      detail: 'A thin coat where the clamp sits, none on the threads: paste there changes the torque.',
      isBlocking: true,
      source: '',
    },
    {
      id: 'gap-even',
      stage: 'between-passes',
      scope: 'group',
      act: { kind: 'confirm' },
      title: 'Gap even on both sides',
      detail: 'Ease the tighter side before the next pass.',
      isBlocking: true,
      source: '',
    },
    {
      id: 'does-not-turn',
      stage: 'check',
      scope: 'group',
      act: { kind: 'inspect' },
      title: 'Part does not turn or slip',
      detail: 'By hand force only, as it is loaded in use. It slips: paste again, never more torque.',
      isBlocking: true,
      source: '',
    },
  ],
};
