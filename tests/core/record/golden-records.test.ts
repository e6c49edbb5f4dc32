import { describe, expect, test } from 'vitest';
import { jobViewOf } from '#core/event/apply.ts';
import { EVENT_KINDS } from '#core/event/kinds.ts';
import { valueOrThrow } from '#core/fault.ts';
import { audit } from '#core/ledger/audit.ts';
import { keyFingerprint, sealingPublicKey } from '#core/ledger/seal.ts';
import type { JobRecord } from '#core/record/job-record.ts';
import { verifyRecord } from '#core/record/verify-record.ts';
import { GOLDEN_KEY, goldenRecords } from '../../golden/golden.ts';

const expectedKey = keyFingerprint(sealingPublicKey(GOLDEN_KEY));
const records = goldenRecords(1).map(({ name, text }) => ({
  name,
  text,
  record: JSON.parse(text) as JobRecord,
}));
const events = records.flatMap(({ record }) => record.events);
const has = (kind: string, fits: (body: never) => boolean): boolean =>
  events.some((event) => event.kind === kind && fits(event.body as never));

describe('records of version 1, written by the code of commit 24c9d90', () => {
  test.each(records)('$name holds, with the site’s key and its own text', ({ text, record }) => {
    const verified = valueOrThrow(verifyRecord(text, { expectedKey }));
    expect(verified).toMatchObject({ events: record.events.length, isKeyKnown: true, rulesMissing: [] });
  });

  test.each(records)('$name opens: its events add up to what its statement says', ({ record }) => {
    const job = jobViewOf(record.events);
    expect(job?.fasteners.map(({ status }) => status)).toEqual(
      record.statement.fasteners.map(({ status }) => status),
    );
    expect(job?.rules).toBe(1);
    expect(audit(record.events)).toEqual([]);
  });

  test('between them they hold every kind of event that version 1 had', () => {
    const newer = ['rules-moved', 'fastener-checked', 'recall-noted'];
    const kinds = ['job-planned', ...Object.keys(EVENT_KINDS).filter((kind) => !newer.includes(kind))];
    expect([...new Set(events.map(({ kind }) => kind))].sort()).toEqual(kinds.sort());
  });

  test.each([
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
