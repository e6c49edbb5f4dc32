import { shortFigure } from '#core/quantity/display.ts';
import { unitSymbol } from '#core/quantity/unit.ts';
import { waitWords } from '../words/joint.ts';
import { mixUpWords } from '../words/mix-up.ts';
import { REMEDY_WORDS } from '../words/trouble.ts';
import { type Problem, type ProblemWords, words } from './problem.ts';

type BenchCode =
  | 'not-a-number'
  | 'ambiguous-number'
  | 'position-repeated'
  | 'book-reference-unknown'
  | 'tool-needed'
  | 'angle-not-recordable'
  | 'made-for-harder-material'
  | 'class-not-met'
  | 'run-on-missing'
  | 'run-on-too-high'
  | 'run-on-too-low'
  | 'run-on-off-scale'
  | 'run-on-needs-showing'
  | 'outside-tool-range'
  | 'no-graduation-inside'
  | 'job-not-planned'
  | 'job-already-planned'
  | 'unknown-position'
  | 'tool-not-chosen'
  | 'another-tool-chosen'
  | 'cautions-incomplete'
  | 'setting-not-made'
  | 'reading-out-of-bounds'
  | 'loosen-first'
  | 'nothing-to-loosen'
  | 'mix-up-question'
  | 'unknown-pull'
  | 'pull-already-voided'
  | 'why-missing'
  | 'not-in-acceptance'
  | 'already-in'
  | 'open-items-remain'
  | 'job-signed'
  | 'signed-already'
  | 'not-signed-done'
  | 'second-person-needed'
  | 'role-may-not'
  | 'claim-untrue'
  | 'requirement-misread'
  | 'rules-unknown'
  | 'rules-already'
  | 'gap-accepted-already'
  | 'not-pulled-yet'
  | 'head-moved'
  | 'no-pull-by-signer'
  | 'plan-misshaped'
  | 'joint-kind-unknown'
  | 'group-unknown'
  | 'step-unknown'
  | 'step-misdone'
  | 'step-first'
  | 'instrument-missing'
  | 'wait-not-over'
  | 'wait-not-begun'
  | 'instrument-differs'
  | 'remedy-first'
  | 'part-unknown'
  | 'part-repeated'
  | 'note-empty'
  | 'device-other-job'
  | 'device-not-awaited'
  | 'device-other-tool'
  | 'device-other-unit'
  | 'device-no-angle'
  | 'reading-counted-already'
  | 'angle-not-asked'
  | 'angle-not-due'
  | 'steps-remain'
  | 'finger-tight'
  | 'snug-then-angle'
  | 'not-finger-tight';

type Wording = {
  readonly [C in BenchCode]: (problem: Extract<Problem, { readonly code: C }>) => ProblemWords;
};

const PLAN_MISSHAPED_WORDS: Readonly<Record<Extract<Problem, { code: 'plan-misshaped' }>['what'], string>> = {
  'group-unknown': 'A fastener names a group that the plan does not have.',
  'group-empty': 'A group has no fasteners.',
  'group-repeated': 'Two groups have the same name.',
  'group-scattered': 'The fasteners do not follow the order of the groups.',
  'detail-unknown': 'A fastener has a detail that its kind of joint does not have.',
};

const plain = shortFigure;

