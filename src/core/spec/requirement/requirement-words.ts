import type { PlainMark } from './requirement-token.ts';

/** A mark of the grammar, or a space for what says nothing. */
export type Mark = PlainMark | ' ';

const words = (pattern: string): RegExp => new RegExp(String.raw`(?:${pattern})(?![a-zäöüß])\.?`, 'iy');

const MAY_NOT = String.raw`(?:(?:do|does|shall|must|should|may|can)\s*(?:not|n['’]t)|don['’]t|never|not\s+to|not)`;
/** Words and what they stand for. A word is tried before the units: none begins with one of these. Longer ones stand before what they begin with. */
export const WORDS: readonly (readonly [Mark, RegExp])[] = [
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
/** Any of the words: most pieces of a print are a number or a unit, and one look says that no word stands there. */
export const ANY_WORD = anyOf(WORDS);

/** Signs and what they stand for. */
export const SYMBOLS: readonly (readonly [Mark, RegExp])[] = [
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
export const TILDE = /[~∼～〜≈≃]/y;
