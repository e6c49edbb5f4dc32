import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, test } from 'vitest';
import { csvText } from '#core/spec/list/csv-text.ts';
import { guardedCell, unguardedCell } from '#core/spec/list/guarded-cell.ts';

describe('no cell is a formula (OWASP, CSV Injection)', () => {
  test.each([
    ['=1+1', "'=1+1"],
    ['+cmd', "'+cmd"],
    ['-2+3', "'-2+3"],
    ['@SUM(A1)', "'@SUM(A1)"],
    ['\t=1', "\t'=1"],
    ['\r=1', "\r'=1"],
    ['＝1+1', "'＝1+1"],
    ['a;=1+1', "a;'=1+1"],
    ["'=1", "''=1"],
    ['-5', '-5'],
    ['+0.5', '+0.5'],
    ['-0,5', '-0,5'],
    ['12 N·m', '12 N·m'],
    ['4 N·m; -10 %', '4 N·m; -10 %'],
    ['', ''],
  ])('%j is written %j', (text, written) => {
    expect(guardedCell(text)).toBe(written);
    expect(unguardedCell(written)).toBe(text);
  });

  const cell = fc.oneof(
    fc.string({ unit: fc.constantFrom('=', '+', '-', '@', "'", ';', '\t', '\n', '"', ',', '1', 'a', '＝') }),
    fc.string(),
  );

  test('whatever stands in it, however it is parted; and it comes back as it went', () => {
    fc.assert(
      fc.property(fc.array(fc.array(cell, { minLength: 2, maxLength: 3 }), { minLength: 1 }), (rows) => {
        const text = csvText(rows);
        const read = Papa.parse<string[]>(text.slice(0, -2), { delimiter: ',' }).data;
        expect(read.map((cells) => cells.map(unguardedCell))).toEqual(rows);
        for (const each of read.flat())
          for (const part of each.split(/[;\t\r\n]/))
            expect(/^[=+\-@＝＋－＠]/.test(part) && !/^[+-]?\d+(?:[.,]\d+)?$/.test(each)).toBe(false);
      }),
      { numRuns: 2_000 },
    );
  });
});
