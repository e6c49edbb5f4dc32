import { CLICK_IS_A_WARNING, EYE_PROTECTION, NO_CHEATER_BAR } from '../everywhere.ts';
import { caution, type JointKind, ONE_PASS } from '../joint-kind.ts';
import { confirmed, inspected, measured } from '../written-step.ts';

/** The knob that a spindle pulls a holder in by. Too loose it leaves the holder, too tight it swells the small end of the taper, so that the
 *  holder no longer seats. Common practice; the knob maker's torque, with or without grease as it says, overrides it. */
export const RETENTION_KNOB: JointKind = {
  code: 'retention-knob',
  revision: 1,
  name: 'Retention knob',
  words: {
    fastener: 'retention knob',
    fasteners: 'retention knobs',
    part: 'holder',
    seenFrom: 'from the small end',
    moved: '',
    leaveReasons: ['knob to be replaced'],
  },
  details: [{ id: 'taper', name: 'Taper', missing: 'no taper named' }],
  outline: 'none',
  usualDrive: 'hex-head',
  order: 'as-listed',
  passes: ONE_PASS,
  roundsUntilStill: false,
  passesSource: '',
  identify: [
    {
      what: 'standard and angle of the knob',
      ways: [
        'The marking on its flange',
        'Gauge or drawing: head diameter, head angle, bore or no bore for coolant',
      ],
      otherwise: 'It does not go into a spindle: two that look alike pull with different angles.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'Blue shows a hard ring at the small end of the taper',
      remedy:
        'The knob has swollen it. Loosen, pull again to the low end; the same again: the holder is out of use.',
      source: '',
    },
    {
      sign: 'Pulled past the limit',
      remedy: 'The knob is replaced, not eased: its neck was stretched. Check the taper with blue.',
      source: '',
    },
    {
      sign: 'Crack, dent or worn head',
      remedy: 'Scrap. A knob that breaks lets go of a turning tool.',
      source: '',
    },
  ],
  steps: [
    EYE_PROTECTION,
    caution(
      'holder-in-fixture',
      'Holder in its fixture',
      'Never in the spindle, and never leaning on a spindle that its drive holds: the holder stands in the tightening fixture.',
    ),
    caution('cutter-out', 'Cutting edges out or covered', 'The holder is handled by its flange.'),
    NO_CHEATER_BAR,
    CLICK_IS_A_WARNING,
    inspected({
      id: 'knob-inspected',
      stage: 'prepare',
      scope: 'fastener',
      title: 'Knob inspected',
      detail: 'No crack at the neck, head not dented or worn, thread whole, the right knob for this spindle.',
    }),
    confirmed({
      id: 'thread-as-asked',
      stage: 'prepare',
      scope: 'fastener',
      title: 'Thread as its maker asks',
      detail: 'Clean, and greased or dry as the value was printed for.',
    }),
    measured(
      { unit: '%', low: 80 },
      {
        id: 'taper-contact',
        stage: 'check',
        scope: 'fastener',
        title: 'Contact of the taper',
        detail: 'Share of the taper that blue shows in the gauge, with no hard ring at the small end.',
      },
    ),
  ],
};
