import { hash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import type { AuditFinding } from '#core/ledger/audit.ts';
import { type RecordFinding, type RecordVerified, verifyRecord } from '#core/ledger/verify-record.ts';
import { problemWords } from '#wire/problems/en.ts';

// `npm run verify -- FILE [--key FINGERPRINT]`: checks a job's record from the file alone, with no database and no server.
// Ends with 0 when the record holds under the key that was named, 3 when it holds but no key was named or rules are missing, 1 when it does
// not hold, 2 when it was not asked properly.

const USAGE = 'Usage: npm run verify -- FILE [--key xxxx-xxxx-xxxx-xxxx]';
const HOLDS = 0;
const HOLDS_NOT = 1;
const ASKED_WRONGLY = 2;
const HOLDS_IN_PART = 3;

const eventWords = (sequence: number, eventId: string): string => `event ${sequence} (${eventId})`;

const auditWords = (finding: AuditFinding): string => {
  const event = eventWords(finding.sequence, finding.eventId);
  switch (finding.code) {
    case 'version-unknown':
      return `${event} is of form ${finding.version}, which this verifier does not know.`;
    case 'rules-unknown':
      return `${event} was judged by rules ${finding.number}, which this verifier does not have.`;
    case 'event-impossible': {
      const { title, cause } = problemWords(finding.refusal);
      return `${event} can’t have happened. ${title}: ${cause}`;
    }
    case 'judgement-differs':
      return `${event} was judged otherwise than it follows from what is recorded (${finding.field}).`;
    case 'claim-untrue':
      return `${event} holds a number that its own text does not say (${finding.field}).`;
  }
};

const findingWords = (finding: RecordFinding): string => {
  switch (finding.code) {
    case 'not-json':
      return 'the file is not JSON.';
    case 'not-a-record':
      return 'the file is not a job record of Jentik.';
    case 'unknown-version':
      return `the record or an event in it is of version ${JSON.stringify(finding.version) ?? 'none'}, which this verifier does not know.`;
    case 'text-altered':
      return `line ${finding.line} is not as Jentik wrote it.`;
    case 'chain-broken': {
      const { sequence, eventId, problem } = finding.finding;
      return `${eventWords(sequence, String(eventId))} does not fit the chain: its ${problem.replace('-', ' ')} is wrong.`;
    }
    case 'head-differs':
      return `the seal speaks of another head than ${eventWords(finding.sequence, finding.eventId)}, the last of the file.`;
    case 'seal-misshaped':
      return 'the seal has not the form of a seal.';
    case 'seal-broken':
      return 'the seal’s signature does not fit its facts.';
    case 'key-differs':
      return `the seal is by key ${finding.found}, not by ${finding.expected || 'the one you named'}.`;
    case 'event-misshaped':
      return `${eventWords(finding.sequence, finding.eventId)} has not the form of an event.`;
    case 'does-not-follow':
      return `it does not follow from its own events:\n${finding.findings
        .slice(0, 20)
        .map((each) => `  ${auditWords(each)}`)
        .join('\n')}`;
    case 'statement-differs':
      return `the statement says something else than the events prove, in "${finding.field}".`;
  }
};

const report = (verified: RecordVerified): string => {
  const { rulesMissing, isKeyKnown } = verified;
  const signed = verified.signatures.map(({ meaning, name }) => `${meaning} by ${name}`).join(', ');
  return [
    isKeyKnown
      ? `The record holds: job ${verified.number}, ${verified.title}, of ${verified.site}.`
      : `The record is whole in itself: job ${verified.number}, ${verified.title}; it says that it is of ${verified.site}.`,
    `  ${verified.events} events in an unbroken chain, ${verified.pulls} pulls, ${
      rulesMissing.length === 0
        ? 'every verdict worked out again.'
        : `chain and seal hold; judgements by rules ${rulesMissing.join(', ')} were not checked, this verifier does not have them.`
    }`,
    `  Open items: ${verified.openItems}.`,
    `  Signed: ${signed || 'by nobody yet'}.`,
    `  Sealed at ${verified.sealedAt} by key ${verified.fingerprint}${
      isKeyKnown
        ? ', the one you named.'
        : '. No key was named, so this proves integrity only: a forged record could bring a key of its own. Ask the site for its key by another way, and name it with --key.'
    }`,
  ].join('\n');
};

const main = (): number => {
  const args = process.argv.slice(2);
  const keyAt = args.indexOf('--key');
  const expectedKey = keyAt >= 0 ? (args[keyAt + 1] ?? '') : null;
  const [file, ...more] = args.filter((_, index) => keyAt < 0 || (index !== keyAt && index !== keyAt + 1));
  if (!file || more.length > 0 || expectedKey?.trim() === '') {
    console.error(USAGE);
    return ASKED_WRONGLY;
  }
  let text: string;
  try {
    text = readFileSync(resolve(process.env['JENTIK_CALLED_FROM'] ?? '.', file), 'utf8');
  } catch {
    console.error(`${file} can't be read. ${USAGE}`);
    return ASKED_WRONGLY;
  }
  const verified = verifyRecord(text, { expectedKey, sha256: (each) => hash('sha256', each, 'hex') });
  if (!verified.ok) {
    console.error(`The record does NOT hold: ${findingWords(verified.refusal)}`);
    return HOLDS_NOT;
  }
  console.log(report(verified.value));
  return verified.value.isKeyKnown && verified.value.rulesMissing.length === 0 ? HOLDS : HOLDS_IN_PART;
};

process.exitCode = main();
