import type { WrittenNumber } from '../../../quantity/read-number.ts';
import type { WrittenTorque } from '../../../quantity/torque.ts';
import { fromNewtonMetres, type TorqueUnit, toNewtonMetres, unitSymbol } from '../../../quantity/unit.ts';
import { accepted, type Result, refused } from '../../../result.ts';
import { REQUIREMENT_MAX_LENGTH, type ReadRequirement } from '../../../spec/requirement/read-requirement.ts';
import { printedTorques, type Requirement } from '../../../spec/requirement/requirement.ts';
import { TORQUE_MAX_NEWTON_METRES } from '../../../spec/requirement/requirement-bounds.ts';
import type { Candidate, RequirementRefusal } from '../../../spec/requirement/requirement-refusal.ts';
import { disagreements } from './agreement.ts';
import { lexRequirement, type Token } from './lex-requirement.ts';
import { UNIT_GUESSES } from './unit-spelling.ts';

// As rules 1 and 2 read print. Frozen: what is read anew stands in spec/requirement.

const ANGLE_MAX_DEGREES = 720;

type Statement = { readonly text: string; readonly tokens: readonly Token[] };
type Shape = { readonly pattern: RegExp; readonly build: Build; readonly isWithoutTorque?: true };
type Build = (torque: (index: number) => WrittenTorque, number: (index: number) => number) => Requirement;

// Marks: N number, U unit, - to, ± tolerance, % percent, ° degrees, + plus, < at most, > at least, S snug.
const SHAPES: readonly Shape[] = [
  { pattern: /^NU?-NU?$/, build: (t) => ({ kind: 'range', low: t(0), high: t(1) }) },
  { pattern: /^>NU?<NU?$|^NU?>NU?<$/, build: (t) => ({ kind: 'range', low: t(0), high: t(1) }) },
  { pattern: /^NU?$/, build: (t) => ({ kind: 'nominal', nominal: t(0) }) },
  {
    pattern: /^NU?±N%U?$/,
    build: (t, n) => ({ kind: 'nominal-percent', nominal: t(0), tolerancePercent: n(1) }),
  },
  {
    pattern: /^NU?±NU?$/,
    build: (t) => ({ kind: 'nominal-absolute', nominal: t(0), plus: t(1), minus: t(1) }),
  },
  {
    pattern: /^NU?\+NU?-NU?$/,
    build: (t) => ({ kind: 'nominal-absolute', nominal: t(0), plus: t(1), minus: t(2) }),
  },
  { pattern: /^<NU?$|^NU?<$/, build: (t) => ({ kind: 'maximum', maximum: t(0) }) },
  { pattern: /^>NU?$|^NU?>$/, build: (t) => ({ kind: 'minimum', minimum: t(0) }) },
  {
    pattern: /^NU?\+N°$/,
    build: (t, n) => ({ kind: 'torque-then-angle', torque: t(0), angleDegrees: n(1) }),
  },
  {
    pattern: /^S\+?N°$/,
    build: (_, n) => ({ kind: 'snug-then-angle', angleDegrees: n(0) }),
    isWithoutTorque: true,
  },
];

const numbersOf = (tokens: readonly Token[]): readonly WrittenNumber[] =>
  tokens.flatMap((token) => (token.mark === 'N' ? [token.number] : []));

const candidatesFor = (
  text: string,
  tokens: readonly Token[],
  units: readonly TorqueUnit[],
  siteUnit: TorqueUnit,
): readonly Candidate[] => {
  const value = numbersOf(tokens)[0]?.value ?? 0;
  const spaced = (before: string, symbol: string, after: string): string =>
    `${before.trimEnd()} ${symbol}${after}`;
  const force = tokens.filter((token) => token.mark === 'F').reverse();
  const last = tokens.findLast((token) => token.mark === 'N');
  const candidates = units.map((unit) => {
    const symbol = unitSymbol(unit);
    const spelled =
      force.length > 0
        ? force.reduce(
            (whole, token) => spaced(whole.slice(0, token.start), symbol, whole.slice(token.end)),
            text,
          )
        : spaced(text.slice(0, last?.end), symbol, text.slice(last?.end ?? text.length));
    return {
      text: spelled,
      inSiteUnit: { value: fromNewtonMetres(toNewtonMetres(value, unit), siteUnit), unit: siteUnit },
    };
  });
  return candidates.filter((candidate) => readRequirement(candidate.text, siteUnit).ok);
};

const boundsRefusal = (requirement: Requirement, text: string): RequirementRefusal | null => {
  const torques = printedTorques(requirement).map((torque) => toNewtonMetres(torque.value, torque.unit));
  if (torques.some((torque) => torque <= 0 || torque > TORQUE_MAX_NEWTON_METRES))
    return { code: 'out-of-bounds', text, highestNewtonMetres: TORQUE_MAX_NEWTON_METRES };
  if (requirement.kind === 'range' && requirement.low.value >= requirement.high.value)
    return { code: 'range-reversed', text };
  if (
    (requirement.kind === 'nominal-percent' && requirement.tolerancePercent >= 100) ||
    (requirement.kind === 'nominal-absolute' && requirement.minus.value >= requirement.nominal.value)
  )
    return { code: 'tolerance-too-wide', text };
  const isAngle = requirement.kind === 'torque-then-angle' || requirement.kind === 'snug-then-angle';
  if (isAngle && (requirement.angleDegrees > ANGLE_MAX_DEGREES || requirement.angleDegrees <= 0))
    return { code: 'unreadable-shape', text };
  return null;
};

