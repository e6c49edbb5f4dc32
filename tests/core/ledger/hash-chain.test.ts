import { createHash } from 'node:crypto';
import canonicalize from 'canonicalize';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { canonicalText } from '#core/canonical.ts';
import { inKeyOrder } from '#core/event/event-forms.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { EMPTY_HEAD, eventHash, firstBreak, GENESIS_HASH, placedEvent } from '#core/ledger/hash-chain.ts';
import { sha256Hex } from '#core/text-hash.ts';
import { JOB_ID, receiptAt, SampleJob, TECHNICIAN } from '../job/sample-job.ts';

describe('RFC 8785: JSON Canonicalization Scheme', () => {
  test('3.2.2 and 3.2.3: the sample object, as printed in 3.2.4', () => {
    // Published: RFC 8785, 3.2.2 (input) and 3.2.3 (canonical form).
    const input = JSON.parse(
      '{"numbers":[333333333.33333329,1E30,4.50,2e-3,0.000000000000000000000000001],"string":"\\u20ac$\\u000F\\u000aA\'\\u0042\\u0022\\u005c\\\\\\"\\/","literals":[null,true,false]}',
    );
    expect(canonicalText(input)).toBe(
      '{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}',
    );
  });

  test.each([
    // Published: RFC 8785, appendix B, from the IEEE 754 bit patterns.
    { bits: '0000000000000000', expected: '0' },
    { bits: '8000000000000000', expected: '0' },
    { bits: '0000000000000001', expected: '5e-324' },
    { bits: '7fefffffffffffff', expected: '1.7976931348623157e+308' },
    { bits: '4340000000000000', expected: '9007199254740992' },
    { bits: '44b52d02c7e14af5', expected: '9.999999999999997e+22' },
    { bits: '444b1ae4d6e2ef50', expected: '1e+21' },
    { bits: '3eb0c6f7a0b5ed8d', expected: '0.000001' },
    { bits: '41b3de4355555553', expected: '333333333.3333332' },
  ])('appendix B: $bits is $expected', ({ bits, expected }) => {
    expect(canonicalText(Buffer.from(bits, 'hex').readDoubleBE())).toBe(expected);
  });

  test('3.2.3: keys sort by UTF-16 code units', () => {
    const keys = { '\u20ac': 1, '\r': 2, '\ufb33': 3, '1': 4, '\u{1f600}': 5, '\u0080': 6, '\u00f6': 7 };
    expect(Object.values(JSON.parse(canonicalText(keys)))).toHaveLength(7);
    // Published: RFC 8785, 3.2.3: \r, 1, U+0080, ö, €, 😀, U+FB33.
    expect([...canonicalText(keys).matchAll(/:(\d)/g)].map(([, n]) => n).join('')).toBe('2467153');
  });

  test('what JSON can’t say is a fault', () => {
    expect(() => canonicalText(undefined)).toThrow('canonical');
    expect(() => canonicalText(Number.NaN)).toThrow();
  });
});

describe('FIPS 180-4: SHA-256', () => {
  test('the digest of "abc" as published', () => {
    expect(sha256Hex('abc')).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad');
  });

  test('agrees with the platform’s own on text outside ASCII', () => {
    const text = 'µ·Ω 😀';
    expect(sha256Hex(text)).toBe(createHash('sha256').update(text, 'utf8').digest('hex'));
  });
});

