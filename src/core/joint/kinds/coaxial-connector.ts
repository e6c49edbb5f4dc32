import { CLICK_IS_A_WARNING, EYE_PROTECTION } from '../everywhere.ts';
import { type JointKind, ONE_PASS } from '../joint-kind.ts';
import { confirmed, inspected, measured } from '../written-step.ts';

/** Threaded coaxial couplings: pulled with a break-over key to its first give and no further, the body held so that only the nut turns. Common
 *  practice; the connector maker's value and key override it. */
export const COAXIAL_CONNECTOR: JointKind = {
  code: 'coaxial-connector',
  revision: 1,
  name: 'Coaxial connectors',
  words: {
    fastener: 'connector',
    fasteners: 'connectors',
    part: 'cable',
    seenFrom: 'from the panel’s front',
    moved: '',
    leaveReasons: ['port capped'],
  },
  details: [
    { id: 'series', name: 'Series', missing: 'no series named' },
    { id: 'across-flats', name: 'Across flats', missing: 'no opening size named' },
  ],
  outline: 'none',
  usualDrive: 'round-connector',
  order: 'reading',
  passes: ONE_PASS,
  roundsUntilStill: false,
  passesSource: '',
  identify: [
    {
      what: 'series of the connector',
      ways: [
        'The gauge of the series: two that screw together may still break each other’s pin',
        'Pin and dielectric: air, or white plastic',
      ],
      otherwise: 'It is not mated.',
      source: '',
    },
    {
      what: 'opening of the key',
      ways: ['Across the flats with a calliper; brass bodies and steel ones of one size want different keys'],
      otherwise: 'The key of the lower torque.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'The key was pulled past its first give',
      remedy:
        'Loosen, look at pin and socket, gauge both, mate again by hand and pull to the first give only.',
      source: '',
    },
    {
      sign: 'The body turned with the nut',
      remedy: 'Apart at once: the pin has turned in its socket. Gauge both before they are mated again.',
      source: '',
    },
    {
      sign: 'Grit on the thread',
      remedy: 'Blown off dry, wiped with a swab, never with a wet cloth.',
      source: '',
    },
  ],
  onlyOne: 'a port that is worn out costs the instrument; gauge it before every mating.',
  steps: [
    EYE_PROTECTION,
    CLICK_IS_A_WARNING,
    confirmed({
      id: 'earthed',
      stage: 'prepare',
      scope: 'group',
      title: 'Wrist strap on, cable discharged',
      detail: 'A charged cable is shorted before it is mated with anything that is sensitive.',
    }),
    inspected({
      id: 'faces-inspected',
      stage: 'prepare',
      scope: 'fastener',
      title: 'Pin and faces inspected',
      detail: 'Under a glass: pin straight and in the middle, no metal dust, thread whole.',
    }),
    measured(
      { unit: 'mm', low: 0 },
      {
        id: 'pin-depth',
        stage: 'prepare',
        scope: 'fastener',
        title: 'Pin behind its plane',
        detail: 'By the gauge of the series; a pin that stands out breaks the other one.',
        isBlocking: false,
      },
    ),
    confirmed({
      id: 'by-hand-first',
      stage: 'prepare',
      scope: 'fastener',
      title: 'Mated by hand, body held',
      detail: 'Only the nut turns. The key at right angles to the cable, held at its end, to the first give.',
    }),
    confirmed({
      id: 'not-strained',
      stage: 'check',
      scope: 'fastener',
      title: 'Cable hangs without strain',
      detail: 'Its bend begins no nearer than five times its thickness.',
      isBlocking: false,
    }),
  ],
};
