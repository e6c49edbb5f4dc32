import { describe, expect, test } from 'vitest';
import { EVENT_SCHEMA_VERSION } from '#core/event/event.ts';
import { inKeyOrder } from '#core/event/event-forms.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { valueOrThrow } from '#core/fault.ts';
import type { JobPlan } from '#core/job/plan.ts';
import { EMPTY_HEAD, eventHash } from '#core/ledger/hash-chain.ts';
import { type JobRecord, jobRecord, recordText } from '#core/ledger/job-record.ts';
import { pullRows } from '#core/ledger/pull-rows.ts';
import { keyFingerprint, sealed } from '#core/ledger/seal.ts';
import { sealingPublicKey } from '#core/ledger/signature.ts';
import { verifyRecord } from '#core/ledger/verify-record.ts';
import { JOB_ID, SampleJob, TECHNICIAN } from '../job/sample-job.ts';
import { factsOf } from './sample-seal.ts';

const KEY = '9d61b19deffd5a60ba844af492ec2cc44449c5697b326919703bac031cae7f60';
const verify = (text: string, expectedKey: string | null = null) => verifyRecord(text, { expectedKey });
const code = (text: string, expectedKey: string | null = null) => {
  const result = verify(text, expectedKey);
  return result.ok ? null : result.refusal.code;
};

const finished = () => {
  const job = new SampleJob(['20 to 24 in-lb', '2,4 Nm', 'max 32 in-lb']).ready();
  job.pull('1', 'reading', '19.5').pull('1').pull('2').pull('3', 'over-shot');
  job
    .mend('3')
    .pull('3')
    .happen({ kind: 'witness-marked', body: { position: '3' } });
  return job.signBoth();
};

const ordered = (event: LedgerEvent): LedgerEvent => inKeyOrder(event) ?? event;

const sealedRecord = (events: readonly LedgerEvent[]): JobRecord => {
  const record = jobRecord(events, sealed(factsOf(events), KEY));
  if (!record) throw new Error('these events state nothing');
  return record;
};

/** The events chained again after a change, as a forger with the right tools would. */
const rechained = (events: readonly LedgerEvent[]): readonly LedgerEvent[] => {
  let head = EMPTY_HEAD;
  return events.map((event) => {
    const placed = { ...event, sequence: head.sequence + 1, previousHash: head.hash };
    placed.hash = eventHash(placed);
    head = { sequence: placed.sequence, hash: placed.hash };
    return placed;
  });
};

/** A record that a forger sealed with their own key over changed events, leaving the statement of the true ones. */
const forged = (change: (events: LedgerEvent[]) => readonly LedgerEvent[]): string => {
  const events = rechained(change([...finished().chain()]));
  return recordText({
    ...sealedRecord(finished().chain()),
    events: events.map(ordered),
    seal: sealed(factsOf(events), KEY),
  });
};

const text = recordText(sealedRecord(finished().chain()));

describe('a record that holds', () => {
  test('says what was checked', () => {
    expect(valueOrThrow(verify(text))).toMatchObject({
      job: JOB_ID,
      pulls: 5,
      openItems: 0,
      site: 'Test site',
      signatures: [
        { meaning: 'done', name: 'Tam' },
        { meaning: 'inspected', name: 'Ines' },
      ],
    });
  });

  test('also before anyone has signed, with its open items', () => {
    const open = recordText(sealedRecord(new SampleJob().ready().pull('1').chain()));
    expect(valueOrThrow(verify(open))).toMatchObject({ openItems: 2, signatures: [] });
  });

  test('by the key one knows, and not by another', () => {
    const fingerprint = keyFingerprint(sealingPublicKey(KEY));
    expect(code(text, fingerprint)).toBeNull();
    expect(code(text, '0000-0000-0000-0000')).toBe('key-differs');
  });

  test('states for every fastener what ISO/IEC 17025:2017, 7.8 asks of a statement of conformity', () => {
    const [first] = sealedRecord(finished().chain()).statement.fasteners;
    expect(first).toMatchObject({ position: '1', requirement: { printed: '20 to 24 in-lb' }, status: 'in' });
    expect(first?.pulls[0]).toMatchObject({
      outcome: 'low',
      by: TECHNICIAN,
      reading: { text: '19.5', unit: 'lbf.in' },
    });
    const { statement } = sealedRecord(finished().chain());
    expect(statement.source).toEqual({ title: 'Terminal list', revision: 'A', place: 'sheet 1' });
    expect(statement.tools[0]).toMatchObject({
      serial: 'S-1',
      calibratedOn: '2026-01-10',
      calibrationOverdue: false,
    });
    expect(statement.decisionRule).toEqual({ rule: 'simple', guardFactor: 1 });
  });
});

