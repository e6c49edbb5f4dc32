import { CLICK_IS_A_WARNING, EYE_PROTECTION } from '../everywhere.ts';
import { caution, type JointKind, ONE_PASS } from '../joint-kind.ts';
import { confirmed, inspected, measured } from '../written-step.ts';

/** Separable high-voltage connectors: parts that look alike and take different torques, a pin that is sheared into the bushing before the plug
 *  goes on, and both sides pulled. Common practice; the maker's instructions and the operator's rules override it, and only people who are
 *  authorised work on it. */
export const SEPARABLE_CONNECTOR: JointKind = {
  code: 'separable-connector',
  revision: 1,
  name: 'Separable high-voltage connectors',
  words: {
    fastener: 'pin or plug',
    fasteners: 'pins and plugs',
    part: 'connector',
    seenFrom: 'from the cable side',
    moved: '',
    leaveReasons: ['bushing capped'],
  },
  details: [
    { id: 'piece', name: 'Piece', missing: 'no piece named' },
    { id: 'side', name: 'Side', missing: 'no side named' },
  ],
  outline: 'none',
  usualDrive: 'hex-socket',
  order: 'as-listed',
  passes: ONE_PASS,
  roundsUntilStill: false,
  passesSource: '',
  identify: [
    {
      what: 'which of the look-alike pieces it is',
      ways: [
        'The number moulded or stamped on it, read aloud by one and ticked by another',
        'Its socket: a pin and a plug that look alike take different keys and different torques',
      ],
      otherwise: 'It is not fitted.',
      source: '',
    },
    {
      what: 'metal of the lug',
      ways: ['Its marking', 'Its colour and weight: two metals want a lug that is made for both'],
      otherwise: 'It is not fitted.',
      source: '',
    },
  ],
  troubles: [
    {
      sign: 'The pin did not shear',
      remedy: 'It is not in to its depth: out, thread cleaned, a new pin; never on with the plug over it.',
      source: '',
    },
    {
      sign: 'The wrong torque was used on a look-alike',
      remedy: 'That piece is replaced, and its pair on the other side looked at.',
      source: '',
    },
    {
      sign: 'Scratch or grease in the wrong place on the interface',
      remedy: 'Wiped with what the maker names; a scratch along the path of the field is scrap.',
      source: '',
    },
  ],
  onlyOne: 'the bushing can’t be changed without the tank; stop at the first jump, and ask.',
  steps: [
    caution(
      'isolated-tested-earthed',
      'Isolated, tested dead, earthed',
      'By authorised people under the operator’s rules: open, locked, tested by an approved tester that was proved before and after, earthed both sides.',
    ),
    caution(
      'cable-discharged',
      'Cable discharged',
      'A cable keeps its charge: earthed through its tool for as long as the maker says.',
    ),
    EYE_PROTECTION,
    CLICK_IS_A_WARNING,
    inspected({
      id: 'interface-inspected',
      stage: 'prepare',
      scope: 'part',
      title: 'Interface inspected and greased',
      detail: 'Bushing and elbow clean, no scratch, a thin coat of the maker’s compound.',
    }),
    confirmed({
      id: 'piece-read-aloud',
      stage: 'prepare',
      scope: 'fastener',
      title: 'Piece and value read aloud',
      detail: 'One reads the number on the piece, the other the value on the screen.',
    }),
    measured(
      { unit: 'mm', low: 0 },
      {
        id: 'depth-to-mark',
        stage: 'check',
        scope: 'fastener',
        title: 'Seated past its mark',
        detail: 'How far the seating band is covered; nothing of it may show.',
      },
    ),
    confirmed({
      id: 'both-sides',
      stage: 'close',
      scope: 'group',
      title: 'Both sides pulled',
      detail: 'The pin, then the plug, here and on the other side.',
    }),
  ],
};
