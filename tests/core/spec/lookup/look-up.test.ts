import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type KeyKind, spanCovers, spanIdentity } from '#core/spec/lookup/key-span.ts';
import { lookUp } from '#core/spec/lookup/look-up.ts';
import { checkedTable, type LookupTable, readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import { PLAIN_TABLE, printedRows } from '#core/spec/lookup/published/published-table.ts';
import { readKeyAnswer, readKeySpan } from '#core/spec/lookup/read-key-span.ts';

const table = (part: Partial<LookupTable>): LookupTable => ({
  ...PLAIN_TABLE,
  name: 'Test',
  subject: 'part',
  keys: [{ name: 'Size', kind: 'number', unit: 'mm' }],
  values: [{ name: 'Torque', kind: 'torque', unit: 'N.m' }],
  rows: printedRows(1, ['1–3 | 2', '4 | 5', '5–7 | 8']),
  ...part,
});
const ask = (
  part: Partial<LookupTable>,
  keys: readonly (string | null)[],
  valueColumn: number | null = null,
) => lookUp(readLookupTable(table(part), 'N.m'), { keys, valueColumn });

describe('reading keys', () => {
  const span = (kind: KeyKind, text: string): string => {
    const read = readKeySpan(kind, text);
    return read.ok ? spanIdentity(read.value) : read.refusal.code;
  };

  test.each([
    // AWG areas by ASTM B258: 18 AWG 1.624 kcmil, 10 AWG 10.38 kcmil, 8 AWG 16.51 kcmil, 6 AWG 26.25 kcmil.
    ['conductor', '18-10 AWG', '1.624..10.38'],
    ['conductor', 'AWG 18–10', '1.624..10.38'],
    ['conductor', '#8-6', '16.51..26.25'],
    ['conductor', '6 to 8 AWG', '16.51..26.25'],
    ['conductor', '250–350 kcmil', '250.0..350.0'],
    ['conductor', '250-350', '250.0..350.0'],
    ['conductor', '4/0', '211.6..211.6'],
    ['conductor', '4/0-250 MCM', '211.6..250.0'],
    ['inch-size', '-6', '0.3750..0.3750'],
    ['inch-size', 'dash 6', '0.3750..0.3750'],
    ['inch-size', '3/8"', '0.3750..0.3750'],
    ['inch-size', '1 1/4 in', '1.250..1.250'],
    ['inch-size', '9.525 mm', '0.3750..0.3750'],
    ['inch-size', '1/4 to 3/8', '0.2500..0.3750'],
    ['number', '3–4', '3.000..4.000'],
    ['number', 'up to 6', '0.000..6.000'],
    ['number', 'over 6', '>6.000..Infinity'],
    ['number', '4 mm', '4.000..4.000'],
    ['thread', 'm 8', 'M8'],
    ['thread', 'M8x1.25', 'M8'],
    ['thread', 'M8 × 1', 'M8x1'],
    ['thread', '#10-32', '10-32'],
    ['thread', '1/4-28 UNF', '1/4-28'],
    ['metal', 'CU', 'copper'],
    ['metal', 'Cu/Al', 'aluminium/copper'],
    ['metal', 'aluminum', 'aluminium'],
    ['category', '  Clamp   Screw ', 'clamp screw'],
    ['number', '', 'any'],
    ['conductor', 'big', 'unreadable-conductor'],
    ['conductor', '5000 kcmil', 'conductor-out-of-bounds'],
    ['inch-size', 'three', 'unreadable-size'],
    ['inch-size', '0', 'unreadable-size'],
    ['thread', 'M', 'unreadable-thread'],
    ['metal', 'brass', 'unreadable-metal'],
    ['number', 'four', 'not-a-number'],
    ['number', '1,250', 'ambiguous-number'],
  ] as const)('%s %s is %s', (kind, text, expected) => {
    expect(span(kind, text)).toBe(expected);
  });

  test('an answer may not be empty', () => {
    expect(readKeyAnswer('number', ' ')).toEqual({ ok: false, refusal: { code: 'key-empty' } });
  });

  test('a band covers exactly the sizes between its ends', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 1, max: 20 }),
        (a, b, n) => {
          const [low, high] = [Math.min(a, b), Math.max(a, b)];
          const band = readKeySpan('number', `${low}-${high}`);
          const answer = readKeySpan('number', String(n));
          return band.ok && answer.ok && spanCovers(band.value, answer.value) === (n >= low && n <= high);
        },
      ),
    );
  });
});

