import { z } from 'zod';
import { hashSchema, instantSchema } from '../bounds.ts';
import { inKeyOrder, isKnownVersion } from '../event/event-forms.ts';
import type { LedgerEvent } from '../event/lifted.ts';
import { differingField } from '../job/differing-field.ts';
import { accepted, type Result, refused } from '../result.ts';
import { sha256Hex, type TextHash } from '../text-hash.ts';
import { type AuditFinding, audit } from './audit.ts';
import { type ChainFinding, firstBreak } from './hash-chain.ts';
import { jobRecord, RECORD_FORMAT, RECORD_VERSIONS, recordText } from './job-record.ts';
import { isSealIntact, keyFingerprint, type Seal, sealedHead } from './seal.ts';
import { isKeyOf, type SiteKey } from './site-key.ts';

/** Why a record does not hold. Each names the event where it is about one. */
export type RecordFinding =
  | { readonly code: 'not-json' }
  | { readonly code: 'not-a-record' }
  | { readonly code: 'unknown-version'; readonly version: unknown }
  | { readonly code: 'text-altered'; readonly line: number }
  | { readonly code: 'chain-broken'; readonly finding: ChainFinding }
  | { readonly code: 'head-differs'; readonly sequence: number; readonly eventId: string }
  | { readonly code: 'seal-misshaped' }
  | { readonly code: 'seal-broken' }
  | { readonly code: 'key-differs'; readonly expected: string; readonly found: string }
  | { readonly code: 'key-not-of-its-time'; readonly found: string; readonly sealedAt: string }
  | { readonly code: 'event-misshaped'; readonly sequence: number; readonly eventId: string }
  | { readonly code: 'does-not-follow'; readonly findings: readonly AuditFinding[] }
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
  readonly sealedAt: string;
  /** Whether the reader named the key: else the record proves its integrity only, not by whom it was sealed. */
  readonly isKeyKnown: boolean;
  /** Rules that judgements name and this verifier does not have: chain and seal hold, those judgements were not checked. */
  readonly rulesMissing: readonly number[];
};

const sealSchema = z.strictObject({
  site: z.string().min(1).max(120),
  job: z.uuid(),
  headSequence: z.int().positive(),
  headHash: hashSchema,
  sealedAt: instantSchema,
  publicKey: hashSchema,
  signature: z.string().regex(/^[0-9a-f]{128}$/),
}) satisfies z.ZodType<Seal>;

const headingSchema = z.looseObject({
  format: z.literal(RECORD_FORMAT),
  version: z.unknown(),
  events: z.array(z.looseObject({})).min(1),
});

const firstDifferentLine = (a: string, b: string): number => {
  const lines = b.split('\n');
  const at = a.split('\n').findIndex((line, index) => line !== lines[index]);
  return (at < 0 ? lines.length : at) + 1;
};

/** A key's fingerprint as the site writes it, from however a reader typed it: any case, with or without dashes or spaces. */
export const typedFingerprint = (typed: string): string =>
  (
    typed
      .toLowerCase()
      .replace(/[^0-9a-f]/g, '')
      .match(/.{1,4}/g) ?? []
  ).join('-');

/** What the reader of a record brings. */
export type VerifyingKnowledge = {
  /** The site's key fingerprint as it was typed; null when the reader does not know it, and then a whole record forged under another key
   *  cannot be told from a true one. */
  readonly expectedKey: string | null;
  /** Every key the site has had, each with its time, where the reader has that list. */
  readonly keys?: readonly SiteKey[] | null;
  readonly sha256?: TextHash;
};

type Parsed = {
  readonly events: readonly LedgerEvent[];
  readonly statement: unknown;
  readonly seal: unknown;
};

const parsed = (text: string): Result<Parsed, RecordFinding> => {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return refused({ code: 'not-json' });
  }
  const heading = headingSchema.safeParse(value);
  if (!heading.success) return refused({ code: 'not-a-record' });
  const { version } = heading.data;
  if (!RECORD_VERSIONS.some((known) => known === version))
    return refused({ code: 'unknown-version', version });
  // A text that is not as JSON is written tells of digits, keys and spaces that no value shows.
  const written = recordText(value);
  if (written !== text) return refused({ code: 'text-altered', line: firstDifferentLine(written, text) });
  return accepted(value as Parsed);
};

