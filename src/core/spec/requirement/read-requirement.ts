import { z } from 'zod';
import type { WrittenNumber } from '../../quantity/read-number.ts';
import type { TorqueUnit } from '../../quantity/unit.ts';
import { accepted, type Result, refused } from '../../result.ts';
import { type Disagreement, disagreements } from './agreement.ts';
import { lexRequirement } from './lex-requirement.ts';
import { plainPrint } from './plain-print.ts';
import type { Requirement } from './requirement.ts';
import { boundsRefusal } from './requirement-bounds.ts';
import {
  candidatesFor,
  doubtfulFraction,
  doubtfulNumber,
  guessesFor,
  type Print,
  printedFirst,
} from './requirement-doubts.ts';
import type { RequirementRefusal } from './requirement-refusal.ts';
import { marksOf, numbersOf, REQUIREMENT_SHAPES } from './requirement-shape.ts';
import { statementsIn } from './requirement-statements.ts';
import type { Token } from './requirement-token.ts';

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
      candidates: candidatesFor(readRequirement, print, tokens, printedFirst(print, force)),
    });
  const units = [...new Set(tokens.flatMap((token) => (token.mark === 'U' ? [token.unit] : [])))];
  // A shape without a torque never asks for the unit that stands in here.
  const unit = units[0] ?? (shape.isWithoutTorque ? print.siteUnit : undefined);
  if (unit === undefined)
    return refused({
      code: 'no-unit',
      text,
      candidates: candidatesFor(readRequirement, print, tokens, printedFirst(print, guessesFor(print))),
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
  const fraction = doubtfulFraction(readRequirement, text, siteUnit);
  if (fraction) return refused(fraction);
  const lexed = lexRequirement(text);
  if (!lexed.ok)
    return refused(
      lexed.refusal.code === 'ambiguous-number'
        ? doubtfulNumber(readRequirement, text, siteUnit)
        : lexed.refusal,
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
