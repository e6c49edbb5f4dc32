import { caution, type JointKind } from '../joint-kind.ts';
import { withProvedDead } from '../proved-dead.ts';
import { confirmed, inspected, measured } from '../written-step.ts';
import { CONTROL_CABINET_1 } from './control-cabinet-1.ts';

/** Bolted joints of bars and lugs: bright faces, a spring washer that is flattened once, and the load held against the rating, never more torque.
 *  Classes of temperature: ANSI/NETA MTS, table 100.18 (from memory). Local codes and the maker's instructions override it. */
export const BUSBAR: JointKind = {
  code: 'busbar',
  revision: 2,
  name: 'Busbar and lugs',
  words: {
    fastener: 'bar bolt',
    fasteners: 'bar bolts',
    part: 'bar',
    seenFrom: 'from the front of the board',
    moved: 'the bolt turned before the tool gave',
    leaveReasons: ['spare hole'],
  },
  details: [],
  outline: 'none',
  usualDrive: 'hex-head',
  order: 'opposed-pairs',
  passes: [
    { name: 'half', amount: { kind: 'share', share: 0.5 } },
    { name: 'full torque', amount: { kind: 'share', share: 1 } },
  ],
  roundsUntilStill: false,
  passesSource: '',
  otherPasses: [
    {
      id: 'one-pass',
      name: 'full torque at once, for one bolt a joint',
      passes: [{ name: 'full torque', amount: { kind: 'share', share: 1 } }],
      roundsUntilStill: false,
      source: '',
    },
  ],
  identify: [
    {
      what: 'metal of the bar and its plating',
      ways: [
        'The board’s drawing',
        'A scratch at the end of the bar: copper is red, aluminium white, tin only skin deep',
      ],
      otherwise: 'Aluminium: spring washers, joint paste and the lower value.',
      source: '',
    },
    {
      what: 'class of the bolt',
      ways: ['The mark on its head'],
      otherwise: 'The weakest of the table.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'Warmer than a like joint under a like load',
      remedy:
        'Dead and apart: faces cleaned, washers new, pulled again, and the load held against the rating. More torque is no cure.',
      source: 'ANSI/NETA MTS, table 100.18 (from memory)',
    },
    {
      sign: 'A spring washer is flat or cracked',
      remedy: 'New washer, new bolt where its maker says so.',
      source: '',
    },
  ],
  steps: [
    ...withProvedDead([
      ...CONTROL_CABINET_1.steps.filter(({ id }) => id !== 'hand-tools-only'),
      caution('hand-tools-only', 'Hand tools only', 'No power tool at full torque, nothing on the handle.'),
    ]),
    inspected({
      id: 'faces-bright',
      stage: 'prepare',
      scope: 'part',
      title: 'Faces bright and flat',
      detail:
        'Brushed with a brush of its own metal only, plating not brushed through, paste where the maker asks it.',
    }),
    confirmed({
      id: 'stack-in-order',
      stage: 'prepare',
      scope: 'fastener',
      title: 'Washers in their order',
      detail:
        'Flat on the bar, spring under nut or head with its hollow side down, bolt two threads through.',
    }),
    measured(
      { unit: '°C', high: 15, from: 'temperature' },
      {
        id: 'warmer-than-like',
        stage: 'check',
        scope: 'group',
        title: 'Warmer than a like joint',
        detail:
          'Under load, once the board is closed and live again; by somebody who may. 1 to 3 look again, 4 to 15 mend soon.',
        isBlocking: false,
        source: 'ANSI/NETA MTS, table 100.18 (from memory)',
      },
    ),
  ],
};