describe('looking up', () => {
  test('a size in a band, at its ends and past them', () => {
    expect(ask({}, ['3'])).toMatchObject({ kind: 'found', row: 0 });
    expect(ask({}, ['4'])).toMatchObject({ kind: 'found', row: 1, neighbours: [0, 2] });
    expect(ask({}, ['8'])).toEqual({ kind: 'none', whyNot: [{ column: 0, answer: '8', nearest: [2] }] });
  });

  test('3.5 falls between two rows: both are shown and nothing is interpolated', () => {
    expect(ask({}, ['3.5'])).toMatchObject({ kind: 'none', whyNot: [{ nearest: [0, 1] }] });
  });

  test('a table that says it may be interpolated is, and the rows it lies between are named', () => {
    // Half way from 4 (5 N·m) to 5 (8 N·m): 6.5 N·m, written to one digit more than the rows.
    expect(ask({ mayInterpolate: true }, ['4.5'])).toMatchObject({
      kind: 'interpolated',
      rows: [1, 2],
      requirement: { kind: 'nominal', nominal: { text: '6.5', unit: 'N.m' } },
    });
  });

  test('a key that all rows share is not asked, and the answer says what it holds for', () => {
    const part = {
      keys: [
        { name: 'Size', kind: 'number', unit: 'mm' },
        { name: 'Metal', kind: 'metal', unit: '' },
      ],
      rows: printedRows(2, ['1 | CU | 2', '2 | CU | 3']),
    } as const;
    expect(ask(part, [null, null])).toMatchObject({
      kind: 'open',
      questions: [{ kind: 'key', column: 0, choices: ['1', '2'] }],
    });
    expect(ask(part, ['2', null])).toMatchObject({
      kind: 'found',
      row: 1,
      holdsFor: [{ column: 1, printed: 'CU' }],
    });
  });

  test('the conductor count is a key: two in one terminal have a row of their own', () => {
    const part = {
      keys: [
        { name: 'Conductor', kind: 'conductor', unit: '' },
        { name: 'Conductors', kind: 'number', unit: '' },
      ],
      rows: printedRows(2, ['14 AWG | 1 | 16', '14 AWG | 2 | 18', '12 AWG | 1 | 20']),
    } as const;
    expect(ask(part, ['#14', null])).toMatchObject({
      kind: 'open',
      questions: [{ kind: 'key', column: 1, choices: ['1', '2'] }],
    });
    expect(ask(part, ['#14', '2'])).toMatchObject({ kind: 'found', row: 1 });
    expect(ask(part, ['#12', '2'])).toMatchObject({
      kind: 'none',
      whyNot: [
        { column: 0, nearest: [1] },
        { column: 1, nearest: [2] },
      ],
    });
  });

  test('two rows that cover one size are both shown', () => {
    expect(ask({ rows: printedRows(1, ['1–4 | 2', '4–7 | 5']) }, ['4'])).toEqual({
      kind: 'several',
      rows: [0, 1],
    });
  });

  test('an answer that can’t be read says which key', () => {
    expect(ask({}, ['wide'])).toMatchObject({ kind: 'unreadable', column: 0 });
  });

  test('a cell without a value is found, and is nothing', () => {
    expect(ask({ rows: printedRows(1, ['4 | –']) }, ['4'])).toMatchObject({ kind: 'found', value: null });
  });
});

describe('keeping a table', () => {
  const check = (part: Partial<LookupTable>) => {
    const result = checkedTable(readLookupTable(table(part), 'N.m'));
    return result.ok ? 'kept' : result.refusal.code;
  };
  test.each([
    ['whole', {}, 'kept'],
    ['no value column', { values: [] }, 'table-without-values'],
    ['no row', { rows: [] }, 'table-without-rows'],
    ['a cell too few', { rows: [{ keys: [], values: [], note: '' }] }, 'table-row-ragged'],
    ['a cell in doubt', { rows: printedRows(1, ['4 | 5 newtons']) }, 'table-cells-unsettled'],
    ['the same row twice', { rows: printedRows(1, ['4 | 5', '4 mm | 6']) }, 'table-rows-repeated'],
    [
      'two units that disagree in one cell',
      { rows: printedRows(1, ['4 | 15 in-lb (3 Nm)']) },
      'table-cells-unsettled',
    ],
    [
      '1,001 rows',
      {
        rows: printedRows(
          1,
          Array.from({ length: 1001 }, (_, index) => `${index + 1} | 5`),
        ),
      },
      'table-too-large',
    ],
    [
      '1,000 rows',
      {
        rows: printedRows(
          1,
          Array.from({ length: 1000 }, (_, index) => `${index + 1} | 5`),
        ),
      },
      'kept',
    ],
  ] as const)('%s: %s', (_, part, expected) => {
    expect(check(part)).toBe(expected);
  });
});
