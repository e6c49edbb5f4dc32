import { CLICK_IS_A_WARNING, EYE_PROTECTION } from '../everywhere.ts';
import { caution, type JointKind, ONE_PASS } from '../joint-kind.ts';
import { confirmed, inspected, measured } from '../written-step.ts';

/** A flared tube or hose on its cone, made once and with a second wrench on the fitting: too little weeps, too much thins the flare, and more
 *  torque never mends a leak. Source of the practice: FAA AC 43.13-1B, 8-31 and table 9-2 (from memory); the system's manual overrides it. */
export const FLARE_FITTING: JointKind = {
  code: 'flare-fitting',
  revision: 1,
  name: 'Flared tube or hose',
  words: {
    fastener: 'flare nut',
    fasteners: 'flare nuts',
    part: 'line',
    seenFrom: 'along the line',
    moved: '',
    leaveReasons: ['line blanked off'],
  },
  details: [
    { id: 'tube', name: 'Tube', missing: 'no tube size named' },
    { id: 'alloy', name: 'Alloy', missing: 'no alloy named' },
  ],
  outline: 'none',
  usualDrive: 'flare-nut',
  order: 'as-listed',
  passes: ONE_PASS,
  roundsUntilStill: false,
  passesSource: 'FAA AC 43.13-1B, table 9-2 (from memory)',
  identify: [
    {
      what: 'alloy of the tube',
      ways: [
        'The marking printed along the tube, or its colour band',
        'The paper of the line or the drawing',
        'Bent or filed against a known piece: the soft one gives by hand',
      ],
      otherwise: 'The softest of the table, which takes the least torque.',
      source: '',
    },
    {
      what: 'angle of the cone',
      ways: ['A gauge on the fitting: 37° and 45° are both about and do not seal on each other'],
      otherwise: 'It is not put together.',
      source: '',
    },
    {
      what: 'size by its dash',
      ways: [
        'The dash number counts sixteenths of an inch of tube outside: -4 is 1/4 in, never 4 in or 4 mm',
      ],
      otherwise: 'Measured outside with a calliper.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'It weeps at the right torque',
      remedy:
        'Let the pressure off, take it apart, look at flare and cone, align, pull again. Never more torque on a leak.',
      source: '',
    },
    {
      sign: 'The tube turns with the nut',
      remedy:
        'Stop: the sleeve is dry or the fitting not held. Apart, look at the flare, hold the fitting with a second wrench.',
      source: '',
    },
    {
      sign: 'Pulled past the limit',
      remedy: 'The flare is thinned. Cut off and flare afresh, or a new line.',
      source: '',
    },
  ],
  steps: [
    caution(
      'pressure-off',
      'Pressure off and caught',
      'Depressurised, drained and vented; what runs out is caught, and nothing hot or burning is near.',
    ),
    EYE_PROTECTION,
    CLICK_IS_A_WARNING,
    inspected({
      id: 'flare-inspected',
      stage: 'prepare',
      scope: 'fastener',
      title: 'Flare and cone inspected',
      detail: 'No split, scratch or thin edge; cone bright; sleeve behind the flare, the right way round.',
    }),
    confirmed({
      id: 'aligned-by-hand',
      stage: 'prepare',
      scope: 'fastener',
      title: 'Lies true and runs down by hand',
      detail: 'The line reaches its cone without being pulled there; nut to finger tight.',
    }),
    confirmed({
      id: 'fitting-held',
      stage: 'prepare',
      scope: 'fastener',
      title: 'Fitting counter-held',
      detail: 'A second wrench on the fitting, so that neither the tube nor the part behind it is turned.',
    }),
    measured(
      { unit: 'kPa/min', high: 0 },
      {
        id: 'pressure-hold',
        stage: 'check',
        scope: 'group',
        title: 'Pressure drop after settling',
        detail:
          'Held at test pressure; the drop in a minute once it has settled. Every joint looked at or brushed with soap.',
      },
    ),
  ],
};