const ordered = (events: readonly unknown[]): Result<readonly LedgerEvent[], RecordFinding> => {
  const shaped: LedgerEvent[] = [];
  for (const [index, event] of events.entries()) {
    const { schemaVersion: version, id } = event as Partial<LedgerEvent>;
    if (!isKnownVersion(event as LedgerEvent)) return refused({ code: 'unknown-version', version });
    const known = inKeyOrder(event);
    if (!known)
      return refused({ code: 'event-misshaped', sequence: index + 1, eventId: String(id).slice(0, 36) });
    shaped.push(known);
  }
  return accepted(shaped);
};

const sealFinding = (
  seal: Seal,
  last: LedgerEvent,
  { expectedKey, keys = null }: VerifyingKnowledge,
): RecordFinding | null => {
  const head = sealedHead(seal);
  if (head.sequence !== last.sequence || head.hash !== last.hash || seal.job !== last.job)
    return { code: 'head-differs', sequence: last.sequence, eventId: last.id };
  if (!isSealIntact(seal)) return { code: 'seal-broken' };
  const found = keyFingerprint(seal.publicKey);
  const expected = expectedKey === null ? found : typedFingerprint(expectedKey);
  if (expected !== found) return { code: 'key-differs', expected, found };
  const { publicKey, sealedAt } = seal;
  const isOfItsTime = keys?.some((key) => key.publicKey === publicKey && isKeyOf(key, sealedAt)) ?? true;
  return isOfItsTime ? null : { code: 'key-not-of-its-time', found, sealedAt };
};

/** Checks a record from its text alone: the chain, the seal, every decision again under the rules it names, that the statement says nothing
 *  else, and that the text is the one text of all this. Never throws for what a file can hold.
 *  Refuses: every code of RecordFinding; the first one found. */
export const verifyRecord = (
  text: string,
  knowledge: VerifyingKnowledge,
): Result<RecordVerified, RecordFinding> => {
  const { sha256 = sha256Hex } = knowledge;
  const record = parsed(text);
  if (!record.ok) return record;
  const broken = firstBreak(record.value.events, sha256);
  if (broken) return refused({ code: 'chain-broken', finding: broken });
  const events = ordered(record.value.events);
  if (!events.ok) return events;
  const seal = sealSchema.safeParse(record.value.seal);
  if (!seal.success) return refused({ code: 'seal-misshaped' });
  const finding = sealFinding(seal.data, events.value.at(-1) as LedgerEvent, knowledge);
  if (finding) return refused(finding);
  const findings = audit(events.value);
  const rulesMissing = findings.flatMap((each) => (each.code === 'rules-unknown' ? [each.number] : []));
  const others = findings.filter(({ code }) => code !== 'rules-unknown');
  if (others.length > 0) return refused({ code: 'does-not-follow', findings: others });
  const proven = jobRecord(events.value, seal.data);
  if (!proven) return refused({ code: 'not-a-record' });
  const { statement } = proven;
  const provenText = recordText(proven);
  if (provenText !== text) {
    const stated = record.value.statement;
    const isObject = stated !== null && typeof stated === 'object';
    const field = isObject ? differingField(JSON.parse(JSON.stringify(statement)), stated) : 'statement';
    return refused(
      field
        ? { code: 'statement-differs', field }
        : { code: 'text-altered', line: firstDifferentLine(provenText, text) },
    );
  }
  return accepted({
    job: seal.data.job,
    number: statement.number,
    title: statement.title,
    events: events.value.length,
    pulls: events.value.filter(({ kind }) => kind === 'pull-made').length,
    signatures: statement.signatures.map(({ meaning, person }) => ({ meaning, name: person.name })),
    openItems: statement.openItems.length,
    site: seal.data.site,
    fingerprint: keyFingerprint(seal.data.publicKey),
    sealedAt: seal.data.sealedAt,
    isKeyKnown: knowledge.expectedKey !== null || (knowledge.keys ?? null) !== null,
    rulesMissing: [...new Set(rulesMissing)],
  });
};
