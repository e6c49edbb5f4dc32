import { shortFigure } from '#core/quantity/display.ts';
import { type Problem, type ProblemWords, words } from './problem.ts';

type PrintCode =
  | 'empty-text'
  | 'text-too-long'
  | 'unreadable-text'
  | 'unreadable-shape'
  | 'ambiguous-unit'
  | 'no-unit'
  | 'ambiguous-torque'
  | 'units-differ'
  | 'range-reversed'
  | 'tolerance-too-wide'
  | 'out-of-bounds'
  | 'size-doubtful'
  | 'statements-disagree'
  | 'key-unit-differs'
  | 'unreadable-conductor'
  | 'conductor-out-of-bounds';

type Wording = {
  readonly [C in PrintCode]: (problem: Extract<Problem, { readonly code: C }>) => ProblemWords;
};

const plain = shortFigure;

/** The words for what can be in doubt about a torque or a size as it is printed. */
export const PRINT_WORDS: Wording = {
  'empty-text': () =>
    words(
      'No requirement',
      'Nothing is written here.',
      'Type the requirement as it is printed, with its unit.',
    ),
  'text-too-long': (p) =>
    words(
      'Too long',
      `A requirement has at most ${p.longest} characters.`,
      'Type only the torque and its unit.',
    ),
  'unreadable-text': (p) =>
    words(
      'Can’t read this',
      `"${p.text}" is not part of a torque that Jentik knows.`,
      'Type the torque as a number or range with its unit, such as 20 to 24 lbf·in.',
    ),
  'unreadable-shape': (p) =>
    words(
      'Can’t read this',
      `"${p.text}" is not one torque, a range, a maximum or a minimum.`,
      'Type it as a number or range with its unit, such as 20 to 24 lbf·in.',
    ),
  'ambiguous-unit': (p) =>
    words(
      'Which unit',
      `"${p.text}" names a force, not a torque, or has a prefix that is not meant here.`,
      'Choose what the source means; look at the label again if you can.',
    ),
  'no-unit': (p) =>
    words(
      'No unit',
      `"${p.text}" has no unit.`,
      'Choose the unit the source uses; its heading or footnote often says.',
    ),
  'ambiguous-torque': (p) =>
    words(
      'Which number',
      `"${p.text}" can be read in two ways: its comma or point may mark decimals or thousands, its stroke a fraction or two values.`,
      'Choose what the source means.',
    ),
  'units-differ': (p) =>
    words('Two units in one range', `"${p.text}" mixes units.`, 'Type both ends in the same unit.'),
  'range-reversed': (p) =>
    words(
      'Range runs backwards',
      `"${p.text}" does not run from low to high.`,
      'Type the lower value first.',
    ),
  'tolerance-too-wide': (p) =>
    words(
      'Tolerance too wide',
      `The tolerance in "${p.text}" reaches zero.`,
      'Check the tolerance against the source.',
    ),
  'out-of-bounds': (p) =>
    words(
      'Out of bounds',
      `"${p.text}" is not above zero and at most ${plain(p.highestNewtonMetres)} N·m.`,
      'Check the number and the unit against the source.',
    ),
  'size-doubtful': (p) =>
    words(
      'More than its size bears',
      `"${p.text}" is above anything that ${p.size} is tightened to.`,
      'Look at the source again: choose the unit it means, or that it stands as printed.',
    ),
  'statements-disagree': (p) =>
    words(
      'The two values disagree',
      p.differencePercent === null
        ? 'The source prints two statements of different kinds.'
        : `The source prints two values that differ by ${plain(p.differencePercent)} %, more than rounding.`,
      'Choose the one that governs, or ask the maker.',
    ),
  'key-unit-differs': (p) =>
    words(
      'Another unit',
      `"${p.text}" has a unit of length, the column is in ${p.unit}.`,
      `Type it in ${p.unit}.`,
    ),
  'unreadable-conductor': (p) =>
    words(
      'Can’t read this size',
      `"${p.text}" is no conductor size.`,
      'Type it as 14 AWG, 4/0, 250 kcmil or 2.5 mm².',
    ),
  'conductor-out-of-bounds': (p) =>
    words('No such size', `"${p.text}" is outside 40 AWG to 1200 mm².`, 'Check the size.'),
};