const readStatement = (
  statement: Statement,
  siteUnit: TorqueUnit,
): Result<Requirement, RequirementRefusal> => {
  const { text, tokens } = statement;
  const marks = tokens.map((token) => (token.mark === 'F' ? 'U' : token.mark)).join('');
  const shape = SHAPES.find((candidate) => candidate.pattern.test(marks));
  if (!shape) return refused({ code: 'unreadable-shape', text });
  const force = tokens.flatMap((token) => (token.mark === 'F' ? [token.candidates] : []))[0];
  if (force)
    return refused({
      code: 'ambiguous-unit',
      text,
      candidates: candidatesFor(text, tokens, force, siteUnit),
    });
  const units = [...new Set(tokens.flatMap((token) => (token.mark === 'U' ? [token.unit] : [])))];
  // A shape without a torque never asks for the unit that stands in here.
  const unit = units[0] ?? (shape.isWithoutTorque ? siteUnit : undefined);
  if (unit === undefined)
    return refused({
      code: 'no-unit',
      text,
      candidates: candidatesFor(text, tokens, UNIT_GUESSES, siteUnit),
    });
  if (units.length > 1) return refused({ code: 'units-differ', text });
  const numbers = numbersOf(tokens);
  const number = (index: number): WrittenNumber => numbers[index] as WrittenNumber;
  const requirement = shape.build(
    (index) => ({ ...number(index), unit }),
    (index) => number(index).value,
  );
  const refusal = boundsRefusal(requirement, text);
  return refusal ? refused(refusal) : accepted(requirement);
};

const statementsOf = (text: string, tokens: readonly Token[]): readonly Statement[] => {
  const groups: Token[][] = [[]];
  for (const token of tokens) {
    if (token.mark === '|') groups.push([]);
    else groups.at(-1)?.push(token);
  }
  return groups
    .filter((group) => group.length > 0)
    .map((group) => {
      const start = (group[0] as Token).start;
      return {
        text: text.slice(start, (group.at(-1) as Token).end),
        tokens: group.map((token) => ({ ...token, start: token.start - start, end: token.end - start })),
      };
    });
};

/** Reads a requirement as people print it: `36 in-lb`, `5…7 Nm`, `6 ±0.5 Nm`, `max 7 Nm`, `15-20 in-lb (1.7-2.3 Nm)`.
 *  A unit of force or no unit is never guessed: the refusal lists what it may have meant, in the site's unit too.
 *  Departures: none; the spellings are common practice in print.
 *  Refuses: every code of RequirementRefusal. */
export const readTorqueRequirement = (
  raw: string,
  siteUnit: TorqueUnit,
): Result<ReadRequirement, RequirementRefusal> => {
  const printed = raw.trim();
  if (printed === '') return refused({ code: 'empty-text' });
  if (printed.length > REQUIREMENT_MAX_LENGTH)
    return refused({ code: 'text-too-long', longest: REQUIREMENT_MAX_LENGTH });
  const lexed = lexRequirement(printed);
  if (!lexed.ok) {
    const refusal = lexed.refusal;
    if (refusal.code !== 'ambiguous-number') return refused(refusal);
    const candidates = refusal.candidates.map((digits) => ({
      text: `${printed.slice(0, refusal.start)}${digits}${printed.slice(refusal.end)}`,
      inSiteUnit: null,
    }));
    return refused({ code: 'ambiguous-torque', text: printed, candidates });
  }
  const read: Requirement[] = [];
  const statements = statementsOf(printed, lexed.value);
  for (const statement of statements) {
    const requirement = readStatement(statement, siteUnit);
    if (!requirement.ok) return requirement;
    read.push(requirement.value);
  }
  const [requirement, ...alsoPrinted] = read;
  if (!requirement) return refused({ code: 'unreadable-shape', text: printed });
  return accepted({
    printed,
    requirement,
    statements: statements.map(({ text }) => text),
    alsoPrinted,
    disagreements: alsoPrinted.flatMap((other) => disagreements(requirement, other)),
  });
};

const FINGER_TIGHT = /^(?:finger|hand)[- ]?tight(?:en(?:ed)?)?(?: only)?$/i;

/** Reads a requirement as people print it: a torque, or that a fastener is tightened by the fingers alone.
 *  Refuses: every code of RequirementRefusal. */
export const readRequirement = (
  raw: string,
  siteUnit: TorqueUnit,
): Result<ReadRequirement, RequirementRefusal> => {
  const printed = raw.trim();
  if (!FINGER_TIGHT.test(printed)) return readTorqueRequirement(raw, siteUnit);
  const requirement = { kind: 'finger-tight' } as const;
  return accepted({ printed, requirement, statements: [printed], alsoPrinted: [], disagreements: [] });
};
