import { shortFigure } from '#core/quantity/display.ts';
import { toolOutWords } from '../words/tool.ts';
import { type Problem, type ProblemWords, words } from './problem.ts';

type ToolCode =
  | 'tool-blocked'
  | 'outside-usable-band'
  | 'no-click'
  | 'lever-unknown'
  | 'adapter-turns-back'
  | 'adapters-do-not-fit'
  | 'no-device';

type Wording = {
  readonly [C in ToolCode]: (problem: Extract<Problem, { readonly code: C }>) => ProblemWords;
};

const plain = shortFigure;

/** The words for what can stand against a tool. */
export const TOOL_WORDS: Wording = {
  'tool-blocked': (p) =>
    words(
      'Tool may not be used',
      `${p.toolCode}: ${toolOutWords(p.blocks)}.`,
      'Take another tool, or let a lead override it with a reason that the certificate shows.',
    ),
  'outside-usable-band': (p) =>
    words(
      'Outside the band it is kept for',
      `It is right from ${plain(p.lowNewtonMetres)} to ${plain(p.highNewtonMetres)} N·m only.`,
      'Take another tool for this fastener.',
    ),
  'no-click': () =>
    words(
      'It does not click',
      'This tool shows the torque instead of giving way.',
      'Type what it showed at its highest, then Enter.',
    ),
  'lever-unknown': () =>
    words(
      'Lever length not known',
      'An offset changes the torque, and by how much depends on the tool’s lever length.',
      'Measure from the drive’s centre to the grip mark and add it to the tool.',
    ),
  'adapter-turns-back': () =>
    words(
      'Adapter points back',
      'At this angle almost no torque would reach the fastener.',
      'Turn the adapter to the side or outwards.',
    ),
  'adapters-do-not-fit': (p) =>
    words(
      'Does not fit',
      `${p.driveIn} does not go on ${p.driveOut}.`,
      'Choose another adapter, or another order.',
    ),
  'no-device': () =>
    words(
      'No tester connected',
      'The bench tester does not answer.',
      'Type the readings, or connect the tester and load the page again.',
    ),
};