describe('the chain', () => {
  const chain = () => new SampleJob().ready().pullAll().chain();
  const changed = (events: readonly LedgerEvent[], index: number, change: Partial<LedgerEvent>) =>
    events.map((event, at) => (at === index ? ({ ...event, ...change } as LedgerEvent) : event));

  test('holds as it was made, from the genesis hash', () => {
    const events = chain();
    expect(firstBreak(events)).toBeNull();
    expect(events[0]?.previousHash).toBe(GENESIS_HASH);
    expect(events.map(({ sequence }) => sequence)).toEqual(events.map((_, index) => index + 1));
  });

  test('the hash covers every field but itself', () => {
    const [event] = chain();
    if (!event) throw new Error('expected an event');
    expect(eventHash({ ...event, hash: 'other' })).toBe(event.hash);
    for (const change of [
      { serverTime: '2026-01-01T00:00:00.000Z' },
      { deviceTime: '2026-01-01T00:00:00.000Z' },
      { sequence: 2 },
      { id: 'x' },
      { schemaVersion: 4 },
    ])
      expect(eventHash({ ...event, ...change } as LedgerEvent)).not.toBe(event.hash);
  });

  test.each([
    {
      name: 'a changed body',
      break: (e: readonly LedgerEvent[]) => changed(e, 3, { body: { position: '2' } } as never),
      at: 4,
      problem: 'hash',
    },
    {
      name: 'a changed time',
      break: (e: readonly LedgerEvent[]) => changed(e, 2, { serverTime: '2026-01-01T00:00:00.000Z' }),
      at: 3,
      problem: 'hash',
    },
    {
      name: 'an event taken out',
      break: (e: readonly LedgerEvent[]) => e.filter((_, index) => index !== 2),
      at: 3,
      problem: 'sequence',
    },
    {
      name: 'two in the wrong order',
      break: (e: readonly LedgerEvent[]) => [e[1], e[0], ...e.slice(2)] as LedgerEvent[],
      at: 1,
      problem: 'sequence',
    },
    {
      name: 'another hash before it',
      break: (e: readonly LedgerEvent[]) => changed(e, 1, { previousHash: GENESIS_HASH }),
      at: 2,
      problem: 'previous-hash',
    },
  ])('$name is found at its place', ({ break: broken, at, problem }) => {
    expect(firstBreak(broken(chain()))).toMatchObject({ sequence: at, problem });
  });

  test('as it is kept, no field is taken for one of another type that is written alike', () => {
    const kept = chain().map((event) => inKeyOrder(event) as LedgerEvent);
    expect(firstBreak(kept)).toBeNull();
    const fields = Object.keys(kept[3] as LedgerEvent) as (keyof LedgerEvent)[];
    expect(fields).toHaveLength(12);
    for (const field of fields) {
      const value = kept[3]?.[field];
      for (const alike of [[value], [[value]], typeof value === 'number' ? String(value) : { 0: value }])
        expect(firstBreak(changed(kept, 3, { [field]: alike })), field).toMatchObject({ sequence: 4 });
    }
  });

  test('property: whatever is in a name or a body, the text is the canonical one, and the chain holds and breaks as it should', () => {
    const placing = fc.record({
      name: fc.string({ unit: 'grapheme' }),
      body: fc.dictionary(fc.string(), fc.jsonValue()),
      time: fc.date({ min: new Date(0), max: new Date('2099-01-01'), noInvalidDate: true }),
    });
    fc.assert(
      fc.property(fc.array(placing, { minLength: 2, maxLength: 5 }), fc.nat(), (all, at) => {
        let head = EMPTY_HEAD;
        const events = all.map(({ name, body, time }, index) => {
          const { event, text } = placedEvent(
            {
              id: `0190a000-0000-7000-8000-00000000000${index}`,
              job: JOB_ID,
              deviceTime: time.toISOString(),
              person: { ...TECHNICIAN, name },
              kind: 'note-added',
              body,
            } as never,
            head,
            receiptAt(time.toISOString()),
          );
          // By the package that RFC 8785 names, from the event as a file gives it back.
          const read = JSON.parse(text);
          expect(text).toBe(canonicalize(read));
          expect(read).toEqual(JSON.parse(JSON.stringify(event)));
          head = event;
          return read as LedgerEvent;
        });
        expect(firstBreak(events)).toBeNull();
        const index = at % events.length;
        const person = { ...TECHNICIAN, name: `${events[index]?.person.name}"` };
        expect(firstBreak(changed(events, index, { person }))).toMatchObject({ sequence: index + 1 });
      }),
      { numRuns: 300 },
    );
  });

  test('a field that reaches into the next is found', () => {
    const [first, second] = chain();
    if (!first || !second) throw new Error('expected two events');
    const { kind, person, id, job } = second;
    for (const change of [
      { kind: `${kind}","person":${JSON.stringify(person)},"previousHash":"${second.previousHash}` },
      { id: `${id}","job":"${job}`, job: undefined },
      { schemaVersion: `${second.schemaVersion},"sequence":${second.sequence}`, sequence: 2 },
      { person: { ...person, hash: second.hash } },
      { more: 1 },
    ])
      expect(firstBreak([first, { ...second, ...change } as never])).toMatchObject({ sequence: 2 });
  });

  test.each([undefined, null, 7, true, [], {}, 'x', [...'a'.repeat(36)]])(
    'a field that holds %j is found and is no fault',
    (value) => {
      const events = chain();
      for (const field of Object.keys(events[1] ?? {}))
        expect(firstBreak(changed(events, 1, { [field]: value }))?.problem).toBeDefined();
    },
  );

  test('an event rehashed by hand breaks the next one', () => {
    const events = chain();
    const event = { ...(events[3] as LedgerEvent), serverTime: '2026-01-01T00:00:00.000Z' };
    const forged = { ...event, hash: eventHash(event) };
    expect(firstBreak(changed(events, 3, forged))).toMatchObject({ sequence: 5, problem: 'previous-hash' });
  });
});
