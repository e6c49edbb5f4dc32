import type { NumberRefusal, WrittenNumber } from '../../quantity/read-number.ts';
import type { TorqueUnit } from '../../quantity/unit.ts';

/** Where a piece of a text begins and ends. */
export type Span = { readonly start: number; readonly end: number };

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

/** A piece of a written requirement. `mark` is one letter of the grammar in requirement-shape. */
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
