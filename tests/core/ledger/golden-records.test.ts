import { describe, expect, test } from 'vitest';
import { jobViewOf } from '#core/event/apply.ts';
import { EVENT_KINDS } from '#core/event/kinds.ts';
import { valueOrThrow } from '#core/fault.ts';
import { audit } from '#core/ledger/audit.ts';
import type { JobRecord } from '#core/ledger/job-record.ts';
import { keyFingerprint } from '#core/ledger/seal.ts';
import { sealingPublicKey } from '#core/ledger/signature.ts';
import { verifyRecord } from '#core/ledger/verify-record.ts';
import { GOLDEN_KEY, goldenRecords } from '../../golden/golden.ts';

const expectedKey = keyFingerprint(sealingPublicKey(GOLDEN_KEY));
const opened = (version: number) =>
  goldenRecords(version).map(({ name, text }) => ({ name, text, record: JSON.parse(text) as JobRecord }));

/** Kinds of event that came with the bench of any joint. */
const OF_ANY_JOINT = [
  'trouble-met',
  'fastener-inspected',
  'fastener-replaced',
  'part-scrapped',
  'wait-begun',
  'note-made',
  'tools-wound-down',
  'angle-turned',
  'bench-taken-over',
  'take-over-confirmed',
] as const;

/** Kinds of event that a version did not have yet. */
const NEWER = {
  1: [
    'rules-moved',
    'fastener-checked',
    'recall-noted',
    'step-done',
    'finger-tightened',
    'gap-accepted',
    'value-recall-noted',
    ...OF_ANY_JOINT,
  ],
  2: ['step-done', 'finger-tightened', 'gap-accepted', 'value-recall-noted', ...OF_ANY_JOINT],
} as const;

describe.each([
  { version: 1 as const, commit: '24c9d90' },
  { version: 2 as const, commit: '1be3c63' },
])('records of version $version, written by the code of commit $commit', ({ version }) => {
  const records = opened(version);
  const events = records.flatMap(({ record }) => record.events);

  test.each(records)('$name holds, with the site’s key and its own text', ({ text, record }) => {
    const verified = valueOrThrow(verifyRecord(text, { expectedKey }));
    expect(verified).toMatchObject({ events: record.events.length, isKeyKnown: true, rulesMissing: [] });
  });

  test.each(records)('$name opens: its events add up to what its statement says', ({ record }) => {
    const job = jobViewOf(record.events);
    expect(record.version).toBe(version);
    expect(job?.fasteners.map(({ status }) => status)).toEqual(
      record.statement.fasteners.map(({ status }) => status),
    );
    expect(job?.plan.groups.map(({ kind }) => kind.code)).toEqual(['control-cabinet']);
    expect(audit(record.events)).toEqual([]);
  });

  test('between them they hold every kind of event that it had', () => {
    const newer: readonly string[] = NEWER[version];
    const kinds = ['job-planned', ...Object.keys(EVENT_KINDS).filter((kind) => !newer.includes(kind))];
    expect([...new Set(events.map(({ kind }) => kind))].sort()).toEqual(kinds.sort());
  });
});

describe('what else is among them', () => {
  const records = opened(1);
  const events = records.flatMap(({ record }) => record.events);
  const newer = opened(2).flatMap(({ record }) => record.events);
  const has = (kind: string, fits: (body: never) => boolean, among = events): boolean =>
    among.some((event) => event.kind === kind && fits(event.body as never));

  test.each([
    [
      'a pull with something against it',
      has('pull-made', ({ objections }: { objections: unknown }) => objections !== null, newer),
    ],
    [
      'a clock that can’t be true',
      newer.some(({ clock }) => (clock as { finding: unknown }).finding !== null),
    ],
    ['a void', has('pull-voided', () => true)],
    ['an over-shot', has('pull-made', ({ method }: { method: string }) => method === 'over-shot')],
    ['a pull by feel', has('pull-made', ({ method }: { method: string }) => method === 'by-feel')],
    ['an override', has('tool-chosen', ({ override }: { override: unknown }) => override !== null)],
    ['an adapter', has('tool-chosen', ({ adapters }: { adapters: [] }) => adapters.length > 0)],
    [
      'a calibrated tool',
      has('tool-chosen', ({ tool }: { tool: { calibration: unknown } }) => tool.calibration !== null),
    ],
    ['a run-on torque', has('run-on-measured', () => true)],
    ['a moved requirement', has('requirement-moved', () => true)],
    ['a job opened again', has('job-reopened', () => true)],
    ['two signatures', records.some(({ record }) => record.statement.signatures.length === 2)],
    ['a job not yet signed', records.some(({ record }) => record.statement.stage === 'under-way')],
  ])('among them is %s', (_, isThere) => {
    expect(isThere).toBe(true);
  });
});
