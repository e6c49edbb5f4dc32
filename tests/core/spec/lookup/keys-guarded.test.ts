import { describe, expect, test } from 'vitest';
import { readConductorSize } from '#core/spec/conductor/conductor-size.ts';
import { type KeyKind, spanCovers } from '#core/spec/lookup/key-span.ts';
import { lookAlikes } from '#core/spec/lookup/look-alike-keys.ts';
import { readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import { SCREW_TERMINALS } from '#core/spec/lookup/published/screw-terminals.ts';
import { readKeySpan } from '#core/spec/lookup/read-key-span.ts';

const same = (kind: KeyKind, cell: string, answer: string, unit = ''): boolean => {
  const [a, b] = [readKeySpan(kind, cell, unit), readKeySpan(kind, answer, unit)];
  if (!a.ok || !b.ok) throw new Error(`${cell} or ${answer} can't be read`);
  return spanCovers(a.value, b.value);
};

describe('a key that is easily taken for another', () => {
  const read = readLookupTable(SCREW_TERMINALS.table, 'N.m');
  const alike = (answer: string) =>
    lookAlikes(read, { keys: [answer], valueColumn: 3 }).map((each) => each.answer);

  test.each([
    ['4', ['4/0 AWG']],
    ['4/0', ['4 AWG']],
    ['2 AWG', ['2/0 AWG']],
    ['10', []],
    ['500 kcmil', []],
  ])('%s: %j', (answer, others) => {
    expect(alike(answer)).toEqual(others);
  });
});

describe('a size is found however it is written, and never a neighbour of it', () => {
  test.each([
    ['00', '2/0'],
    ['000 AWG', '3/0'],
    ['0000', '4/0'],
    ['#0', '1/0'],
  ])('%s is %s', (given, aught) => {
    expect(readConductorSize(given).ok).toBe(true);
    expect(same('conductor', given, aught)).toBe(true);
  });

  test.each([
    ['4/0', '4'],
    ['2/0', '2'],
    ['0', '4/0'],
    ['10', '1/0'],
  ])('%s is not %s', (given, other) => {
    expect(same('conductor', given, other)).toBe(false);
  });

  // ASTM B258: 14 AWG 2.08 mm², 12 AWG 3.31, 10 AWG 5.26, 8 AWG 8.37, 18 AWG 0.823.
  test.each([
    ['14', '2.1 mm²', true],
    ['12', '3,3 mm²', true],
    ['10', '5.3 mm²', true],
    ['8', '8.4 mm²', true],
    ['18', '0.8 mm²', true],
    // Metric sizes of their own.
    ['14', '2.5 mm²', false],
    ['12', '4 mm²', false],
    ['10', '6 mm²', false],
    ['18', '0.75 mm²', false],
    ['18', '1.0 mm²', false],
    ['14', '2 mm²', false],
  ])('%s AWG and %s: %s', (gauge, area, isOne) => {
    expect(same('conductor', gauge, area)).toBe(isOne);
  });

  // ISO 261, coarse pitches.
  test.each([
    ['M30', 'M30x3.5', true],
    ['M27', 'M27 x 3', true],
    ['M42x4.5', 'M42', true],
    ['M64', 'M64x6', true],
    ['M30', 'M30x2', false],
    ['M10', 'M10x1.25', false],
  ])('%s and %s: %s', (a, other, isOne) => {
    expect(same('thread', a, other)).toBe(isOne);
  });

  test.each([
    ['10', '1 cm', 'mm', true],
    ['25.4', '1 in', 'mm', true],
    ['10', '10', 'mm', true],
    ['10 mm', '1 cm', '', true],
    ['3', '3 in', 'mm', false],
    ['10', '10 cm', 'mm', false],
  ])('%s and %s in a column of %s: %s', (cell, answer, unit, isOne) => {
    expect(same('number', cell, answer, unit)).toBe(isOne);
  });

  test('a length in a column of something else is refused, not taken for its number', () => {
    expect(readKeySpan('number', '3 in', 'pcs')).toMatchObject({
      ok: false,
      refusal: { code: 'key-unit-differs', unit: 'pcs' },
    });
  });
});
