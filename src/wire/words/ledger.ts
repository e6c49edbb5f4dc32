import type { LedgerCheck, LedgerFinding, StatedThing } from '../ledger-check.ts';

const jobName = (number: number, job: string): string => `Job ${number} (${job})`;

const WITNESS_WORDS: Readonly<
  Record<Extract<LedgerFinding, { code: 'witness-altered' }>['problem'], string>
> = {
  form: 'it is not a line of a witness',
  previous: 'it does not follow the line before it',
  signature: 'its signature does not fit',
  key: 'it is signed by a key that was not the site’s then',
  jobs: 'it counts other jobs than the lines name',
  'unlike-chain': 'the site’s log remembers another line',
};

const THING: Readonly<Record<StatedThing, string>> = {
  person: 'The person',
  source: 'The source',
  adapter: 'The adapter',
  site: 'The settings of',
  tool: 'The tool',
  requirement: 'The requirement',
  table: 'The table',
};

const stateWords = ({ what, name, field }: Extract<LedgerFinding, { code: 'state-differs' }>): string => {
  const thing = `${THING[what]} ${name}`;
  if (field === null) return `${thing} is gone, and nothing in the log took it away.`;
  if (field === 'unlogged') return `${thing} is there, and nothing in the log put it there.`;
  return `${thing} is not as it was left by what is written down: another ${field}.`;
};

/** What is not as it was, and exactly where. */
export const ledgerFindingWords = (finding: LedgerFinding): string => {
  switch (finding.code) {
    case 'witness-missing':
      return `The witness file holds ${finding.lines} lines, and ${finding.known} were written. Lines are missing, or the file was taken away.`;
    case 'witness-altered':
      return `Line ${finding.line} of the witness file was changed: ${WITNESS_WORDS[finding.problem]}.`;
    case 'job-missing':
      return finding.sequence > 0
        ? `${jobName(finding.number, finding.job)} is gone. It had ${finding.sequence} events when it was witnessed.`
        : `${jobName(finding.number, finding.job)} has a head and no events.`;
    case 'head-back':
      return `${jobName(finding.number, finding.job)}: its head was moved back to event ${finding.sequence}. It had ${finding.witnessed} events.`;
    case 'event-altered':
      return `${jobName(finding.number, finding.job)}: event ${finding.sequence} (${finding.eventId}) was changed.`;
    case 'event-missing':
      return finding.upTo !== undefined && finding.upTo > finding.sequence
        ? `${jobName(finding.number, finding.job)}: events ${finding.sequence} to ${finding.upTo} are missing.`
        : `${jobName(finding.number, finding.job)}: event ${finding.sequence} is missing.`;
    case 'unlike-witness':
      return `${jobName(finding.number, finding.job)}: its events up to ${finding.sequence} are whole in themselves, but not those that were witnessed.`;
    case 'does-not-follow':
      return `${jobName(finding.number, finding.job)}: event ${finding.sequence} does not follow from what was there before it (${finding.why}).`;
    case 'log-altered':
      return `The site’s log was changed at number ${finding.sequence} of its chain.`;
    case 'log-cut':
      return `The site’s log ends at number ${finding.sequence} of its chain. ${finding.witnessed} were witnessed.`;
    case 'row-missing':
      return `Gone: ${finding.said}.`;
    case 'row-altered':
      return `Changed: ${finding.said}.`;
    case 'state-differs':
      return stateWords(finding);
  }
};

const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;

/** What was looked at. */
export const checkedWords = ({ jobs, events, rows, witnessLines }: LedgerCheck): string =>
  `Looked at: ${counted(jobs, 'job')} with ${counted(events, 'event')}, ${counted(rows, 'row')} of the log, the crib and the book, ${counted(witnessLines, 'line')} of the witness.`;

/** What nobody outside the database can speak for yet. */
export const unwitnessedWords = ({
  unwitnessed: { jobs, events, rows },
  witnessedAt,
}: LedgerCheck): string => {
  if (witnessedAt === null)
    return 'Nothing is witnessed yet: that it is whole in itself is all that can be said.';
  if (events + rows === 0) return 'Everything is witnessed.';
  const came = [
    ...(events > 0 ? [`${counted(events, 'event')} in ${counted(jobs, 'job')}`] : []),
    ...(rows > 0 ? [counted(rows, 'row')] : []),
  ];
  return `Not witnessed yet: ${came.join(' and ')}, which came after the last witness. Of that only one thing can be said: that it is whole in itself.`;
};
