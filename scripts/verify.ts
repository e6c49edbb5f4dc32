import { hash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { z } from 'zod';
import type { AuditFinding } from '#core/ledger/audit.ts';
import { type SiteKey, siteKeySchema } from '#core/ledger/site-key.ts';
import { type RecordFinding, type RecordVerified, verifyRecord } from '#core/ledger/verify-record.ts';
import { problemWords } from '#wire/problems/en.ts';

// `npm run verify -- FILE [--key FINGERPRINT] [--keys FILE]`: checks a job's record from the file alone, with no database and no server.
// Ends with 0 when the record holds under the key that was named, 3 when it holds but no key was named or rules are missing, 1 when it does
// not hold, 2 when it was not asked properly.

const USAGE = 'Usage: npm run verify -- FILE [--key xxxx-xxxx-xxxx-xxxx] [--keys FILE-OF-THE-SITE’S-KEYS]';
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
    case 'key-not-of-its-time':
      return `the seal of ${finding.sealedAt} is by key ${finding.found}, which was not the site’s at that time.`;
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
        ? ', as you named it.'
        : '. No key was named, so this proves integrity only: a forged record could bring a key of its own. Ask the site for its key by another way, and name it with --key.'
    }`,
  ].join('\n');
};

const called = (file: string): string =>
  readFileSync(resolve(process.env['JENTIK_CALLED_FROM'] ?? '.', file), 'utf8');

/** What stands behind an option, both taken out of the arguments; null where it was not given. */
const taken = (args: string[], option: string): string | null => {
  const at = args.indexOf(option);
  return at < 0 ? null : (args.splice(at, 2)[1] ?? '');
};

const main = (): number => {
  const args = process.argv.slice(2);
  const expectedKey = taken(args, '--key');
  const keysFile = taken(args, '--keys');
  const [file, ...more] = args;
  if (!file || more.length > 0 || expectedKey?.trim() === '' || keysFile?.trim() === '') {
    console.error(USAGE);
    return ASKED_WRONGLY;
  }
  let text: string;
  try {
    text = called(file);
  } catch {
    console.error(`${file} can't be read. ${USAGE}`);
    return ASKED_WRONGLY;
  }
  let keys: readonly SiteKey[] | null = null;
  try {
    if (keysFile !== null)
      keys = z
        .array(siteKeySchema)
        .min(1)
        .parse(JSON.parse(called(keysFile)));
  } catch {
    console.error(`${keysFile} is no list of a site’s keys: save it from /api/v1/ledger/keys. ${USAGE}`);
    return ASKED_WRONGLY;
  }
  const verified = verifyRecord(text, {
    keys,
    expectedKey,
    sha256: (each) => hash('sha256', each, 'hex'),
  });
  if (!verified.ok) {
    console.error(`The record does NOT hold: ${findingWords(verified.refusal)}`);
    return HOLDS_NOT;
  }
  console.log(report(verified.value));
  return verified.value.isKeyKnown && verified.value.rulesMissing.length === 0 ? HOLDS : HOLDS_IN_PART;
};

process.exitCode = main();
