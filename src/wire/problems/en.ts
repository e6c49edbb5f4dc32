import { shortFigure } from '#core/quantity/display.ts';
import { BENCH_WORDS } from './en-bench.ts';
import { BOOK_WORDS } from './en-book.ts';
import { TOOL_WORDS } from './en-tools.ts';
import { type Problem, type ProblemCode, type ProblemWords, words } from './problem.ts';

type Wording = {
  readonly [C in ProblemCode]: (problem: Extract<Problem, { readonly code: C }>) => ProblemWords;
};

const plain = shortFigure;

const WRITTEN: Pick<
  Wording,
  | 'not-a-number'
  | 'ambiguous-number'
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
  | 'conductor-out-of-bounds'
> = {
  'not-a-number': (p) =>
    words('Not a number', `"${p.text}" is no number.`, 'Type digits, with a point or a comma for decimals.'),
  'ambiguous-number': (p) =>
    words('Which number', `"${p.text}" may be ${p.candidates.join(' or ')}.`, 'Type it without the comma.'),
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

const LIST: Pick<
  Wording,
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
  | 'position-repeated'
  | 'unknown-drive'
  | 'rows-unsettled'
> = {
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
  'position-repeated': (p) =>
    words(
      'Position stands twice',
      'firstLine' in p
        ? `"${p.position}" is already on line ${p.firstLine}.`
        : `"${p.position}" stands twice.`,
      'Give one of them its own position.',
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

const SITE: Pick<
  Wording,
  | 'scale-limits-reversed'
  | 'scale-turn-not-whole-marks'
  | 'scale-too-fine'
  | 'not-signed-in'
  | 'wrong-pin'
  | 'pin-locked'
  | 'not-found'
  | 'body-invalid'
  | 'body-too-large'
  | 'wrong-origin'
  | 'wrong-content-type'
  | 'not-your-event'
  | 'kind-not-accepted'
  | 'site-has-people'
  | 'name-taken'
  | 'tool-code-taken'
  | 'tool-changed'
  | 'event-id-used'
  | 'calibration-dates-reversed'
  | 'no-connection'
  | 'answer-misshaped'
  | 'device-storage-failed'
  | 'device-keeps-nothing'
  | 'outbox-unreadable'
  | 'ledger-broken'
  | 'result-out-of-bounds'
  | 'computing-busy'
  | 'computing-too-long'
  | 'setup-code-wrong'
  | 'setup-code-spent'
  | 'check-runs'
  | 'backup-runs'
  | 'no-room-for-backups'
  | 'job-busy'
  | 'database-away'
  | 'fault'
> = {
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
  'not-signed-in': () => words('Not signed in', 'The session ended.', 'Sign in again.'),
  'wrong-pin': (p) =>
    words(
      'Wrong PIN',
      p.triesLeft === 1
        ? 'One more try before it is locked for a while.'
        : `${p.triesLeft} more tries before it is locked for a while.`,
      'Try again.',
    ),
  'pin-locked': (p) =>
    words(
      'Locked for a while',
      `Too many wrong PINs; open again in ${p.untilSeconds} s.`,
      'Wait, then try again.',
    ),
  'not-found': (p) => words('Not found', `There is no such ${p.what} here.`, 'Go back to the list.'),
  'body-invalid': (p) =>
    words(
      'Something does not fit',
      p.issues
        .slice(0, 4)
        .map(({ path, message }) => `${path}: ${message}`)
        .join('; '),
      'Mend it and send again; nothing was saved.',
    ),
  'body-too-large': (p) => words('Too much at once', `At most ${p.mostBytes / 1e6} MB.`, 'Send it in parts.'),
  'wrong-origin': () =>
    words('Not from this site', 'The request came from another page.', 'Open Jentik in its own tab.'),
  'wrong-content-type': () =>
    words('Not JSON', 'This address takes JSON.', 'Send it with content type application/json.'),
  'not-your-event': (p) =>
    words('Someone else’s work', `This was done by ${p.name}.`, `It is sent when ${p.name} signs in again.`),
  'kind-not-accepted': (p) =>
    words('Not this way', `"${p.kind}" is not sent as an event.`, 'Use its own action.'),
  'site-has-people': () => words('Already set up', 'This site has its first person.', 'Sign in.'),
  'name-taken': (p) =>
    words('Name taken', `There is a ${p.name} already; tiles must be told apart.`, 'Add an initial.'),
  'tool-code-taken': (p) =>
    words('Code taken', `There is a tool ${p.toolCode} already.`, 'Give this one its own code.'),
  'tool-changed': (p) =>
    words(
      'The tool changed',
      `${p.toolCode} is not in the crib as this device remembers it.`,
      'Choose the tool again under Plan.',
    ),
  'event-id-used': () =>
    words(
      'Used elsewhere',
      'This event’s id belongs to another event.',
      'Do it again; the first is kept as it was.',
    ),
  'calibration-dates-reversed': () =>
    words('Due before it was calibrated', 'The due date is before the calibration.', 'Check both dates.'),
  'no-connection': () =>
    words(
      'No connection',
      'The server can’t be reached.',
      'Nothing was saved by this. Try again when it answers.',
    ),
  'answer-misshaped': () =>
    words(
      'Answer not understood',
      'The server is of another version than this page, or something stands between them.',
      'Whether it was saved is not known: reload the page and look.',
    ),
  'device-storage-failed': () =>
    words(
      'Not kept on this device',
      'The browser refuses to store what you do: until it is sent, this tab alone holds it.',
      'Keep this tab open until all is sent, and free some space.',
    ),
  'device-keeps-nothing': () =>
    words(
      'This browser keeps nothing',
      'It gives no room to store what you do, as in a private window. It is sent at once; without a connection this tab alone holds it.',
      'Go on with care: keep this tab open until all is sent.',
    ),
  'ledger-broken': (p) =>
    words(
      'The ledger is not whole',
      `The events of this job break at number ${p.sequence}: something was lost or changed in the database. Nothing is taken or sealed until that is mended.`,
      'Tell a lead. What waits on this device stays there; npm run check names the place.',
    ),
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
    words('Others are before you', 'Many have asked for long work at once.', 'Try again in a moment.'),
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
  'job-busy': () =>
    words(
      'Not now',
      'Others are writing to this job, and its turn did not come in time.',
      'Try again in a moment.',
    ),
  'database-away': () =>
    words(
      'The database is away',
      'Jentik can’t reach it just now, or it takes too long.',
      'Try again in a moment.',
    ),
  'outbox-unreadable': () =>
    words(
      'Can’t be read any more',
      'It was kept by another version of Jentik.',
      'Tell a lead; it stays on this device.',
    ),
  fault: (p) =>
    words(
      'Something broke',
      `Jentik failed at its end (reference ${p.reference}).`,
      'Try again; if it happens twice, tell a lead the reference.',
    ),
};

const WORDING = {
  ...WRITTEN,
  ...LIST,
  ...BENCH_WORDS,
  ...SITE,
  ...BOOK_WORDS,
  ...TOOL_WORDS,
} satisfies Wording;

/** The words for a problem: what happened, why, and what to do next. */
export const problemWords = (problem: Problem): ProblemWords =>
  (WORDING[problem.code] as (problem: Problem) => ProblemWords)(problem);

const isProblem = (problem: { readonly code: string }): problem is Problem => problem.code in WORDING;

/** A problem as it came from a site; one that this page has no words for yet is a fault of the page, with its code. */
export const knownProblem = (problem: { readonly code: string }): Problem =>
  isProblem(problem) ? problem : { code: 'fault', reference: problem.code.slice(0, 40) };
