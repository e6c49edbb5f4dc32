import { accepted, type Result, refused } from '../../result.ts';
import { hasTurnWords, turnAt } from './angle-print.ts';
import { type DecimalMark, decimalMark, numberAt } from './printed-number.ts';
import { markAt, unitAt } from './requirement-marks.ts';
import type { LexRefusal, Token } from './requirement-token.ts';

const DECIMAL_PHRASE = /,?\s*decimal (point|comma)$/i;

const refusedWord = (text: string, start: number): LexRefusal => ({
  code: 'unreadable-text',
  text: (/^\S+/.exec(text.slice(start))?.[0] ?? text.slice(start)).slice(0, 40),
  start,
});

/** Which decimal mark a text says it uses, in words or by its other numbers, and where the words begin. */
const saidMark = (text: string): { readonly mark: DecimalMark; readonly end: number } => {
  const phrase = DECIMAL_PHRASE.exec(text);
  if (!phrase) return { mark: decimalMark(text), end: text.length };
  return { mark: phrase[1]?.toLowerCase() === 'point' ? '.' : ',', end: phrase.index };
};

/** What holds for the whole of a print: its decimal mark, and whether it has anything that may be a part of a turn. */
type Lexed = { readonly decimals: DecimalMark; readonly hasTurns: boolean };
type Step = { readonly tokens: readonly Token[]; readonly end: number };

/** The tokens that start at a place, none for what says nothing; null where nothing there is part of a requirement. */
const stepAt = (
  text: string,
  start: number,
  { decimals, hasTurns }: Lexed,
  before: Token | undefined,
): Result<Step, LexRefusal> | null => {
  const turn = hasTurns ? turnAt(text, start) : null;
  if (turn) {
    const { end, degrees } = turn;
    return accepted({ end, tokens: degrees.map((each) => ({ mark: 'A', degrees: each, start, end })) });
  }
  const number = numberAt(text, start, decimals);
  if (number) {
    const { end, number: read } = number;
    if (!read.ok) return refused({ ...read.refusal, start, end });
    return accepted({ end, tokens: [{ mark: 'N', number: read.value, start, end }] });
  }
  const marked = markAt(text, start, before);
  if (marked) {
    const { mark, end } = marked;
    return accepted({ end, tokens: mark === ' ' ? [] : [{ mark, start, end }] });
  }
  const unit = unitAt(text, start);
  if (unit) return accepted({ end: unit.end, tokens: [unit] });
  // The full stop of an abbreviation (`7 in-lb.`) says nothing.
  return text[start] === '.' && before ? accepted({ end: start + 1, tokens: [] }) : null;
};

/** Cuts a written requirement, its dashes and spaces made plain, into tokens. Refuses: not-a-number, ambiguous-number, unreadable-text (with
 *  where it starts). */
export const lexRequirement = (text: string): Result<readonly Token[], LexRefusal> => {
  const tokens: Token[] = [];
  const { mark: decimals, end: whole } = saidMark(text);
  const lexed = { decimals, hasTurns: hasTurnWords(text) };
  let at = 0;
  while (at < whole) {
    if (/\s/.test(text[at] as string)) {
      at += 1;
      continue;
    }
    const step = stepAt(text, at, lexed, tokens.at(-1));
    if (!step) return refused(refusedWord(text, at));
    if (!step.ok) return step;
    tokens.push(...step.value.tokens);
    at = step.value.end;
  }
  return accepted(tokens);
};

/** The runs of a text that are made of nothing but what requirements are made of, each as its tokens; what stands between them are words. A
 *  number sign before digits is a size's, not a pound's, and a letter before a number is a pole's, not a newton's. */
export const requirementRuns = (text: string): readonly (readonly Token[])[] => {
  const runs: Token[][] = [[]];
  const lexed = { decimals: '.', hasTurns: hasTurnWords(text) } as const;
  let at = 0;
  while (at < text.length) {
    if (/\s/.test(text[at] as string)) {
      at += 1;
      continue;
    }
    const run = runs.at(-1) as Token[];
    const isWord = /^(?:#\s?\d|[a-z]\s+\d)/i.test(text.slice(at, at + 4));
    const step = isWord ? null : stepAt(text, at, lexed, run.at(-1));
    if (step?.ok) {
      run.push(...step.value.tokens);
      at = step.value.end;
    } else {
      at += /^\S+/.exec(text.slice(at))?.[0].length ?? 1;
      if (run.length > 0) runs.push([]);
    }
  }
  return runs.filter((run) => run.length > 0);
};
