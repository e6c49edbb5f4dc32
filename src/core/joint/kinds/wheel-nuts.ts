import { CLICK_IS_A_WARNING, EYE_PROTECTION, NO_CHEATER_BAR } from '../everywhere.ts';
import { caution, type JointKind } from '../joint-kind.ts';
import { confirmed, inspected } from '../written-step.ts';

/** Wheel nuts and bolts: crosswise on the stand, full torque with the wheel just touching, and again after the first ride, because paint and
 *  seats give way. Common practice; the maker's instructions override it. */
export const WHEEL_NUTS: JointKind = {
  code: 'wheel-nuts',
  revision: 1,
  name: 'Wheel nuts',
  words: {
    fastener: 'wheel nut',
    fasteners: 'wheel nuts',
    part: 'wheel',
    seenFrom: 'from outside',
    moved: 'the nut turned before the tool gave',
    leaveReasons: ['stud damaged'],
  },
  details: [],
  outline: 'ring',
  usualDrive: 'hex-head',
  order: 'crosswise',
  passes: [
    { name: 'snug, on the stand', amount: { kind: 'share', share: 0.4 } },
    { name: 'full torque', amount: { kind: 'share', share: 1 } },
  ],
  roundsUntilStill: true,
  passesSource: '',
  identify: [
    {
      what: 'seat of nut and wheel',
      ways: ['Cone, ball or flat: laid in the hole by hand, it touches all round'],
      otherwise: 'It is not fitted: a ball in a cone comes loose.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'A nut gives less and less from round to round',
      remedy: 'The stud stretches: replace it and its neighbours.',
      source: '',
    },
    {
      sign: 'Paint or rust between the faces',
      remedy: 'Off, brushed bright, on again: what is soft between them lets go.',
      source: '',
    },
    {
      sign: 'Pulled past the limit',
      remedy: 'Loosen, look at stud and seat, replace the stud where it drags, pull again.',
      source: '',
    },
  ],
  steps: [
    caution(
      'on-stands',
      'On stands and chocked',
      'Never under a jack alone; wheels that stay down are chocked.',
    ),
    EYE_PROTECTION,
    NO_CHEATER_BAR,
    CLICK_IS_A_WARNING,
    confirmed({
      id: 'faces-clean',
      stage: 'prepare',
      scope: 'part',
      title: 'Faces clean and bare',
      detail:
        'Hub and wheel brushed, no paint, rust or grease between them; threads clean and dry unless the maker oils them.',
    }),
    confirmed({
      id: 'started-by-hand',
      stage: 'prepare',
      scope: 'group',
      title: 'Every nut started by hand',
      detail: 'Wheel pressed home, nuts to finger tight crosswise.',
    }),
    confirmed({
      id: 'just-touching',
      stage: 'between-passes',
      scope: 'group',
      title: 'Let down until it touches',
      detail: 'Only so far that it does not turn with the wrench.',
    }),
    inspected({
      id: 'turns-free',
      stage: 'check',
      scope: 'part',
      title: 'Turns free and true',
      detail: 'Spun by hand once it is off the ground again: no wobble, nothing rubs.',
    }),
    confirmed({
      id: 'again-after-ride',
      stage: 'close',
      scope: 'group',
      title: 'Second look agreed',
      detail:
        'Pulled again after the first ride of some 50 km, or before it carries people: who and when is said.',
      isBlocking: false,
    }),
  ],
};
