import { z } from 'zod';
import type { WrittenNumber } from '../../quantity/read-number.ts';
import { fromNewtonMetres, type TorqueUnit, toNewtonMetres, unitSymbol } from '../../quantity/unit.ts';
import { UNIT_GUESSES } from '../../quantity/unit-spelling.ts';
import { accepted, type Result, refused } from '../../result.ts';
import { type Disagreement, disagreements } from './agreement.ts';
import { lexRequirement, type Token } from './lex-requirement.ts';
import { plainPrint } from './plain-print.ts';
import { ANGLE_MAX_DEGREES, printedTorques, type Requirement, turnedDegrees } from './requirement.ts';
import type { Candidate, RequirementRefusal } from './requirement-refusal.ts';
import { marksOf, numbersOf, REQUIREMENT_SHAPES } from './requirement-shape.ts';
import { statementsIn } from './requirement-statements.ts';

/** A requirement as printed and as read. */
export type ReadRequirement = {
  readonly printed: string;
  readonly requirement: Requirement;
  /** Each statement's own words, such as `15-20 in-lb` and `1.7-2.3 Nm`. */
  readonly statements: readonly string[];
  /** The same requirement printed again in other units. */
  readonly alsoPrinted: readonly Requirement[];
  /** Where the statements differ by more than rounding; empty when they agree. */
  readonly disagreements: readonly Disagreement[];
};

/** Longest text read as a requirement, in characters. */
export const REQUIREMENT_MAX_LENGTH = 200;
/** Highest torque accepted, in newton metres: far above what hands apply, low enough to catch a lost decimal point. */
export const TORQUE_MAX_NEWTON_METRES = 10_000;

/** A print with its tokens: what a question about it is asked of. */
type Print = { readonly text: string; readonly tokens: readonly Token[]; readonly siteUnit: TorqueUnit };

const numbered = (token: Token): boolean => token.mark === 'N';

/** The print with a unit in place of every force, or after the last number of each statement that has none. */
const withUnit = ({ text, tokens }: Print, statement: readonly Token[], unit: TorqueUnit): string => {
  const symbol = unitSymbol(unit);
  const forces = tokens.filter(({ mark }) => mark === 'F');
  const last = statement.findLast(numbered);
  const places = forces.length > 0 ? forces : last ? [{ start: last.end, end: last.end }] : [];
  return [...places]
    .reverse()
    .reduce(
      (whole, { start, end }) =>
        `${whole.slice(0, start).trimEnd()} ${symbol}${end === start && /^\w/.test(whole.slice(end)) ? ' ' : ''}${whole.slice(end)}`,
      text,
    );
};

/** What a print may have meant, with each of some units: the ones it prints elsewhere first, those it contradicts itself by last. */
const candidatesFor = (
  print: Print,
  statement: readonly Token[],
  units: readonly TorqueUnit[],
): readonly Candidate[] => {
  const value = numbersOf(statement)[0]?.value ?? 0;
  const { siteUnit } = print;
  return units
    .flatMap((unit) => {
      const text = withUnit(print, statement, unit);
      const read = readRequirement(text, siteUnit);
      const inSiteUnit = { value: fromNewtonMetres(toNewtonMetres(value, unit), siteUnit), unit: siteUnit };
      return read.ok ? [{ text, inSiteUnit, contradicts: read.value.disagreements.length > 0 }] : [];
    })
    .sort((a, b) => Number(a.contradicts) - Number(b.contradicts))
    .map(({ text, inSiteUnit }) => ({ text, inSiteUnit }));
};

const printedFirst = ({ tokens }: Print, units: readonly TorqueUnit[]): readonly TorqueUnit[] => {
  const printed = new Set(tokens.flatMap((token) => (token.mark === 'U' ? [token.unit] : [])));
  return [...units.filter((unit) => printed.has(unit)), ...units.filter((unit) => !printed.has(unit))];
};

