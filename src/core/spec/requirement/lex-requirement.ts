import type { NumberRefusal, WrittenNumber } from '../../quantity/read-number.ts';
import type { TorqueUnit } from '../../quantity/unit.ts';
import { NOT_A_TORQUE_SPELLINGS, TORQUE_SPELLINGS } from '../../quantity/unit-spelling.ts';
import { accepted, type Result, refused } from '../../result.ts';
import { hasTurnWords, turnAt } from './angle-print.ts';
import { type DecimalMark, decimalMark, numberAt } from './printed-number.ts';

type Span = { readonly start: number; readonly end: number };

/** What a mark of the grammar stands for: `-` to, `±` tolerance, `%` percent, `°` degrees, `+` then or plus, `<` at most, `>` at least,
 *  `S` snug, `H` hand tight, `B` between, `&` and, `a` about, `(` and `)` brackets, `|` another statement, `f` a footnote's mark. */
export type PlainMark =
  | '-'
  | '±'
  | '%'
  | '°'
  | '+'
  | '<'
  | '>'
  | '|'
  | 'S'
  | 'H'
  | 'B'
  | '&'
  | 'a'
  | '('
  | ')'
  | 'f';

/** A piece of a written requirement. `mark` is one letter of the grammar in read-requirement. */
export type Token = Span &
  (
    | { readonly mark: 'N'; readonly number: WrittenNumber }
    | { readonly mark: 'A'; readonly degrees: number }
    | { readonly mark: 'U'; readonly unit: TorqueUnit }
    | { readonly mark: 'F'; readonly candidates: readonly TorqueUnit[] }
    | { readonly mark: PlainMark }
  );

export type LexRefusal =
  | (NumberRefusal & Span)
  | { readonly code: 'unreadable-text'; readonly text: string; readonly start: number };

type Mark = PlainMark | ' ';

const words = (pattern: string): RegExp => new RegExp(String.raw`(?:${pattern})(?![a-zäöüß])\.?`, 'iy');

const MAY_NOT = String.raw`(?:(?:do|does|shall|must|should|may|can)\s*(?:not|n['’]t)|don['’]t|never|not\s+to|not)`;
// A word is tried before the units: none begins with one of these. Longer ones stand before what they begin with.
const WORDS: readonly (readonly [Mark, RegExp])[] = [
  [
    '<',
    words(
      String.raw`${MAY_NOT}\s+(?:exceed(?:ing)?|be\s+exceeded|more\s+than|over|above|greater\s+than)|no\s+(?:more|greater)\s+than|not\s+(?:more|greater)\s+than|nicht\s+(?:mehr\s+als|über)|max(?:imum|imal|\.)?|at\s+most|up\s+to|less\s+than|lower\s+than|under|below|höchstens|bis\s+zu|weniger\s+als|(?:or|and|oder)\s+(?:less|lower|under|below|weniger)`,
    ),
  ],
  [
    '>',
    words(
      String.raw`(?:not|no)\s+(?:less|lower)\s+than|(?:not|never)\s+(?:under|below)|nicht\s+(?:weniger\s+als|unter)|min(?:imum|imal|\.)?|mind(?:estens|\.)|at\s+least|more\s+than|greater\s+than|above|over|mehr\s+als|über|wenigstens|(?:or|and|oder)\s+(?:more|greater|higher|above|over|up|mehr)`,
    ),
  ],
  ['B', words('between|zwischen')],
  ['±', words(String.raw`plus\s*(?:\/|or|oder)?\s*minus`)],
  ['S', words('snug(?:[- ]?tight(?:en(?:ed)?)?)?')],
  [
    'H',
    words(
      String.raw`(?:finger|hand)[- ]?tight(?:en(?:ed)?)?(?:\s+only)?|tighten\s+(?:by\s+(?:hand|fingers?)|finger[- ]?tight)(?:\s+only)?|by\s+(?:hand|fingers?)(?:\s+only)?|handfest|fingerfest`,
    ),
  ],
  ['a', words('approx(?:imately)?|about|around|roughly|circa|ca|ungefähr|etwa|rund')],
  [
    '+',
    words(
      String.raw`(?:and\s+)?then(?:\s+(?:turn(?:\s+(?:a\s+)?further)?|a\s+further|further|another|an?\s+additional))?|plus|followed\s+by|dann|danach|und\s+dann|weitere|further|another|additional(?:ly)?`,
    ),
  ],
  ['-', words('to|through|thru|bis')],
  ['&', words('and|und')],
  ['%', words(String.raw`per\s?cent|pct|prozent`)],
  ['°', words('deg(?:rees?)?|grad')],
  ['|', words(String.raw`or|oder|resp|bzw|equals?|i\.e|equivalent\s+to`)],
  [
    ' ',
    words(
      String.raw`(?:re-?)?(?:torque[ds]?|tighten(?:ed|ing)?|tq|set|use|apply|pull)(?:\s+(?:torque|value|spec))*(?:\s+(?:to|at|of|with))?|(?:anzugs?|anzieh|nenn)?-?(?:dreh)?moment|anzugsdrehmoment|anziehen|festziehen|recommended|specified|required|specification|spec|final|nominal|value|wert|from|von|mit|auf|with|of|at|is|be|must|shall|should`,
    ),
  ],
];
const anyOf = (marks: readonly (readonly [Mark, RegExp])[]): RegExp =>
  new RegExp(marks.map(([, { source }]) => source).join('|'), 'iy');
