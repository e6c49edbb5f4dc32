import { type Problem, type ProblemWords, words } from './problem.ts';

type KeepingCode =
  | 'scale-limits-reversed'
  | 'scale-turn-not-whole-marks'
  | 'scale-too-fine'
  | 'site-has-people'
  | 'name-taken'
  | 'tool-code-taken'
  | 'calibration-dates-reversed'
  | 'backup-runs'
  | 'no-room-for-backups'
  | 'result-out-of-bounds'
  | 'computing-busy'
  | 'computing-too-long'
  | 'setup-code-wrong'
  | 'setup-code-spent'
  | 'check-runs'
  | 'session-without-points'
  | 'session-reading-not-positive'
  | 'session-reading-far-off'
  | 'tool-on-loan'
  | 'tool-not-on-loan'
  | 'nothing-usable'
  | 'not-found-out';

type Wording = {
  readonly [C in KeepingCode]: (problem: Extract<Problem, { readonly code: C }>) => ProblemWords;
};

/** The words for what a site can refuse of its own keeping: its people, its crib, its backups. None of it comes up at a bench. */
export const KEEPING_WORDS: Wording = {
  'scale-limits-reversed': () =>
    words(
      'The scale runs backwards',
      'Its maximum is not above its minimum.',
      'Read both off the tool again.',
    ),
  'scale-turn-not-whole-marks': () =>
    words(
      'A turn is not a whole number of marks',
      'The torque of one turn must be a multiple of one mark.',
      'Count the marks on the barrel.',
    ),
  'scale-too-fine': (p) =>
    words('Too many marks', `A scale has at most ${p.mostMarks} marks.`, 'Check the value of one mark.'),
  'site-has-people': () => words('Already set up', 'This site has its first person.', 'Sign in.'),
  'name-taken': (p) =>
    words('Name taken', `There is a ${p.name} already; tiles must be told apart.`, 'Add an initial.'),
  'tool-code-taken': (p) =>
    words('Code taken', `There is a tool ${p.toolCode} already.`, 'Give this one its own code.'),
  'calibration-dates-reversed': () =>
    words('Due before it was calibrated', 'The due date is before the calibration.', 'Check both dates.'),
  'backup-runs': () =>
    words(
      'A backup is under way',
      'Somebody started one a moment ago.',
      'Wait until it is through; it stands in the list then.',
    ),
  'no-room-for-backups': () =>
    words(
      'No place for backups',
      'This site was started without a folder for them, or the folder can’t be written.',
      'Use npm run backup -- FILE on the machine of the site.',
    ),
  'result-out-of-bounds': () =>
    words(
      'Beyond what can be worked out',
      'What comes of these numbers is too large, too small, or no number.',
      'Check each number and its unit.',
    ),
  'computing-busy': () =>
    words(
      'Others are ahead of you',
      'Several long pieces of work are being done already.',
      'Try again in a moment.',
    ),
  'computing-too-long': () =>
    words('It takes too long', 'This is more than can be worked out in one piece.', 'Send less at once.'),
  'setup-code-wrong': () =>
    words(
      'Not the set-up code',
      'The site is empty, and its first person types the code that its start printed.',
      'Read it where Jentik was started: three groups of four.',
    ),
  'setup-code-spent': () =>
    words(
      'No code is taken now',
      'Too many wrong ones were typed, or the site was started without one.',
      'End Jentik and start it again with npm start: it prints a new code.',
    ),
  'check-runs': () =>
    words(
      'A check is under way',
      'Somebody started one a moment ago.',
      'Wait until it is through; its result stands here then.',
    ),
  'session-without-points': () =>
    words('No readings', 'No point has a reading yet.', 'Type what the reference said.'),
  'session-reading-not-positive': () =>
    words(
      'Not above zero',
      'A reading is zero or below.',
      'Type what the reference said, as a number above zero.',
    ),
  'session-reading-far-off': (p) =>
    words(
      'A reading is far off',
      `At ${Number(p.shown.toPrecision(4))} N·m the readings are off by more than any tool is.`,
      'Check what was typed, and its unit.',
    ),
  'tool-on-loan': (p) => words('Out on loan', `It is with ${p.to}.`, 'Take it back first.'),
  'tool-not-on-loan': () => words('Not on loan', 'It is in the crib.', 'Load the page again.'),
  'nothing-usable': () =>
    words(
      'No part is right',
      'At no point do error and uncertainty stay inside the limit.',
      'Have it adjusted, or retire it.',
    ),
  'not-found-out': () =>
    words('Never found out', 'No session of this tool failed as found.', 'Nothing has to be recalled.'),
};
