import canonicalize from 'canonicalize';
import fc from 'fast-check';
import { configure } from 'safe-stable-stringify';
import { describe, expect, test } from 'vitest';
import { canonicalText } from '#core/canonical.ts';
import { sha256Hex } from '#core/text-hash.ts';
import { nodeSha256 } from '#server/append/node-sha256.ts';
import { goldenRecords } from '../golden/golden.ts';

// Two libraries that write JSON with its keys in order; the second wrote what stands in older ledgers.
const stable = configure({ circularValue: Error, strict: true, bigint: false });

describe('the canonical text of a value', () => {
  test('RFC 8785, 3.2.3: the sample object', () => {
    const sample = {
      numbers: [Number('333333333.33333329'), 1e30, 4.5, 2e-3, 0.000000000000000000000000001],
      string: '\u20ac$\u000F\u000aA\'\u0042\u0022\u005c\\"/',
      literals: [null, true, false],
    };
    expect(canonicalText(sample)).toBe(
      '{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}',
    );
  });

  test('property: it is what the packages canonicalize and safe-stable-stringify make of any JSON value', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 5 }), (value) => {
        const text = canonicalText(value);
        expect(text).toBe(canonicalize(value));
        expect(text).toBe(stable(value));
        // What is in order already takes a shorter way.
        expect(canonicalText(JSON.parse(text))).toBe(text);
      }),
      { seed: 20261125, numRuns: 2000 },
    );
  });

  test('and of every event of the golden records', () => {
    for (const { text } of goldenRecords(1))
      for (const event of JSON.parse(text).events) expect(canonicalText(event)).toBe(canonicalize(event));
  });

  test('a field without a value is not written; a value that refers to itself has no text', () => {
    expect(canonicalText({ b: undefined, a: [{ d: 1, c: undefined }] })).toBe('{"a":[{"d":1}]}');
    const itself: { b: unknown; a: number } = { b: null, a: 1 };
    itself.b = itself;
    expect(() => canonicalText(itself)).toThrow('canonical');
  });

  test('a day of the database is written as JSON writes it, in whatever order its row is', () => {
    expect(canonicalText({ b: new Date(0), a: 1 })).toBe('{"a":1,"b":"1970-01-01T00:00:00.000Z"}');
    expect(canonicalText({ a: 1, b: new Date(0) })).toBe('{"a":1,"b":"1970-01-01T00:00:00.000Z"}');
  });

  test.each([[undefined], Number.NaN, Number.POSITIVE_INFINITY, 1n, () => 1])('%s has none', (value) => {
    expect(() => canonicalText({ value: [value] })).toThrow();
  });

  test('property: the hash of Node’s library is the one in JavaScript', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (text) => {
        expect(nodeSha256(text)).toBe(sha256Hex(text));
      }),
      { seed: 1 },
    );
  });
});
