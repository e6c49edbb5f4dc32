import type { TorqueUnit } from '../../quantity/unit.ts';
import { NOT_A_TORQUE_SPELLINGS, TORQUE_SPELLINGS } from '../../quantity/unit-spelling.ts';
import type { Token } from './requirement-token.ts';
import { ANY_WORD, type Mark, SYMBOLS, TILDE, WORDS } from './requirement-words.ts';

const SYMBOL_OF_TORQUE = /(?:M_?[AaDdTt]|[TM])\s*(?=[=:≤≥<>⩽⩾≦≧])/y;

/** Where a match of a sticky pattern at a place ends; null where nothing matches there. */
export const matchAt = (pattern: RegExp, text: string, at: number): number | null => {
  pattern.lastIndex = at;
  const match = pattern.exec(text);
  return match && match[0].length > 0 ? at + match[0].length : null;
};

type Spellings<T> = readonly (readonly [T, RegExp])[];

/** The unit that starts at a place by some spellings, or what is none and is written for one; null where neither does. */
export const spelledAt = (
  text: string,
  start: number,
  torques: Spellings<TorqueUnit>,
  others: Spellings<readonly TorqueUnit[]>,
): Extract<Token, { readonly mark: 'U' | 'F' }> | null => {
  for (const [unit, pattern] of torques) {
    const end = matchAt(pattern, text, start);
    if (end !== null) return { mark: 'U', unit, start, end };
  }
  for (const [candidates, pattern] of others) {
    const end = matchAt(pattern, text, start);
    if (end !== null) return { mark: 'F', candidates, start, end };
  }
  return null;
};

/** The unit that starts at a place, as it is spelled now. */
export const unitAt = (text: string, start: number): Token | null =>
  spelledAt(text, start, TORQUE_SPELLINGS, NOT_A_TORQUE_SPELLINGS);

/** `T =`, `MA =`, `T ≤`: what stands between a quantity's symbol and its value parts nothing. */
const symbolOfTorqueAt = (
  text: string,
  start: number,
): { readonly mark: Mark; readonly end: number } | null => {
  const symbol = matchAt(SYMBOL_OF_TORQUE, text, start);
  return symbol === null ? null : { mark: ' ', end: matchAt(/\s*[=:]/y, text, symbol) ?? symbol };
};

/** The mark that starts at a place, in words or as a sign; null where none does. A tilde means what stands before it makes of it. */
export const markAt = (
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
