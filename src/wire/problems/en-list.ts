import { type Problem, type ProblemWords, words } from './problem.ts';

type ListCode =
  | 'list-empty'
  | 'list-too-large'
  | 'list-not-text'
  | 'list-is-spreadsheet'
  | 'list-header-missing'
  | 'list-column-missing'
  | 'list-column-repeated'
  | 'list-quote-open'
  | 'list-cells-missing'
  | 'list-cells-too-many'
  | 'list-without-rows'
  | 'list-too-long'
  | 'cell-empty'
  | 'cell-too-long'
  | 'coordinate-out-of-bounds'
  | 'unknown-drive'
  | 'rows-unsettled';

type Wording = {
  readonly [C in ListCode]: (problem: Extract<Problem, { readonly code: C }>) => ProblemWords;
};

/** The words for what can be wrong with a list and its cells. */
export const LIST_WORDS: Wording = {
  'list-empty': () => words('The file is empty', 'It holds no text.', 'Choose the list that was exported.'),
  'list-too-large': (p) =>
    words('The file is too large', `A list has at most ${p.mostBytes / 1e6} MB.`, 'Split it by cabinet.'),
  'list-not-text': () =>
    words('Not a text file', 'It holds bytes that no text has.', 'Export the list as CSV.'),
  'list-is-spreadsheet': () =>
    words(
      'A workbook, not a list',
      'This is a spreadsheet file.',
      'Save the sheet as CSV and choose that file.',
    ),
  'list-header-missing': (p) =>
    words(
      'No header',
      `Line ${p.line} names none of the columns; it reads "${p.found}".`,
      `Put the column names on the first line: ${p.wanted.join(', ')}.`,
    ),
  'list-column-missing': (p) =>
    words(
      `Column ${p.column} is missing`,
      `Line ${p.line} has: ${p.found.join(', ')}.`,
      `Add the column ${p.column}, or name it so.`,
    ),
  'list-column-repeated': (p) =>
    words(
      `Column ${p.column} stands twice`,
      `Line ${p.line} names it more than once.`,
      'Remove or rename one of them.',
    ),
  'list-quote-open': (p) =>
    words(
      'A quote is not closed',
      `Line ${p.line}, column ${p.column}: a quotation mark opens or closes in the wrong place.`,
      'Close it, or double it if it belongs to the text.',
    ),
  'list-cells-missing': (p) =>
    words(
      'Cells are missing',
      `Line ${p.line} ends before column ${p.column}.`,
      'Add the missing cells; an empty cell still needs its separator.',
    ),
  'list-cells-too-many': (p) =>
    words(
      'Too many cells',
      `Line ${p.line} has ${p.found} cells, the header ${p.wanted}; look at column ${p.column}.`,
      'Put quotes around a value that holds the separator.',
    ),
  'list-without-rows': (p) =>
    words('No terminals', `Nothing follows the header on line ${p.line}.`, 'Choose the list with its lines.'),
  'list-too-long': (p) =>
    words(
      'Too many lines',
      `A list has at most ${p.mostRows} lines; line ${p.line} is one more.`,
      'Split it by cabinet.',
    ),
  'cell-empty': () => words('Empty', 'This cell must say something.', 'Type what belongs here.'),
  'cell-too-long': (p) => words('Too long', `At most ${p.longest} characters.`, 'Shorten it.'),
  'coordinate-out-of-bounds': (p) =>
    words(
      'Too far out',
      `A coordinate is at most ${p.mostMm} mm either way.`,
      'Check that it is in millimetres.',
    ),
  'unknown-drive': (p) =>
    words('Unknown drive', `"${p.text}" is no drive Jentik draws.`, `Type one of: ${p.known.join(', ')}.`),
  'rows-unsettled': (p) =>
    words(
      'Lines are not settled',
      `Still in doubt: line ${p.lines.slice(0, 12).join(', ')}.`,
      'Settle each of them; nothing was imported yet.',
    ),
};