/** What a number without a unit may mean: the usual ones, and whatever the print uses elsewhere. */
const guessesFor = ({ tokens }: Print): readonly TorqueUnit[] => [
  ...new Set([...tokens.flatMap((token) => (token.mark === 'U' ? [token.unit] : [])), ...UNIT_GUESSES]),
];

const boundsRefusal = (requirement: Requirement, text: string): RequirementRefusal | null => {
  const torques = printedTorques(requirement).map((torque) => toNewtonMetres(torque.value, torque.unit));
  if (torques.some((torque) => torque <= 0 || torque > TORQUE_MAX_NEWTON_METRES))
    return { code: 'out-of-bounds', text, highestNewtonMetres: TORQUE_MAX_NEWTON_METRES };
  if (requirement.kind === 'range' && requirement.low.value >= requirement.high.value)
    return { code: 'range-reversed', text };
  if (requirement.kind === 'nominal-maximum' && requirement.nominal.value >= requirement.maximum.value)
    return { code: 'range-reversed', text };
  const isTooWide =
    (requirement.kind === 'nominal-percent' &&
      Math.max(requirement.tolerancePercent, requirement.minusPercent ?? 0) >= 100) ||
    (requirement.kind === 'nominal-absolute' &&
      Math.max(requirement.minus.value, requirement.plus.value) >= requirement.nominal.value);
  if (isTooWide) return { code: 'tolerance-too-wide', text };
  const isNoAngle = turnedDegrees(requirement).some((angle) => angle > ANGLE_MAX_DEGREES || angle <= 0);
  return isNoAngle ? { code: 'unreadable-shape', text } : null;
};

const wordsOf = ({ text }: Pick<Print, 'text'>, tokens: readonly Token[]): string => {
  const ends = tokens.map(({ start, end }) => [start, end] as const);
  return text.slice(Math.min(...ends.map(([start]) => start)), Math.max(...ends.map(([, end]) => end)));
};

const readStatement = (print: Print, tokens: readonly Token[]): Result<Requirement, RequirementRefusal> => {
  const text = wordsOf(print, tokens);
  const marks = marksOf(tokens);
  const shape = REQUIREMENT_SHAPES.find(({ pattern }) => pattern.test(marks));
  if (!shape) return refused({ code: 'unreadable-shape', text });
  const force = tokens.flatMap((token) => (token.mark === 'F' ? [token.candidates] : []))[0];
  if (force)
    return refused({
      code: 'ambiguous-unit',
      text,
      candidates: candidatesFor(print, tokens, printedFirst(print, force)),
    });
  const units = [...new Set(tokens.flatMap((token) => (token.mark === 'U' ? [token.unit] : [])))];
  // A shape without a torque never asks for the unit that stands in here.
  const unit = units[0] ?? (shape.isWithoutTorque ? print.siteUnit : undefined);
  if (unit === undefined)
    return refused({
      code: 'no-unit',
      text,
      candidates: candidatesFor(print, tokens, printedFirst(print, guessesFor(print))),
    });
  if (units.length > 1) return refused({ code: 'units-differ', text });
  const numbers = numbersOf(tokens);
  const number = (index: number): WrittenNumber => numbers[index] as WrittenNumber;
  const requirement = shape.build({
    torque: (index) => ({ ...number(index), unit }),
    number: (index) => number(index).value,
    degrees: tokens.flatMap((token) => (token.mark === 'A' ? [token.degrees] : [])),
  });
  const refusal = boundsRefusal(requirement, text);
  return refusal ? refused(refusal) : accepted(requirement);
};

const SIGNS_OF_BOUNDS = /[<>≤≥⩽⩾≦≧=]/;

/** Whether a sign of a bound stands behind its number (`12 Nm <`), where it bounds something else than the torque; after a bound of its own it
 *  begins the next one (`≥ 5 ≤ 7 Nm`). */
const hasTrailingSign = ({ text, tokens }: Pick<Print, 'text' | 'tokens'>): boolean =>
  tokens.some(({ mark, start }, index) => {
    const before = tokens[index - 1];
    const isSign = (mark === '<' || mark === '>') && SIGNS_OF_BOUNDS.test(text[start] as string);
    const isBehind = before?.mark === 'N' || before?.mark === 'U';
    return (
      isSign && isBehind && !tokens.slice(0, index).some((each) => each.mark === '<' || each.mark === '>')
    );
  });