/** The words for what can be in the way at the bench and at a signature. */
export const BENCH_WORDS: Wording = {
  'not-a-number': (p) =>
    words('Not a number', `"${p.text}" is no number.`, 'Type digits, with a point or a comma for decimals.'),
  'ambiguous-number': (p) =>
    words('Which number', `"${p.text}" may be ${p.candidates.join(' or ')}.`, 'Type it without the comma.'),
  'position-repeated': (p) =>
    words(
      'Position stands twice',
      'firstLine' in p
        ? `"${p.position}" is already on line ${p.firstLine}.`
        : `"${p.position}" stands twice.`,
      'Give one of them its own position.',
    ),
  'book-reference-unknown': (p) =>
    words(
      'Not in the book',
      `${p.requirementCode} is not in the spec book at that revision.`,
      'Look it up again and choose the value that is in force.',
    ),
  'tool-needed': () =>
    words(
      'A tool is needed first',
      'This site takes the tolerance from the tool’s class.',
      'Choose the tool.',
    ),
  'angle-not-recordable': (p) =>
    words(
      'An angle that can’t be recorded here',
      `This asks for ${p.angleDegrees}° where there is no torque to turn from, or on a job that was begun before angles were recorded.`,
      'Take this fastener out of the list and record it on paper with an angle gauge, or begin the job anew.',
    ),
  'snug-then-angle': (p) =>
    words(
      'Snug, then an angle',
      `It is made snug by hand and turned by ${p.angleDegrees}°; its source prints no torque.`,
      'Confirm it on the Bench, then record the angle.',
    ),
  'class-not-met': ({ position, asked, inHand, standing }) =>
    words(
      standing === 'weaker' ? 'The screw is too weak' : 'The screw is of another standard',
      standing === 'weaker'
        ? `${position} asks for class ${asked}; the screw in hand is ${inHand}, which is weaker.`
        : `${position} asks for class ${asked}; the screw in hand is ${inHand}, of another standard or steel: the torque was not made for it.`,
      `Take a screw of ${asked} or stronger of the same standard: the mark on its head says which it is.`,
    ),
  'made-for-harder-material': () =>
    words(
      'Made for a harder material',
      'The value was made for a harder material than this part, and this site takes no value over from one.',
      'Find a source for the softer material, or let a lead choose the other school in Settings.',
    ),
  'run-on-missing': (p) =>
    words(
      'Run-on torque first',
      `${p.position} has a self-locking thread; its run-on torque is added to the value.`,
      'Turn it through the last turns before it seats, read the torque while it moves, and type it.',
    ),
  'run-on-too-high': (p) =>
    words(
      'Run-on torque too high',
      `At ${p.position} it is more than twice the torque to be added to.`,
      'Check the unit you read; look for a crossed thread or a nut that is too tight.',
    ),
  'run-on-too-low': (p) =>
    words(
      'Run-on torque too low',
      `A used self-locking nut of ${p.thread} must still need at least ${plain(p.leastLbfIn)} lbf·in (AC 43.13-1B, Table 7-2).`,
      'Put a new nut on, and measure that one. Read again if the digits were mistyped.',
    ),
  'run-on-off-scale': (p) =>
    words(
      'Off the tool’s scale',
      `${p.toolCode} shows ${plain(p.minimum)} to ${plain(p.maximum)} ${unitSymbol(p.unit)}; it can’t have said that.`,
      'Read it again, or measure with a tool whose scale reaches it.',
    ),
  'run-on-needs-showing': (p) =>
    words(
      'A tool that shows torque is needed',
      `The run-on torque of ${p.position} is read while it turns; a tool that clicks shows nothing then.`,
      'Take a beam, dial or electronic tool beside this one under Plan.',
    ),
  'outside-tool-range': (p) =>
    words(
      'Outside the tool’s range',
      `${plain(p.target)} ${unitSymbol(p.unit)} is not between ${plain(p.minimum)} and ${plain(p.maximum)} ${unitSymbol(p.unit)}.`,
      'Choose another tool under Plan.',
    ),
  'no-graduation-inside': (p) =>
    words(
      'No graduation inside acceptance',
      `The marks ${plain(p.below)} and ${plain(p.above)} ${unitSymbol(p.unit)} both miss it.`,
      'Choose a tool with a finer scale under Plan.',
    ),
  'job-not-planned': () => words('No such job', 'The job has no plan yet.', 'Open it from the Jobs list.'),
  'job-already-planned': () =>
    words('Already planned', 'The job has its plan.', 'Open it from the Jobs list.'),
  'unknown-position': (p) =>
    words('No such position', `The job has no position ${p.position}.`, 'Choose one from the drawing.'),
  'tool-not-chosen': () =>
    words(
      'No tool chosen',
      'The job does not say yet which tool is in your hand.',
      'Choose the tool under Plan.',
    ),
  'another-tool-chosen': () =>
    words(
      'Another tool was chosen',
      'Someone took another tool for this job meanwhile.',
      'Look at Plan, then set that tool.',
    ),
  'cautions-incomplete': () =>
    words(
      'Make safe first',
      'The cautions of this job are not all confirmed.',
      'Go through them and confirm each.',
    ),
  'setting-not-made': (p) =>
    words(
      'Set the tool first',
      `This fastener wants ${p.wanted} ${unitSymbol(p.unit)}.`,
      'Set it and say that it is set.',
    ),
  'reading-out-of-bounds': () =>
    words('No such reading', 'It is zero or far past what the tool can show.', 'Type the reading again.'),
  'loosen-first': (p) =>
    words(
      'Loosen it first',
      `${p.position} went past its limit or was pulled by feel; a further pull can’t show how far it is.`,
      'Loosen, inspect the thread, then say that it is loosened.',
    ),
  'nothing-to-loosen': (p) => words('Nothing to loosen', `${p.position} has not been pulled.`, 'Pull it.'),
  'mix-up-question': (p) =>
    words(
      'Is that the right unit',
      `${p.reading} ${unitSymbol(p.unit)} against ${p.target}: ${p.likely.map(mixUpWords).join('; or ')}.`,
      'Type the reading again, or say that it stands.',
    ),
  'unknown-pull': () => words('No such pull', 'The job has no pull of that number.', 'Reload the job.'),
  'pull-already-voided': () => words('Voided already', 'That pull is struck out.', 'Pull again.'),
  'why-missing': () => words('Say why', 'A reason is kept in the record.', 'Type the reason.'),
  'not-in-acceptance': (p) =>
    words(
      'Not in acceptance',
      `${p.position} is not in acceptance, so it gets no witness mark.`,
      'Pull it first.',
    ),
  'already-in': (p) => words('Already in', `${p.position} is in acceptance.`, 'Nothing to leave open.'),
  'open-items-remain': (p) =>
    words(
      'Open items remain',
      p.count === 1
        ? 'One fastener is not in acceptance and has no reason.'
        : `${p.count} fasteners are not in acceptance and have no reason.`,
      'Pull them, or give a reason for each.',
    ),
  'job-signed': () =>
    words(
      'The job is signed',
      'Nothing is added to a signed job.',
      'An inspector or lead can open it again under Sign, with a reason.',
    ),
  'signed-already': (p) => words('Signed already', `"${p.meaning}" is signed.`, 'Nothing more to do.'),
  'not-signed-done': () =>
    words('Not signed as done', 'The person who did the work signs first.', 'Sign as done first.'),
  'second-person-needed': () =>
    words(
      'A second person signs',
      'Whoever did the work can’t inspect it too.',
      'Let another inspector or lead sign.',
    ),
  'role-may-not': (p) =>
    words(
      'Not with this role',
      `This takes ${p.needed === 'lead' ? 'a lead' : 'an inspector or a lead'}.`,
      'Ask one to do it, signed in with their own PIN.',
    ),
  'claim-untrue': (p) =>
    words(
      'That can’t be so',
      `What was sent does not hold together (${p.field}): a number is not what its text says, or another unit than the tool’s.`,
      'Reload the page and do it again; what was sent stays on this device.',
    ),
  'requirement-misread': (p) =>
    words(
      'Not what is printed',
      `The requirement for ${p.position} is not what its print says.`,
      'Look at the print again, and settle only what is in doubt.',
    ),
  'rules-unknown': (p) =>
    words(
      'Made by newer rules',
      `It is judged by rules ${p.number}, which this version of Jentik does not have.`,
      'Reload the page; if that does not help, the site must be brought up to date.',
    ),
  'rules-already': (p) =>
    words('Nothing to move', `The job is judged by rules ${p.number} already.`, 'Close this.'),
  'gap-accepted-already': (p) =>
    words(
      'Accepted already',
      `A lead has accepted ${p.group} on this job.`,
      'Its reason stands on the plan.',
    ),
  'not-pulled-yet': (p) =>
    words('Not pulled yet', `${p.position} has no pull to check.`, 'Pull it first, under Bench.'),
  'head-moved': (p) =>
    words(
      'The job has moved on',
      p.now > p.signed
        ? `${p.now - p.signed === 1 ? 'One event' : `${p.now - p.signed} events`} came after what was on your screen.`
        : 'What was on your screen is not what the site has.',
      'Look at what is new, then sign again.',
    ),
  'no-pull-by-signer': () =>
    words(
      'You made no pull here',
      'Whoever signs “done” states that the work was done as recorded, and no pull of this job is yours.',
      'Sign all the same if you stand for it; the record says that you made no pull.',
    ),
  'plan-misshaped': ({ what }) =>
    words('The plan contradicts itself', PLAN_MISSHAPED_WORDS[what], 'Read the list again and plan it anew.'),
  'joint-kind-unknown': ({ jointKind }) =>
    words(
      'Another kind of joint',
      `“${jointKind}” is not as this site plans it now.`,
      'Load the page again and plan the job anew.',
    ),
  'group-unknown': ({ group }) =>
    words('No such group', `The job has no group ${group}.`, 'Load the page again.'),
  'step-unknown': ({ step }) =>
    words('No such step', `The plan has no step “${step}” there.`, 'Load the page again.'),
  'step-misdone': ({ step }) =>
    words(
      'Not what the step asks',
      `What was said of “${step}” is not what its plan asks for.`,
      'Load the page again and do the step as it is shown.',
    ),
  'step-first': ({ title }) =>
    words(
      'A step comes first',
      `“${title}” is not done, and the pull waits for it.`,
      'Do it, or let a lead leave it with a reason.',
    ),
  'instrument-missing': () =>
    words(
      'With what was it measured?',
      'The record names the instrument.',
      'Type what is marked on it, then record again.',
    ),
  'wait-not-begun': () =>
    words(
      'Not begun yet',
      'Nobody said when this wait began, and so nobody knows when it is over.',
      'Begin it now, and go on when the time is up.',
    ),
  'instrument-differs': ({ instrument }) =>
    words(
      'Another instrument',
      `This row was begun with ${instrument}: it proves nothing about another one.`,
      `Measure with ${instrument}, or begin again from the first of the row.`,
    ),
  'remedy-first': ({ position, act }) =>
    words(
      `${position} is not put right yet`,
      `Something went wrong with it, and it is still to be ${REMEDY_WORDS[act]}.`,
      'Do that, say so, then pull it again from snug.',
    ),
  'part-unknown': ({ part }) =>
    words('No such part', `The group has no part ${part}.`, 'Take one that the plan names.'),
  'part-repeated': ({ part }) =>
    words('Already there', `${part} is on this group already.`, 'Give the new part its own code.'),
  'angle-not-asked': ({ position }) =>
    words(
      'No angle asked',
      `The source of ${position} asks for no such turn after its torque.`,
      'Turn it no further. Where the maker asks for one, correct the requirement first.',
    ),
  'angle-not-due': ({ position }) =>
    words(
      'Its torque comes first',
      `${position} has not reached the torque that its angle is turned from, or was turned by this one already.`,
      'Bring it to its torque, mark it, then turn it on.',
    ),
  'device-other-job': ({ device, job }) =>
    words(
      'It answers for another job',
      `${device} sent a pull of job ${job}.`,
      'Nothing was recorded. Send this job to the tool, then pull again.',
    ),
  'device-not-awaited': ({ device, text, unit }) =>
    words(
      'A pull that nothing waited for',
      `${device} read ${text} ${unitSymbol(unit)} while something else is due.`,
      'Nothing was recorded. Do what is due; where it was a pull of a fastener, choose that one and pull it again.',
    ),
  'device-other-tool': ({ device, toolCode }) =>
    words(
      'Another tool',
      `${device} sent a pull; the tool in hand is ${toolCode}.`,
      'Nothing was recorded. Take the tool that is named, or take the other one on the Plan.',
    ),
  'device-other-unit': ({ device, text, unit, wanted }) =>
    words(
      'The tool shows another unit',
      `${device} read ${text} ${unitSymbol(unit)}; on the Plan it shows ${unitSymbol(wanted)}.`,
      `Nothing was recorded. Set the tool to ${unitSymbol(wanted)} and pull again.`,
    ),
  'reading-counted-already': ({ device }) =>
    words(
      'Recorded at another bench',
      `Somebody else’s bench heard the same pull of ${device} and recorded it.`,
      'It counts once. Agree whose hand the tool is in; void the one that is at the wrong fastener.',
    ),
  'device-no-angle': ({ device }) =>
    words('No angle', `${device} sent a torque and no angle.`, 'Read the angle off a gauge and type it.'),
  'note-empty': () =>
    words('Nothing noted', 'There are no words and no picture.', 'Write or photograph something.'),
  'wait-not-over': ({ minutesLeft }) =>
    words(
      'Not yet',
      `It has to be left for another ${waitWords(minutesLeft)}.`,
      'Come back then; other groups can be worked meanwhile.',
    ),
  'steps-remain': ({ count, first }) =>
    words(
      'Steps remain',
      count === 1
        ? `“${first}” is still to be done.`
        : `${count} steps are still to be done, “${first}” first.`,
      'Do them on the Bench, or leave each with a reason.',
    ),
  'finger-tight': () =>
    words(
      'By the fingers',
      'It is tightened by the fingers alone and gets no torque.',
      'Confirm it on the Bench.',
    ),
  'not-finger-tight': ({ position }) =>
    words('It has a torque', `${position} is tightened to a torque.`, 'Pull it with a tool.'),
};
