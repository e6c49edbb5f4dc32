import { type NumberRefusal, readNumber, type WrittenNumber } from '../../../quantity/read-number.ts';
import type { TorqueUnit } from '../../../quantity/unit.ts';
import { accepted, type Result, refused } from '../../../result.ts';
import { matchAt, spelledAt } from '../../../spec/requirement/requirement-marks.ts';
import { NOT_A_TORQUE_SPELLINGS, TORQUE_SPELLINGS } from './unit-spelling.ts';

type Span = { readonly start: number; readonly end: number };

/** A piece of a written requirement. `mark` is one letter of the grammar in read-requirement. */
export type Token = Span &
  (
    | { readonly mark: 'N'; readonly number: WrittenNumber }
    | { readonly mark: 'U'; readonly unit: TorqueUnit }
    | { readonly mark: 'F'; readonly candidates: readonly TorqueUnit[] }
    | { readonly mark: '-' | '±' | '%' | '°' | '+' | '<' | '>' | '|' | 'S' }
  );

export type LexRefusal =
  | (NumberRefusal & Span)
  | { readonly code: 'unreadable-text'; readonly text: string; readonly start: number };

// Order matters: `+/-` before `+`, words before their letters, a range dash last.
const MARKS: readonly (readonly ['±' | '+' | '%' | '°' | '<' | '>' | '|' | '-' | 'S' | ' ', RegExp])[] = [
  ['±', /±|\+\s*\/\s*[-−–]|\+[-−–]|plus\s+or\s+minus/iy],
  ['<', /(?:max(?:imum)?|not more than|no more than|not to exceed|up to|at most)(?![a-z])\.?|≤|<=/iy],
  ['>', /(?:min(?:imum)?|not less than|no less than|at least)(?![a-z])\.?|≥|>=/iy],
  ['S', /snug(?:[- ]?tight)?(?![a-z])/iy],
  ['%', /%|per\s?cent(?![a-z])/iy],
  ['°', /°|º|deg(?:rees?)?(?![a-z])\.?/iy],
  ['-', /\/\s*[-−–](?=\s*[\d.,])|to(?![a-z])|through(?![a-z])|\.{2,3}|…|[-−–—~]/iy],
  ['+', /\+|plus(?![a-z])|then(?![a-z])|and(?![a-z])/iy],
  [' ', /\s+|(?:torque|tighten|tq)(?:\s+to)?(?![a-z])|:/iy],
  ['|', /[()[\]{}=;|/,]|or(?![a-z])/iy],
];

const NUMBER = /\d+(?:[.,]\d+)*|[.,]\d+/y;

/** Cuts a written requirement into tokens. Refuses: not-a-number, ambiguous-number, unreadable-text (with where it starts). */
export const lexRequirement = (text: string): Result<readonly Token[], LexRefusal> => {
  const tokens: Token[] = [];
  let at = 0;
  while (at < text.length) {
    const start = at;
    const numberEnd = matchAt(NUMBER, text, start);
    if (numberEnd !== null) {
      const number = readNumber(text.slice(start, numberEnd));
      if (!number.ok) return refused({ ...number.refusal, start, end: numberEnd });
      tokens.push({ mark: 'N', number: number.value, start, end: numberEnd });
      at = numberEnd;
      continue;
    }
    const marked = MARKS.map(([mark, pattern]) => ({ mark, end: matchAt(pattern, text, start) })).find(
      (candidate) => candidate.end !== null,
    );
    // A unit wins over a mark only by being tried after the words `max`, `min` and `to`, which no unit starts with.
    if (marked?.end) {
      if (marked.mark !== ' ') tokens.push({ mark: marked.mark, start, end: marked.end });
      at = marked.end;
      continue;
    }
    const unit = spelledAt(text, start, TORQUE_SPELLINGS, NOT_A_TORQUE_SPELLINGS);
    if (unit) {
      tokens.push(unit);
      at = unit.end;
      continue;
    }
    // The full stop of an abbreviation (`7 in-lb.`) says nothing.
    if (text[start] === '.' && tokens.length > 0) {
      at += 1;
      continue;
    }
    const word = /^\S+/.exec(text.slice(start))?.[0] ?? text.slice(start);
    return refused({ code: 'unreadable-text', text: word.slice(0, 40), start });
  }
  return accepted(tokens);
};
