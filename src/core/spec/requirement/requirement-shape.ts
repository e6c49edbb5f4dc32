import type { WrittenNumber } from '../../quantity/read-number.ts';
import type { WrittenTorque } from '../../quantity/torque.ts';
import type { Requirement } from './requirement.ts';
import type { Token } from './requirement-token.ts';

/** The values of a statement by their place in it. */
export type Values = {
  readonly torque: (index: number) => WrittenTorque;
  readonly number: (index: number) => number;
  readonly degrees: readonly number[];
};

/** A shape that a statement may have, by the letters of its marks, and the requirement it says. */
export type RequirementShape = {
  readonly pattern: RegExp;
  readonly build: (values: Values) => Requirement;
  readonly isWithoutTorque?: true;
};

const turned = ([angleDegrees = 0, ...further]: readonly number[]) => ({
  angleDegrees,
  ...(further.length > 0 ? { furtherDegrees: further } : {}),
});

const isZero = ({ value }: WrittenTorque): boolean => value === 0;

/** A range; one that begins at nothing says no more than its maximum. */
const ranged = (low: WrittenTorque, high: WrittenTorque): Requirement =>
  isZero(low) ? { kind: 'maximum', maximum: high } : { kind: 'range', low, high };

const about = (requirement: Requirement): Requirement =>
  requirement.kind === 'range' || requirement.kind === 'nominal'
    ? { ...requirement, isApproximate: true }
    : requirement;

const percents = (nominal: WrittenTorque, plus: number, minus: number): Requirement => ({
  kind: 'nominal-percent',
  nominal,
  tolerancePercent: plus,
  ...(plus === minus ? {} : { minusPercent: minus }),
});

// Marks as in requirement-token; a unit in front of its number has been moved behind it, and a statement in brackets stands apart.
export const REQUIREMENT_SHAPES: readonly RequirementShape[] = [
  { pattern: /^NU?$/, build: ({ torque: t }) => ({ kind: 'nominal', nominal: t(0) }) },
  { pattern: /^NU?-NU?$|^BNU?[-&]NU?$/, build: ({ torque: t }) => ranged(t(0), t(1)) },
  { pattern: /^aNU?$/, build: ({ torque: t }) => about({ kind: 'nominal', nominal: t(0) }) },
  { pattern: /^aNU?-a?NU?$/, build: ({ torque: t }) => about(ranged(t(0), t(1))) },
  { pattern: /^>NU?&?<NU?$|^NU?>&?NU?<U?$/, build: ({ torque: t }) => ranged(t(0), t(1)) },
  { pattern: /^<NU?&?>NU?$|^NU?<&?NU?>U?$/, build: ({ torque: t }) => ranged(t(1), t(0)) },
  {
    pattern: /^NU?&?<NU?$/,
    build: ({ torque: t }) => ({ kind: 'nominal-maximum', nominal: t(0), maximum: t(1) }),
  },
  { pattern: /^NU?±N%U?$/, build: ({ torque: t, number: n }) => percents(t(0), n(1), n(1)) },
  {
    pattern: /^NU?±NU?$/,
    build: ({ torque: t }) => ({ kind: 'nominal-absolute', nominal: t(0), plus: t(1), minus: t(1) }),
  },
  { pattern: /^NU?\+N%?-N%U?$/, build: ({ torque: t, number: n }) => percents(t(0), n(1), n(2)) },
  { pattern: /^NU?-N%?\+N%U?$/, build: ({ torque: t, number: n }) => percents(t(0), n(2), n(1)) },
  {
    pattern: /^NU?\+NU?-NU?$/,
    build: ({ torque: t }) => ({ kind: 'nominal-absolute', nominal: t(0), plus: t(1), minus: t(2) }),
  },
  {
    pattern: /^NU?-NU?\+NU?$/,
    build: ({ torque: t }) => ({ kind: 'nominal-absolute', nominal: t(0), plus: t(2), minus: t(1) }),
  },
  { pattern: /^<NU?$|^NU?<$/, build: ({ torque: t }) => ({ kind: 'maximum', maximum: t(0) }) },
  { pattern: /^>NU?$|^NU?>$/, build: ({ torque: t }) => ({ kind: 'minimum', minimum: t(0) }) },
  {
    pattern: /^NU?[+&]+A(?:[+&]*A)*$/,
    build: ({ torque: t, degrees }) => ({ kind: 'torque-then-angle', torque: t(0), ...turned(degrees) }),
  },
  {
    pattern: /^S(?:[+&]*A)+$/,
    build: ({ degrees }) => ({ kind: 'snug-then-angle', ...turned(degrees) }),
    isWithoutTorque: true,
  },
  {
    pattern: /^H(?:[+&]*A)+$/,
    build: ({ degrees }) => ({ kind: 'snug-then-angle', from: 'hand-tight', ...turned(degrees) }),
    isWithoutTorque: true,
  },
  { pattern: /^H$/, build: () => ({ kind: 'finger-tight' }), isWithoutTorque: true },
];

/** The letters of a statement's marks; a force where a torque belongs counts as its unit. */
export const marksOf = (tokens: readonly Token[]): string =>
  tokens.map(({ mark }) => (mark === 'F' ? 'U' : mark)).join('');

/** The numbers of a statement in order, angles apart. */
export const numbersOf = (tokens: readonly Token[]): readonly WrittenNumber[] =>
  tokens.flatMap((token) => (token.mark === 'N' ? [token.number] : []));