// Most pieces of a print are a number or a unit: one look says that no word stands there.
const ANY_WORD = anyOf(WORDS);
const SYMBOL_OF_TORQUE = /(?:M_?[AaDdTt]|[TM])\s*(?=[=:])/y;

const SYMBOLS: readonly (readonly [Mark, RegExp])[] = [
  ['±', /±|∓|[+-]\s*\/\s*[+-]|\+-|-\+/y],
  ['<', /≤|⩽|≦|<=|=<|</y],
  ['>', /≥|⩾|≧|>=|=>|>/y],
  ['%', /[%٪]/y],
  ['°', /[°º˚]/y],
  ['+', /\/\s*\+(?=\s*[\d.,])|\+/y],
  ['-', /\/\s*-(?=\s*[\d.,])|\.{2,}|…|÷|-/y],
  ['&', /&/y],
  ['(', /[([{]/y],
  [')', /[)\]}]/y],
  ['f', /[*†‡§¹]/y],
  ['|', /[=;|/,]/y],
  [' ', /:/y],
];
/** A tilde or a double one: "about" before a value, "to" between two numbers, "that is" after a unit. */
const TILDE = /[~∼～〜≈≃]/y;

/** Where a match of a sticky pattern at a place ends; null where nothing matches there. */
export const matchAt = (pattern: RegExp, text: string, at: number): number | null => {
  pattern.lastIndex = at;
  const match = pattern.exec(text);
  return match && match[0].length > 0 ? at + match[0].length : null;
};

const unitAt = (text: string, start: number): Token | null => {
  for (const [unit, pattern] of TORQUE_SPELLINGS) {
    const end = matchAt(pattern, text, start);
    if (end !== null) return { mark: 'U', unit, start, end };
  }
  for (const [candidates, pattern] of NOT_A_TORQUE_SPELLINGS) {
    const end = matchAt(pattern, text, start);
    if (end !== null) return { mark: 'F', candidates, start, end };
  }
  return null;
};

/** `T =`, `MA =`: what stands between a quantity's symbol and its value parts nothing. */
const symbolOfTorqueAt = (
  text: string,
  start: number,
): { readonly mark: Mark; readonly end: number } | null => {
  const symbol = matchAt(SYMBOL_OF_TORQUE, text, start);
  return symbol === null ? null : { mark: ' ', end: matchAt(/\s*[=:]/y, text, symbol) ?? symbol };
};

const markAt = (
  text: string,
  start: number,
  before: Token | undefined,
): { readonly mark: Mark; readonly end: number } | null => {
  const isLetter = /[a-zäöüß]/i.test(text[start] as string);
  if (isLetter && matchAt(ANY_WORD, text, start) === null) return symbolOfTorqueAt(text, start);
  for (const [mark, pattern] of isLetter ? WORDS : SYMBOLS) {
    const end = matchAt(pattern, text, start);
    if (end !== null) return { mark, end };
  }
  const tilde = matchAt(TILDE, text, start);
  if (tilde === null) return null;
  const mark = before?.mark === 'N' ? '-' : before?.mark === 'U' ? '|' : 'a';
  return { mark, end: tilde };
};

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
