import { type Problem, type ProblemWords, words } from './problem.ts';

type BookCode =
  | 'unreadable-size'
  | 'unreadable-thread'
  | 'unreadable-metal'
  | 'key-empty'
  | 'table-without-values'
  | 'table-without-rows'
  | 'table-too-large'
  | 'table-row-ragged'
  | 'table-cells-unsettled'
  | 'table-rows-repeated'
  | 'label-empty'
  | 'label-too-long'
  | 'label-without-torque'
  | 'source-supersedes-itself'
  | 'source-unknown'
  | 'revision-stale'
  | 'not-in-conflict'
  | 'unknown-choice'
  | 'book-differs'
  | 'amperes-out-of-bounds'
  | 'nothing-recalled'
  | 'nothing-in-force';

type Wording = {
  readonly [C in BookCode]: (problem: Extract<Problem, { readonly code: C }>) => ProblemWords;
};

/** The words for what can go wrong in the spec book. */
export const BOOK_WORDS: Wording = {
  'unreadable-size': (p) =>
    words('Can’t read this size', `"${p.text}" is no size in inches.`, 'Type it as 3/8, -6, dash 6 or .375.'),
  'unreadable-thread': (p) =>
    words('Can’t read this thread', `"${p.text}" is no thread.`, 'Type it as M8, M8x1, 10-32 or 1/4-28.'),
  'unreadable-metal': (p) =>
    words('Which metal', `"${p.text}" is neither copper nor aluminium.`, 'Type copper, aluminium, or both.'),
  'key-empty': () => words('Nothing to look up', 'The key is empty.', 'Type or choose the size.'),
  'table-without-values': () =>
    words('No value column', 'Nothing in this table is a torque.', 'Mark the column that holds the torques.'),
  'table-without-rows': () => words('No rows', 'This table has no row.', 'Paste the rows, or add one.'),
  'table-too-large': (p) =>
    words(
      'Table too large',
      `A table has at most ${p.mostRows} rows and ${p.mostColumns} columns.`,
      'Split it where the source splits it.',
    ),
  'table-row-ragged': (p) =>
    words(
      'A cell is missing',
      `Row ${p.row} has not as many cells as the heading.`,
      'Add or remove the cell.',
    ),
  'table-cells-unsettled': (p) =>
    words(
      'Cells in doubt',
      `${p.count} ${p.count === 1 ? 'cell is' : 'cells are'} not settled.`,
      'Choose or type what the source means in each marked cell.',
    ),
  'table-rows-repeated': (p) =>
    words(
      'A row stands twice',
      `Rows ${p.firstRow} and ${p.row} have the same keys.`,
      'Remove one, or add the key in which they differ.',
    ),
  'label-empty': () => words('Nothing pasted', 'The text is empty.', 'Paste or type what the label prints.'),
  'label-too-long': (p) =>
    words(
      'Too long for a label',
      `At most ${p.longest} characters and ${p.mostLines} lines are read at once.`,
      'Paste one table at a time.',
    ),
  'label-without-torque': () =>
    words(
      'No torque in it',
      'No line holds a number that could be a torque.',
      'Check that the values were copied with the text.',
    ),
  'source-supersedes-itself': () =>
    words('Supersedes itself', 'A source can’t be superseded by itself.', 'Choose the newer document.'),
  'source-unknown': (p) =>
    words(
      'No such source',
      `"${p.text}" is no source of the book.`,
      'Add the source first, or choose one that is there.',
    ),
  'revision-stale': (p) =>
    words(
      'Changed meanwhile',
      `${p.by} changed it while you were writing.`,
      'Look at the newest revision, then save again; what you typed is still here.',
    ),
  'not-in-conflict': () =>
    words('No longer in conflict', 'These two do not disagree any more.', 'Load the page again.'),
  'unknown-choice': (p) =>
    words('Not one of these', `"${p.text}" is none of: ${p.known.join(', ')}.`, 'Type one of them.'),
  'nothing-recalled': () =>
    words(
      'Nothing to decide',
      'Every fastener of this job conforms by the value in force.',
      'Load the page again to see how it stands now.',
    ),
  'nothing-in-force': (p) =>
    words(
      'No value in force',
      `Nothing in force takes the place of ${p.requirementCode}, so there is nothing to pull to.`,
      'Keep the value for the same part and size in Specs first, then open the rework.',
    ),
  'amperes-out-of-bounds': (p) =>
    words(
      'No such current',
      `A current is above 0 and at most ${p.most} A.`,
      'Type the current in amperes, such as 32.',
    ),
  'book-differs': (p) =>
    words(
      'The book says otherwise',
      `The spec book says ${p.book} here.`,
      'Type what the book says, or take another requirement.',
    ),
};
