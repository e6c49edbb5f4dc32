import { differingField } from '../job/differing-field.ts';
import { EVENT_SCHEMA_VERSION, type JobEvent } from '../job/event.ts';
import { foldJob } from '../job/next-state.ts';
import type { JobRefusal } from '../job/refusal.ts';
import { type ChainFinding, canonicalText, firstBreak } from '../ledger/hash-chain.ts';
import { isSealIntact, keyFingerprint, sealedHead } from '../ledger/seal.ts';
import { readRequirement } from '../requirement/read-requirement.ts';
import { accepted, type Result, refused } from '../result.ts';
import { type JobRecord, provenStatement, RECORD_FORMAT, RECORD_VERSION, recordText } from './job-record.ts';

/** Why a record does not hold. Each names the event where it is about one. */
export type RecordFinding =
  | { readonly code: 'not-json' }
  | { readonly code: 'not-a-record' }
  | { readonly code: 'unknown-version'; readonly version: unknown }
  | { readonly code: 'text-altered'; readonly line: number }
  | { readonly code: 'chain-broken'; readonly finding: ChainFinding }
  | { readonly code: 'head-differs'; readonly sequence: number; readonly eventId: string }
  | { readonly code: 'seal-broken' }
  | { readonly code: 'key-differs'; readonly expected: string; readonly found: string }
  | { readonly code: 'event-misshaped'; readonly sequence: number; readonly eventId: string }
  | {
      readonly code: 'event-impossible';
      readonly sequence: number;
      readonly eventId: string;
      readonly refusal: JobRefusal;
    }
  | {
      readonly code: 'requirement-misread';
      readonly sequence: number;
      readonly eventId: string;
      readonly position: string;
    }
  | { readonly code: 'statement-differs'; readonly field: string };

/** What was checked in a record that holds. */
export type RecordVerified = {
  readonly job: string;
  readonly number: string;
  readonly title: string;
  readonly events: number;
  readonly pulls: number;
  readonly signatures: readonly { readonly meaning: string; readonly name: string }[];
  readonly openItems: number;
  readonly site: string;
  readonly fingerprint: string;
};

const firstDifferentLine = (a: string, b: string): number => {
  const lines = b.split('\n');
  const at = a.split('\n').findIndex((line, index) => line !== lines[index]);
  return (at < 0 ? lines.length : at) + 1;
};

const isRecordShaped = (value: unknown): value is JobRecord => {
  const record = value as Partial<JobRecord> | null;
  return (
    typeof record === 'object' &&
    record?.format === RECORD_FORMAT &&
    Array.isArray(record.events) &&
    record.events.length > 0 &&
    record.events.every((event) => typeof event === 'object' && event !== null) &&
    typeof record.seal === 'object' &&
    typeof record.statement === 'object'
  );
};

/** The first fastener whose stated requirement is not what its print (or what a person read it as) says. */
const misreadPosition = (event: JobEvent): string | null => {
  const stated =
    event.kind === 'job-planned'
      ? event.body.fasteners
      : event.kind === 'requirement-moved'
        ? [event.body]
        : [];
  const misread = stated.find(({ requirement: { printed, readAs, requirement } }) => {
    // A requirement carries its own unit by now; which unit the site prefers changes no value.
    const read = readRequirement(readAs ?? printed, 'N.m');
    return !read.ok || canonicalText(read.value.requirement) !== canonicalText(requirement);
  });
  return misread?.position ?? null;
};

/** What the reader of a record knows beforehand. */
export type VerifyingKnowledge = {
  /** The site's key fingerprint; null when the reader does not know it, and then a whole record forged under another key cannot be told from a true one. */
  readonly expectedKey: string | null;
  /** Whether a value has the form of an event: the schema lives where boundaries are, above core. */
  readonly isEventShaped: (value: unknown) => boolean;
};

const eventsFinding = (
  record: JobRecord,
  isEventShaped: VerifyingKnowledge['isEventShaped'],
): RecordFinding | null => {
  const { events, seal } = record;
  const broken = firstBreak(events);
  if (broken) return { code: 'chain-broken', finding: broken };
  const last = events.at(-1) as JobEvent;
  const at = { sequence: last.sequence, eventId: last.id };
  const head = sealedHead(seal);
  if (head.sequence !== last.sequence || head.hash !== last.hash || seal.job !== last.job)
    return { code: 'head-differs', ...at };
  const old = events.find(({ schemaVersion }) => schemaVersion !== EVENT_SCHEMA_VERSION);
  if (old) return { code: 'unknown-version', version: old.schemaVersion };
  for (const event of events) {
    if (!isEventShaped(event))
      return { code: 'event-misshaped', sequence: event.sequence, eventId: event.id };
    const position = misreadPosition(event);
    if (position)
      return { code: 'requirement-misread', sequence: event.sequence, eventId: event.id, position };
  }
  return null;
};

const parsed = (text: string): Result<JobRecord, RecordFinding> => {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return refused({ code: 'not-json' });
  }
  if (!isRecordShaped(value)) return refused({ code: 'not-a-record' });
  if (value.version !== RECORD_VERSION) return refused({ code: 'unknown-version', version: value.version });
  const written = recordText(value);
  if (written !== text) return refused({ code: 'text-altered', line: firstDifferentLine(written, text) });
  return accepted(value);
};

/** Checks a record from its text alone: the text itself, the chain, the seal, every verdict again by folding the events, and that the
 *  statement says nothing else. Refuses: every code of RecordFinding; the first one found. */
export const verifyRecord = (
  text: string,
  { expectedKey, isEventShaped }: VerifyingKnowledge,
): Result<RecordVerified, RecordFinding> => {
  const record = parsed(text);
  if (!record.ok) return record;
  const { events, seal, statement } = record.value;
  const finding = eventsFinding(record.value, isEventShaped);
  if (finding) return refused(finding);
  if (!isSealIntact(seal)) return refused({ code: 'seal-broken' });
  const fingerprint = keyFingerprint(seal.publicKey);
  if (expectedKey !== null && expectedKey !== fingerprint)
    return refused({ code: 'key-differs', expected: expectedKey, found: fingerprint });
  const folded = foldJob(events);
  if (!folded.ok) {
    const { eventId, refusal } = folded.refusal;
    const sequence = events.findIndex(({ id }) => id === eventId) + 1;
    return refused({ code: 'event-impossible', sequence, eventId: eventId ?? '', refusal });
  }
  const proven = JSON.parse(JSON.stringify(provenStatement(folded.value, events)));
  if (canonicalText(proven) !== canonicalText(statement))
    return refused({ code: 'statement-differs', field: differingField(proven, statement) ?? '' });
  return accepted({
    job: seal.job,
    number: statement.number,
    title: statement.title,
    events: events.length,
    pulls: events.filter(({ kind }) => kind === 'pull-made').length,
    signatures: folded.value.signatures.map(({ meaning, person }) => ({ meaning, name: person.name })),
    openItems: statement.openItems.length,
    site: seal.site,
    fingerprint,
  });
};
