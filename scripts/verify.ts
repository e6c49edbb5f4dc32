import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import type { RecordFinding, RecordVerified } from '#core/record/verify-record.ts';
import { verifyRecord } from '#core/record/verify-record.ts';
import { jobEventSchema } from '#wire/job-event.ts';
import { problemWords } from '#wire/problems/en.ts';

// `npm run verify -- FILE [--key FINGERPRINT]`: checks a job's record from the file alone, with no database and no server.

const USAGE = 'Usage: npm run verify -- FILE [--key xxxx-xxxx-xxxx-xxxx]';

const eventWords = (sequence: number, eventId: string): string => `event ${sequence} (${eventId})`;

const findingWords = (finding: RecordFinding): string => {
  switch (finding.code) {
    case 'not-json':
      return 'the file is not JSON.';
    case 'not-a-record':
      return 'the file is not a job record of Jentik.';
    case 'unknown-version':
      return `the record is of version ${String(finding.version)}, which this verifier does not know.`;
    case 'text-altered':
      return `line ${finding.line} is not as Jentik wrote it.`;
    case 'chain-broken': {
      const { sequence, eventId, problem } = finding.finding;
      return `${eventWords(sequence, eventId)} does not fit the chain: its ${problem.replace('-', ' ')} is wrong.`;
    }
    case 'head-differs':
      return `the seal speaks of another head than ${eventWords(finding.sequence, finding.eventId)}, the last of the file.`;
    case 'seal-broken':
      return 'the seal’s signature does not fit its facts.';
    case 'key-differs':
      return `the seal is by key ${finding.found}, not by ${finding.expected}.`;
    case 'event-misshaped':
      return `${eventWords(finding.sequence, finding.eventId)} has not the form of an event.`;
    case 'event-impossible': {
      const { title, cause } = problemWords(finding.refusal);
      return `${eventWords(finding.sequence, finding.eventId)} can’t have happened. ${title}: ${cause}`;
    }
    case 'requirement-misread':
      return `${eventWords(finding.sequence, finding.eventId)} states another requirement for ${finding.position} than its print says.`;
    case 'statement-differs':
      return `the statement says something else than the events prove, in "${finding.field}".`;
  }
};

const report = (verified: RecordVerified, isKeyKnown: boolean): string =>
  [
    `The record holds: job ${verified.number}, ${verified.title}, of ${verified.site}.`,
    `  ${verified.events} events in an unbroken chain, ${verified.pulls} pulls, every verdict worked out again.`,
    `  Open items: ${verified.openItems}.`,
    `  Signed: ${verified.signatures.map(({ meaning, name }) => `${meaning} by ${name}`).join(', ') || 'by nobody yet'}.`,
    `  Sealed by key ${verified.fingerprint}${
      isKeyKnown
        ? ', the one you named.'
        : '. Ask the site for its key by another way, and name it with --key: a forged record could bring a key of its own.'
    }`,
  ].join('\n');

const args = process.argv.slice(2);
const keyAt = args.indexOf('--key');
const expectedKey = keyAt >= 0 ? (args[keyAt + 1] ?? '') : null;
const [file, ...more] = args.filter((_, index) => keyAt < 0 || (index !== keyAt && index !== keyAt + 1));

if (!file || more.length > 0) {
  console.error(USAGE);
  process.exit(2);
}

let text: string;
try {
  text = readFileSync(resolve(process.env['JENTIK_CALLED_FROM'] ?? '.', file), 'utf8');
} catch {
  console.error(`${file} can't be read. ${USAGE}`);
  process.exit(2);
}

const isEventShaped = (value: unknown): boolean => jobEventSchema.safeParse(value).success;
const verified = verifyRecord(text, { expectedKey, isEventShaped });
if (verified.ok) {
  console.log(report(verified.value, expectedKey !== null));
} else {
  console.error(`The record does NOT hold: ${findingWords(verified.refusal)}`);
  process.exit(1);
}
