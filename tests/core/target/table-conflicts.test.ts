import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { readLabel } from '#core/spec/label/read-label.ts';
import { readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import { spansMeet, tableDiffersFrom, tablesDiffer } from '#core/target/table-conflicts.ts';

const table = (text: string) => readLookupTable(valueOrThrow(readLabel(text)).table, 'N.m');
const says = (text: string) => valueOrThrow(readRequirement(text, 'N.m')).requirement;

describe('two tables for one thing', () => {
  const door = table('AWG\tin-lb\n14-10\t35\n8\t40\n6-4\t45');

  test('differ where a size in common has two values, and nowhere else', () => {
    const manual = table('AWG\tin-lb\n12\t35\n8\t50\n4\t45\n2\t90');
    expect(tablesDiffer(door, manual)).toEqual([
      { first: { row: 1, column: 0 }, other: { row: 1, column: 0 } },
    ]);
  });

  // 35, 40 and 45 lbf·in are 3.95, 4.52 and 5.08 N·m.
  test('agree where one prints the other’s values in another unit, rounded', () => {
    expect(tablesDiffer(door, table('AWG\tN·m\n14-10\t4.0\n8\t4.5\n6-4\t5.1'))).toEqual([]);
    expect(tablesDiffer(door, table('AWG\tN·m\n14-10\t4.0\n8\t4.7\n6-4\t5.1'))).toHaveLength(1);
  });

  test('are not compared where their keys are not of one kind', () => {
    expect(tablesDiffer(door, table('Thread\tin-lb\nM4\t12\nM5\t20'))).toEqual([]);
  });
});

test('a requirement for a size of a table differs from its row, or agrees, or is for a size it has not', () => {
  const threads = table('Thread\tNm\nM4\t2.8\nM5\t5.5');
  expect(tableDiffersFrom(threads, 'M5', says('5.5 Nm'))).toEqual([]);
  expect(tableDiffersFrom(threads, 'M5', says('49 in-lb'))).toEqual([]);
  expect(tableDiffersFrom(threads, 'm 5', says('4 Nm'))).toEqual([{ row: 1, column: 0 }]);
  expect(tableDiffersFrom(threads, 'M6', says('4 Nm'))).toEqual([]);
  expect(tableDiffersFrom(threads, 'large', says('4 Nm'))).toEqual([]);
});

test('spans meet where they have a size or a name in common', () => {
  const band = (low: number, high: number) => ({ kind: 'band', low, high, isLowOpen: false }) as const;
  const names = (...of: string[]) => ({ kind: 'names', names: of, order: null }) as const;
  expect(spansMeet(band(1, 2), band(2, 3))).toBe(true);
  expect(spansMeet(band(1, 2), band(2.1, 3))).toBe(false);
  expect(spansMeet(names('copper', 'aluminium'), names('copper'))).toBe(true);
  expect(spansMeet(names('aluminium'), names('copper'))).toBe(false);
  expect(spansMeet({ kind: 'any' }, names('copper'))).toBe(true);
  expect(spansMeet(names('copper'), band(1, 2))).toBe(false);
});