describe('one changed digit anywhere is found', () => {
  const places = [...text.matchAll(/\d/g)].map(({ index }) => index);

  test('the record has enough digits to make this worth saying', () => {
    expect(places.length).toBeGreaterThan(2_000);
  });

  test('every digit of the file, each changed to the next one', () => {
    const missed = places.filter((at) => {
      const digit = (Number(text[at]) + 1) % 10;
      return verify(`${text.slice(0, at)}${digit}${text.slice(at + 1)}`).ok;
    });
    expect(missed).toEqual([]);
  });

  test('a digit past what a number can hold changes the text and not the value, and is found', () => {
    const longer = text.replace(/"probability": (0\.\d+)/, '"probability": $10000000000000000000001');
    expect(longer).not.toBe(text);
    expect(code(longer)).toBe('text-altered');
  });

  test('a key given twice, of which JSON keeps the last, is found', () => {
    expect(code(text.replace('"format":', '"version": 9,\n  "format":'))).toBe('text-altered');
  });

  test('an altered pull is named', () => {
    const record = JSON.parse(text) as { events: { kind: string; body: { reading: { value: number } } }[] };
    const at = record.events.findIndex(({ kind }) => kind === 'pull-made');
    (record.events[at] as (typeof record.events)[number]).body.reading.value = 22.5;
    expect(verify(recordText(record))).toMatchObject({
      refusal: { code: 'chain-broken', finding: { sequence: at + 1, problem: 'hash' } },
    });
  });
});

describe('what a forger would try', () => {
  const pullAt = (events: readonly LedgerEvent[]) => events.findIndex(({ kind }) => kind === 'pull-made');
  const withPull = (change: object) => (events: LedgerEvent[]) =>
    events.map((event, index) =>
      index === pullAt(events) ? { ...event, body: { ...(event.body as object), ...change } } : event,
    );

  test('a low pull called in, chained and sealed again', () => {
    expect(code(forged(withPull({ outcome: 'in' })))).toBe('does-not-follow');
  });

  test('limits moved apart', () => {
    expect(code(forged(withPull({ lowNewtonMetres: 1 })))).toBe('does-not-follow');
  });

  test('the signature of the second person taken for one’s own', () => {
    const same = (events: LedgerEvent[]) =>
      events.map((event) => (event.kind === 'job-signed' ? { ...event, person: TECHNICIAN } : event));
    expect(code(forged(same))).toBe('does-not-follow');
  });

  test('a requirement read as something else than its print', () => {
    const widened = (events: LedgerEvent[]) =>
      events.map((event) =>
        event.kind === 'job-planned'
          ? {
              ...event,
              body: {
                ...(event.body as JobPlan),
                fasteners: (event.body as JobPlan).fasteners.map((fastener, index) =>
                  index === 0
                    ? { ...fastener, requirement: { ...fastener.requirement, printed: '10 to 34 in-lb' } }
                    : fastener,
                ),
              },
            }
          : event,
      );
    expect(verify(forged(widened))).toMatchObject({
      refusal: {
        code: 'does-not-follow',
        findings: expect.arrayContaining([
          expect.objectContaining({ sequence: 1, refusal: { code: 'requirement-misread', position: '1' } }),
        ]),
      },
    });
  });

  test('a statement that says more than the events', () => {
    expect(
      code(
        recordText({
          ...sealedRecord(finished().chain()),
          statement: { ...sealedRecord(finished().chain()).statement, title: 'Other' },
        }),
      ),
    ).toBe('statement-differs');
  });

  test('the last events cut off', () => {
    const record = sealedRecord(finished().chain());
    expect(code(recordText({ ...record, events: record.events.slice(0, -2) }))).toBe('head-differs');
  });

  test('an event without its form', () => {
    const bare = (events: LedgerEvent[]) =>
      events.map((event, index) =>
        index === 2 ? ({ ...event, body: null } as unknown as LedgerEvent) : event,
      );
    expect(verify(forged(bare))).toMatchObject({ refusal: { code: 'event-misshaped', sequence: 3 } });
  });

  test('an event of a version this verifier does not know', () => {
    const newer = (events: LedgerEvent[]) =>
      events.map((event) => ({ ...event, schemaVersion: EVENT_SCHEMA_VERSION + 1 }));
    expect(code(forged(newer))).toBe('unknown-version');
  });

  test('the seal’s facts changed', () => {
    const record = sealedRecord(finished().chain());
    expect(code(recordText({ ...record, seal: { ...record.seal, site: 'Other site' } }))).toBe('seal-broken');
  });
});

describe('files that are no record', () => {
  test.each([
    { given: '', expected: 'not-json' },
    { given: '{', expected: 'not-json' },
    { given: 'null\n', expected: 'not-a-record' },
    { given: '{}\n', expected: 'not-a-record' },
    { given: '[]\n', expected: 'not-a-record' },
    { given: recordText({ ...sealedRecord(finished().chain()), version: 9 }), expected: 'unknown-version' },
    { given: `${text}\n`, expected: 'text-altered' },
    { given: JSON.stringify(JSON.parse(text)), expected: 'text-altered' },
  ])('$expected', ({ given, expected }) => {
    expect(code(given)).toBe(expected);
  });
});

test('the pulls as rows: one each, in the order made, voided ones too, with the hash of their event', () => {
  const job = new SampleJob().ready().pull('1').pull('2', 'by-feel');
  job.happen({
    kind: 'pull-voided',
    body: { pullId: job.state.fasteners[0]?.pulls[0]?.eventId ?? '', why: 'wrong screw' },
  });
  const events = job.chain();
  const rows = pullRows(job.state, events);
  expect(rows).toMatchObject([
    {
      position: '1',
      method: 'click',
      reading: '22.0',
      unit: 'lbf·in',
      tool_serial: 'S-1',
      voided_because: 'wrong screw',
    },
    {
      position: '2',
      method: 'by-feel',
      reading: '',
      unit: '',
      tool: '',
      verdict: 'by-feel',
      probability: '',
    },
  ]);
  expect(rows[0]?.['hash']).toBe(events.find(({ kind }) => kind === 'pull-made')?.hash);
});
