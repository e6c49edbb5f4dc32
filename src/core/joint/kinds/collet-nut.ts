import { CLICK_IS_A_WARNING, EYE_PROTECTION, NO_CHEATER_BAR } from '../everywhere.ts';
import { caution, type JointKind, ONE_PASS } from '../joint-kind.ts';

/** The nut of a collet holder: what the shank stands in, what the collet has been through and how true it runs decide as much as the torque.
 *  Depths and scratches: common practice, no published source; the holder maker's figures override them. */
export const COLLET_NUT: JointKind = {
  code: 'collet-nut',
  revision: 2,
  name: 'Collet nut',
  words: {
    fastener: 'collet nut',
    fasteners: 'collet nuts',
    part: 'collet',
    seenFrom: 'from the nose',
    moved: '',
    leaveReasons: ['cutter worn, not used'],
  },
  details: [
    { id: 'shank', name: 'Shank', missing: 'no shank named' },
    { id: 'cutter', name: 'Cutter', missing: 'no cutter named' },
  ],
  outline: 'none',
  usualDrive: 'slotted-nut',
  order: 'as-listed',
  passes: ONE_PASS,
  roundsUntilStill: false,
  passesSource: '',
  identify: [
    {
      what: 'series of the collet and size of its bore',
      ways: [
        'The marking on its front face: series, then the range it closes over',
        'Measured: the largest diameter of the taper, and the shank with a micrometer',
      ],
      otherwise: 'Take the lowest torque that the table has for that shank, and ask.',
      source: '',
    },
    {
      what: 'kind of nut',
      ways: ['Marked on the nut: plain, with a rolling or coated face, or sealed'],
      otherwise: 'Take it for a plain one: what a coated face needs is less, and the table says so.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'Runout above its limit',
      remedy:
        'Loosen, take the collet out, clean taper, bore and nut, turn the shank a quarter, pull again. Twice above: another collet.',
      source: '',
    },
    {
      sign: 'The shank slips in the cut',
      remedy: 'Never more torque. Shank degreased and measured, collet of the right bore, depth checked.',
      source: '',
    },
    {
      sign: 'Ring scratch in the bore or on the taper',
      remedy: 'The collet is scrap: a scratch is a line of pressure on the shank. Say so and take another.',
      source: '',
    },
    {
      sign: 'Pulled past the limit',
      remedy:
        'Loosen, look at the nut’s face and the first thread; a collet that was overclosed on a small shank is scrap.',
      source: '',
    },
  ],
  steps: [
    EYE_PROTECTION,
    caution(
      'holder-in-fixture',
      'Holder in its fixture',
      'Never lean on a spindle that its drive holds: the holder stands in the tightening fixture, or the spindle is locked by its pin.',
    ),
    caution('cutter-covered', 'Edges covered', 'Glove or cover on the cutter before a hand goes near it.'),
    NO_CHEATER_BAR,
    CLICK_IS_A_WARNING,
    {
      id: 'collet-inspected',
      stage: 'prepare',
      scope: 'part',
      act: { kind: 'inspect' },
      title: 'Collet inspected',
      detail:
        'Slots clean, taper bright, no ring scratch in bore or on taper. Any ring scratch scraps it: say so and take another.',
      isBlocking: true,
      source: '',
    },
    {
      id: 'seats-clean',
      stage: 'prepare',
      scope: 'group',
      act: { kind: 'confirm' },
      title: 'Seats clean and dry',
      detail: 'Taper, nut and thread wiped; no oil on the taper unless the holder’s maker asks for it.',
      isBlocking: true,
      source: '',
    },
    {
      id: 'snapped-in',
      stage: 'prepare',
      scope: 'fastener',
      act: { kind: 'confirm' },
      title: 'Collet snapped into the nut',
      detail: 'Before the shank goes in and before the nut goes on the holder.',
      isBlocking: true,
      source: '',
    },
    {
      id: 'insertion-depth',
      stage: 'prepare',
      scope: 'fastener',
      act: { kind: 'measure', limits: { unit: 'mm', low: 3, high: null, from: null } },
      title: 'Shank past the back face',
      detail: 'How far the end of the shank stands inside the back face of the collet.',
      isBlocking: true,
      source: '',
    },
    {
      id: 'flutes-out',
      stage: 'prepare',
      scope: 'fastener',
      act: { kind: 'measure', limits: { unit: 'mm', low: 1.5, high: null, from: null } },
      title: 'Flutes out of the nose',
      detail: 'How far the flutes begin in front of the collet’s nose.',
      isBlocking: true,
      source: '',
    },
    {
      id: 'runout',
      stage: 'check',
      scope: 'fastener',
      act: { kind: 'measure', limits: { unit: 'mm', low: null, high: 0.02, from: 'runout' } },
      title: 'Runout, full turn',
      detail:
        'Largest less smallest of the indicator over one turn, at the shank. Above it: loosen, clean, turn the shank, pull again.',
      isBlocking: true,
      source: '',
    },
  ],
};