const DOUBTFUL = /(?<![\d.,])([1-9]\d{0,2})[.,](\d{3})(?![\d.,])/g;

/** The two things that doubtful numbers may say, all of a print read alike: the mark that is printed marks decimals, or thousands. */
const doubtfulNumber = (text: string, siteUnit: TorqueUnit): RequirementRefusal => {
  const candidates = [
    `${text.replace(DOUBTFUL, '$1.$2')}, decimal point`,
    text.replace(DOUBTFUL, '$1$2'),
  ].filter((each) => readRequirement(each, siteUnit).ok);
  return {
    code: 'ambiguous-torque',
    text,
    candidates: candidates.map((each) => ({ text: each, inSiteUnit: null })),
  };
};

const HALF = /^(\d{1,2})\s*\/\s*(2|4|8|16)(?=[^\d])/;

/** A fraction alone, which may as well be two values: `1/2 Nm`. */
const doubtfulFraction = (text: string, siteUnit: TorqueUnit): RequirementRefusal | null => {
  const [whole, over, under] = HALF.exec(text) ?? [];
  if (!whole || Number(over) >= Number(under)) return null;
  const candidates = [
    text.replace(whole, String(Number(over) / Number(under))),
    text.replace(whole, `${over} to ${under}`),
  ].filter((each) => readRequirement(each, siteUnit).ok);
  return candidates.length === 0
    ? null
    : {
        code: 'ambiguous-torque',
        text,
        candidates: candidates.map((each) => ({ text: each, inSiteUnit: null })),
      };
};

/** Reads a requirement as people print it: `36 in-lb`, `5…7 Nm`, `6 ±0.5 Nm`, `max 7 Nm`, `15-20 in-lb (1.7-2.3 Nm)`, `hand tight + 1/6 turn`.
 *  Every number, unit and bounding word is in what was read, or the text is refused with what it may have meant: a unit of force or no unit is
 *  never guessed.
 *  Departures: none; the spellings are common practice in print.
 *  Refuses: every code of RequirementRefusal. */
export const readRequirement = (
  raw: string,
  siteUnit: TorqueUnit,
): Result<ReadRequirement, RequirementRefusal> => {
  const printed = raw.trim();
  if (printed === '') return refused({ code: 'empty-text' });
  if (printed.length > REQUIREMENT_MAX_LENGTH)
    return refused({ code: 'text-too-long', longest: REQUIREMENT_MAX_LENGTH });
  const text = plainPrint(printed);
  const fraction = doubtfulFraction(text, siteUnit);
  if (fraction) return refused(fraction);
  const lexed = lexRequirement(text);
  if (!lexed.ok)
    return refused(
      lexed.refusal.code === 'ambiguous-number' ? doubtfulNumber(text, siteUnit) : lexed.refusal,
    );
  const print = { text, tokens: lexed.value, siteUnit };
  if (hasTrailingSign(print)) return refused({ code: 'unreadable-shape', text: printed });
  const statements = statementsIn(lexed.value);
  const read: Requirement[] = [];
  for (const { tokens } of statements) {
    const requirement = readStatement(print, tokens);
    if (!requirement.ok) return requirement;
    read.push(requirement.value);
  }
  const [requirement, ...alsoPrinted] = read;
  if (!requirement) return refused({ code: 'unreadable-shape', text: printed });
  return accepted({
    printed,
    requirement,
    statements: statements.map(({ tokens }) => wordsOf({ text: printed }, tokens)),
    alsoPrinted,
    disagreements: alsoPrinted.flatMap((other) => disagreements(requirement, other)),
  });
};

/** The text of a requirement as printed; what is in it is read by core. */
export const printedRequirementSchema = z.string().trim().max(REQUIREMENT_MAX_LENGTH);
