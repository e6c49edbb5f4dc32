import type { DrawingRefusal } from '#core/drawing/drawing-refusal.ts';
import type { OwnKindRefusal } from '#core/joint/own-kind.ts';
import { type Problem, type ProblemWords, words } from './problem.ts';

type PlanCode =
  | 'passes-impossible'
  | 'joint-kind-impossible'
  | 'pitch-not-known'
  | 'too-few-readings-here'
  | 'no-loss-measured'
  | DrawingRefusal['code'];

type Wording = {
  readonly [C in PlanCode]: (problem: Extract<Problem, { readonly code: C }>) => ProblemWords;
};

const KIND_WORDS: Readonly<Record<OwnKindRefusal['what'], string>> = {
  code: 'Its code is not one of the site’s own.',
  passes: 'Its passes go back, or end short of the whole torque.',
  moved: 'It asks for rounds until nothing moves, and does not say what moving is.',
  details: 'It has details that no list has a column for.',
  cautions: 'Nothing is confirmed before its first pull. At least one caution must be.',
};

/** The words for what can be wrong with a plan, what is laid out for it, and what is worked out of it. */
export const PLAN_WORDS: Wording = {
  'passes-impossible': ({ jointKind }) =>
    words(
      'These passes can’t be worked',
      `The passes chosen for “${jointKind}” go back, or end short of the whole torque, or ask for rounds until nothing moves where nothing says what moving is.`,
      'Choose passes that grow, each larger than the one before, and end at the whole torque.',
    ),
  'joint-kind-impossible': ({ what }) =>
    words(
      'No job can be worked by this kind of joint',
      KIND_WORDS[what],
      'Change that, and keep it again; what you wrote stays here.',
    ),
  'pitch-not-known': ({ text }) =>
    words(
      'Which pitch?',
      `No coarse pitch goes with ${text}, or the one written is too coarse for it.`,
      'Write the pitch with it, as M12x1.5.',
    ),
  'too-few-readings-here': ({ needed }) =>
    words(
      'Not enough readings',
      `A reading for each of ${needed} fasteners is needed, in the order they are pulled.`,
      'Measure the first movement of each at the start of the second round, and type them all.',
    ),
  'no-loss-measured': () =>
    words(
      'Nothing came loose',
      'None of the readings is below the full torque, so that there is nothing to fit.',
      'Read the torque at which each begins to turn, not what the tool is set to; else take it for rigid.',
    ),
  'drawing-empty': () =>
    words('The drawing is empty', 'It holds no text.', 'Choose the file that was exported.'),
  'drawing-too-large': ({ bytes, mostBytes }) =>
    words(
      'The drawing is too large',
      `It has ${(bytes / 1e6).toFixed(1)} MB; up to ${mostBytes / 1e6} MB are read.`,
      'Export only the layer with the holes, or the view of one joint.',
    ),
  'drawing-unknown': ({ found }) =>
    words(
      'Neither a DXF nor an SVG',
      `It begins with “${found}”.`,
      'Export the drawing as DXF (text, not binary) or as SVG.',
    ),
  'drawing-without-marks': () =>
    words(
      'Nothing on it could be a fastener',
      'It has no circle, no point and no inserted symbol.',
      'Draw a circle or a point where each fastener sits, or lay them out by numbers.',
    ),
  'drawing-too-many': ({ count, most }) =>
    words(
      'Too much on one drawing',
      `It has ${count} circles, points and symbols; up to ${most} are read.`,
      'Export only the layer with the holes.',
    ),
  'dxf-binary': () =>
    words('A binary DXF', 'Only DXF written as text is read.', 'Export it again as ASCII or text DXF.'),
  'dxf-code-wrong': ({ line, found }) =>
    words(
      `Line ${line} is no group code`,
      `A whole number stands there in a DXF; this one has “${found}”.`,
      'Export the drawing again; the file was changed or cut.',
    ),
  'dxf-number-wrong': ({ line, group, found }) =>
    words(
      `Line ${line} is no number`,
      `Group ${group} is a coordinate or a size; there stands “${found}”.`,
      'Export the drawing again with a point for decimals.',
    ),
  'dxf-cut-short': ({ line }) =>
    words(
      'The drawing is cut short',
      `It ends at line ${line}, before its own end.`,
      'Copy or export the file again.',
    ),
  'svg-broken': ({ line, column, what }) =>
    words(
      `Line ${line} breaks the drawing`,
      `Line ${line}, column ${column}: ${what}`,
      'Export the drawing again as SVG.',
    ),
  'svg-number-wrong': ({ line, attribute, found }) =>
    words(
      `Line ${line}: ${attribute} can’t be read`,
      `There stands “${found}”.`,
      'Export the drawing again as SVG.',
    ),
};
