import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { delimitedTable, SEPARATORS } from '#core/spec/list/delimited-table.ts';
import { LIST_MAX_ROWS } from '#core/spec/list/list-bounds.ts';

const read = (text: string) => delimitedTable(text, ['code', 'torque'], ['note']);
const codes = (text: string) => {
  const table = read(text);
  return table.ok ? [] : table.refusal.map(({ code, line }) => `${code} ${line}`);
};

describe('RFC 4180', () => {
  test('rule 5 to 7: quoted cells, with separators, line ends and doubled quotes in them', () => {
    const { rows } = valueOrThrow(
      read('code,torque,note\r\n"A,1","2 N·m","say ""tight""\nand mark"\r\nB,3 N·m,\r\n'),
    );
    expect(rows).toEqual([
      { line: 2, cells: { code: 'A,1', torque: '2 N·m', note: 'say "tight"\nand mark' } },
      // The quoted line end counts: an editor shows this row on line 4.
      { line: 4, cells: { code: 'B', torque: '3 N·m', note: '' } },
    ]);
  });

  test('rule 2: the last line may have no line end, and empty lines are no rows', () => {
    expect(valueOrThrow(read('code,torque\n\nA,1 N·m\n\n\nB,2 N·m')).rows.map(({ line }) => line)).toEqual([
      3, 6,
    ]);
  });

  test('whatever a writer of CSV writes is read back, in every separator and order of columns', () => {
    const cell = fc.string({ unit: 'grapheme', maxLength: 12 }).map((text) => text.replace(/\r/g, '').trim());
    const row = fc.record({ code: cell.filter((text) => text !== ''), torque: cell, note: cell });
    fc.assert(
      fc.property(
        fc.array(row, { minLength: 1, maxLength: 8 }),
        fc.constantFrom(...SEPARATORS),
        fc.shuffledSubarray(['code', 'torque', 'note'], { minLength: 3 }),
        (rows, delimiter, columns) => {
          const text = Papa.unparse(rows, { delimiter, columns, quotes: true });
          const table = valueOrThrow(read(text));
          expect(table.separator).toBe(delimiter);
          expect(table.rows.map(({ cells }) => cells)).toEqual(rows);
        },
      ),
    );
  });
});

describe('what does not fit is said with its line', () => {
  test.each([
    { text: '', says: ['list-header-missing 1'] },
    { text: 'a,b\n1,2', says: ['list-header-missing 1'] },
    { text: 'code,note\n1,2', says: ['list-column-missing 1'] },
    { text: 'code,torque,code\n1,2,3', says: ['list-column-repeated 1'] },
    { text: 'code,torque', says: ['list-without-rows 1'] },
    { text: 'code,torque\nA\nB,1 N·m\nC', says: ['list-cells-missing 2', 'list-cells-missing 4'] },
    { text: 'code,torque\nA,1,4 N·m', says: ['list-cells-too-many 2'] },
    { text: 'code,torque\nA,"1 N·m', says: ['list-quote-open 2'] },
  ])('$text', ({ text, says }) => {
    expect(codes(text)).toEqual(says);
  });

  test('a trailing separator is no cell too many, and a heading we do not know is named', () => {
    expect(codes('code,torque,\nA,1 N·m,')).toEqual([]);
    expect(valueOrThrow(read('code;Torque;Drawer\nA;1 N·m;4')).ignoredHeadings).toEqual(['Drawer']);
  });

  test('a list ends where it is too long, with the line of the first row over', () => {
    const rows = (count: number) => `code,torque\n${'A,1 N·m\n'.repeat(count)}`;
    expect(codes(rows(LIST_MAX_ROWS))).toEqual([]);
    expect(codes(rows(LIST_MAX_ROWS + 1))).toEqual([`list-too-long ${LIST_MAX_ROWS + 2}`]);
  });
});
