import { CLICK_IS_A_WARNING, EYE_PROTECTION, NO_CHEATER_BAR } from '../everywhere.ts';
import { caution, type JointKind } from '../joint-kind.ts';
import { confirmed, inspected, measured, waited } from '../written-step.ts';

/** A plate on a gasket or a lining, its bolts counter-held from behind: fitted dry, shimmed, brought down from the middle outwards in passes, and
 *  pulled again when it has settled. Source of the passes and the wait: ASME PCC-1 (from memory); the maker's instructions override it. */
export const GASKETED_PLATE: JointKind = {
  code: 'gasketed-plate',
  revision: 1,
  name: 'Gasketed or lined plate',
  words: {
    fastener: 'plate bolt',
    fasteners: 'plate bolts',
    part: 'gasket or lining',
    seenFrom: 'from the nut side',
    moved: 'the nut turned before the tool gave',
    leaveReasons: ['stud damaged'],
  },
  details: [],
  outline: 'none',
  usualDrive: 'hex-head',
  order: 'centre-out',
  passes: [
    { name: 'snug, a third', amount: { kind: 'share', share: 0.3 } },
    { name: 'two thirds', amount: { kind: 'share', share: 0.65 } },
    { name: 'full torque', amount: { kind: 'share', share: 1 } },
  ],
  roundsUntilStill: true,
  passesSource: 'ASME PCC-1, passes of 20–30 %, 50–70 % and 100 %, then rounds (from memory)',
  otherPasses: [
    {
      id: 'four-passes',
      name: 'snug, 30 %, 70 %, full, rounds until nothing moves',
      passes: [
        { name: 'snug', amount: { kind: 'share', share: 0.1 } },
        { name: 'a third', amount: { kind: 'share', share: 0.3 } },
        { name: 'two thirds', amount: { kind: 'share', share: 0.7 } },
        { name: 'full torque', amount: { kind: 'share', share: 1 } },
      ],
      roundsUntilStill: true,
      source: 'ASME PCC-1 (from memory)',
    },
  ],
  identify: [
    {
      what: 'gasket or lining, and its thickness',
      ways: ['Its print or its bag', 'Measured at the rim of the old one, where nothing pressed it'],
      otherwise: 'A new one of the drawing; an old one is never pressed twice.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'The outer ones come loose when the inner ones are tightened',
      remedy: 'From the middle outwards, then round again at full torque until nothing moves.',
      source: '',
    },
    {
      sign: 'The bolt turns behind the plate',
      remedy: 'It was not held: loosen, counter-hold, pull again. A turned bolt has scored its lining.',
      source: '',
    },
    {
      sign: 'A gap stays on one side',
      remedy: 'Never pulled shut by torque: off, shim again by the measured gap.',
      source: '',
    },
    {
      sign: 'Thread stands far out of the nut',
      remedy: 'More than three pitches: trimmed, smoothed, and looked at for clearance.',
      source: '',
    },
  ],
  onlyOne: 'a stud or an insert is pulled in the lower half of its range.',
  steps: [
    caution(
      'load-off',
      'Load off and held',
      'What the plate carries, closes or brakes is held by something else.',
    ),
    caution(
      'pressure-off',
      'Pressure off',
      'Depressurised, drained, locked; a cover that sticks is not pried while anything is behind it.',
    ),
    EYE_PROTECTION,
    NO_CHEATER_BAR,
    CLICK_IS_A_WARNING,
    measured(
      { unit: 'mm', high: 0.1 },
      {
        id: 'dry-fit-gap',
        stage: 'prepare',
        scope: 'group',
        title: 'Gap at a dry fit',
        detail:
          'Without gasket or lining, by blades all round: largest less smallest. Above it a shim of that much is made.',
      },
    ),
    inspected({
      id: 'faces-inspected',
      stage: 'prepare',
      scope: 'part',
      title: 'Faces, gasket or lining inspected',
      detail: 'Clean, whole, no groove across; the lining bedded as its maker says.',
    }),
    confirmed({
      id: 'nuts-held',
      stage: 'prepare',
      scope: 'group',
      title: 'Counter-hold at hand',
      detail: 'A key that fits on every head behind, so that only the nut turns.',
    }),
    confirmed({
      id: 'gap-even',
      stage: 'between-passes',
      scope: 'group',
      title: 'Gap even all round',
      detail: 'By blades at four places before the next pass.',
    }),
    waited(240, {
      id: 'settled',
      stage: 'settle',
      scope: 'group',
      title: 'Left to settle',
      detail: 'The gasket goes on giving way; nothing is pulled meanwhile.',
      source: 'ASME PCC-1, relaxation of gaskets, 4 h (from memory)',
    }),
    measured(
      { unit: 'pitches', high: 3 },
      {
        id: 'thread-out',
        stage: 'check',
        scope: 'group',
        title: 'Thread out of the nut',
        detail:
          'The longest of all. More than three is trimmed and smoothed; less than one is a bolt too short.',
        isBlocking: false,
      },
    ),
  ],
};
