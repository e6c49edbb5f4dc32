import { describe, expect, test } from 'vitest';
import { lookUp } from '#core/spec/lookup/look-up.ts';
import { checkedTable, readLookupTable, tableFindings } from '#core/spec/lookup/lookup-table.ts';
import { FINE_THREAD_NUTS, FLARED_TUBE_NUTS } from '#core/spec/lookup/published/aircraft-practice.ts';
import {
  INCH_BOLT_STRENGTH,
  METRIC_BOLT_STRENGTH,
  STAINLESS_BOLT_STRENGTH,
} from '#core/spec/lookup/published/bolt-strength.ts';
import { COPPER_FLARE_NUTS } from '#core/spec/lookup/published/copper-flare-nuts.ts';
import type { PublishedTable } from '#core/spec/lookup/published/published-table.ts';
import { PUBLISHED_TABLES } from '#core/spec/lookup/published/published-tables.ts';
import { SCREW_TERMINALS, SOCKET_SCREWS } from '#core/spec/lookup/published/screw-terminals.ts';
import { requirementWords } from '#wire/words/requirement.ts';

const answer = (
  { table }: PublishedTable,
  keys: readonly string[],
  valueColumn: number | null = null,
): string => {
  const result = lookUp(readLookupTable(table, 'N.m'), { keys, valueColumn });
  if (result.kind !== 'found') return result.kind;
  if (result.value === null) return 'no value printed';
  return result.value.kind === 'text'
    ? result.value.text
    : requirementWords(result.value.read.requirement).replace(', no tolerance printed', '');
};

test.each(PUBLISHED_TABLES.map((each) => [each.id, each] as const))(
  '%s: every cell can be read',
  (_, each) => {
    const read = readLookupTable(each.table, 'N.m');
    expect(tableFindings(read)).toEqual([]);
    expect(checkedTable(read).ok).toBe(true);
  },
);

describe('NFPA 70-2020 Informative Annex I, Table I.1 (from memory)', () => {
  const SLOT_NARROW = 0;
  const SLOT_WIDE = 1;
  const SPLIT_BOLT = 2;
  const HEX_OTHER = 3;
  test.each([
    ['14 AWG', SLOT_NARROW, '20 lbf·in'],
    ['#10', SLOT_NARROW, '20 lbf·in'],
    ['8', SLOT_NARROW, '25 lbf·in'],
    ['#6', SLOT_NARROW, '35 lbf·in'],
    ['4 AWG', SLOT_WIDE, '45 lbf·in'],
    ['3 AWG', SLOT_WIDE, '50 lbf·in'],
    ['2 AWG', SPLIT_BOLT, '275 lbf·in'],
    ['1 AWG', SLOT_NARROW, 'no value printed'],
    ['2/0', SPLIT_BOLT, '385 lbf·in'],
    ['3/0', HEX_OTHER, '250 lbf·in'],
    ['300 kcmil', HEX_OTHER, '325 lbf·in'],
    ['400 MCM', SPLIT_BOLT, '825 lbf·in'],
    ['500 kcmil', HEX_OTHER, '375 lbf·in'],
    ['700 kcmil', SPLIT_BOLT, '1000 lbf·in'],
    ['1000 kcmil', HEX_OTHER, '500 lbf·in'],
    ['1500 kcmil', SLOT_WIDE, 'no value printed'],
    ['2000 kcmil', HEX_OTHER, '600 lbf·in'],
    // 2.5 mm² lies between 14 AWG (2.08) and 12 AWG (3.31), inside the band 18 to 10.
    ['2.5 mm²', SLOT_WIDE, '35 lbf·in'],
    // domain: 4/0 = 211.6 kcmil = 107.2 mm².
    ['107.2 mm²', SPLIT_BOLT, '500 lbf·in'],
  ])('%s, column %i: %s', (size, column, expected) => {
    expect(answer(SCREW_TERMINALS, [size], column)).toBe(expected);
  });

  test('10 mm² lies between 8 AWG (8.37 mm²) and 6 AWG (13.3 mm²): no row, and both neighbours', () => {
    const result = lookUp(readLookupTable(SCREW_TERMINALS.table, 'N.m'), {
      keys: ['10 mm²'],
      valueColumn: 0,
    });
    expect(result).toEqual({ kind: 'none', whyNot: [{ column: 0, answer: '10 mm²', nearest: [1, 2] }] });
  });

  test('the size alone leaves one question: which screw', () => {
    const result = lookUp(readLookupTable(SCREW_TERMINALS.table, 'N.m'), {
      keys: ['1 AWG'],
      valueColumn: null,
    });
    // 1 AWG has no value for the narrow slot, so that column is not asked for.
    expect(result).toMatchObject({ kind: 'open', questions: [{ kind: 'value-column', choices: [1, 2, 3] }] });
  });
});

describe('NFPA 70-2020 Informative Annex I, Table I.3 (from memory)', () => {
  test.each([
    ['1/8', '45 lbf·in'],
    ['5/32 in', '100 lbf·in'],
    ['3/16"', '120 lbf·in'],
    ['7/32', '150 lbf·in'],
    ['.25', '200 lbf·in'],
    ['5/16', '275 lbf·in'],
    ['3/8', '375 lbf·in'],
    ['1/2', '500 lbf·in'],
    ['9/16', '600 lbf·in'],
  ])('%s key: %s', (size, expected) => {
    expect(answer(SOCKET_SCREWS, [size])).toBe(expected);
  });
});

describe('FAA AC 43.13-1B (from memory)', () => {
  test.each([
    ['1/8', '20 to 30 lbf·in'],
    ['3/16', '25 to 35 lbf·in'],
    ['-4', '50 to 65 lbf·in'],
    ['5/16', '70 to 90 lbf·in'],
    ['3/8 in', '110 to 130 lbf·in'],
    ['dash 6', '110 to 130 lbf·in'],
    ['1/2', '230 to 260 lbf·in'],
    ['-10', '330 to 360 lbf·in'],
    ['3/4', '460 to 500 lbf·in'],
  ])('Table 9-2, %s tube of 5052-O: %s', (size, expected) => {
    expect(answer(FLARED_TUBE_NUTS, [size, '5052-O'])).toBe(expected);
  });

  test('Table 9-2: another alloy is no row, and it says that the alloy is why', () => {
    const result = lookUp(readLookupTable(FLARED_TUBE_NUTS.table, 'N.m'), {
      keys: ['3/8', '6061-T6'],
      valueColumn: null,
    });
    expect(result).toMatchObject({ kind: 'none', whyNot: [{ column: 1, nearest: [4] }] });
  });

  test('Table 9-2: without an alloy it answers, and says which one it holds for', () => {
    const result = lookUp(readLookupTable(FLARED_TUBE_NUTS.table, 'N.m'), {
      keys: ['3/8', null],
      valueColumn: null,
    });
    expect(result).toMatchObject({
      kind: 'found',
      row: 4,
      holdsFor: [{ column: 1, printed: '5052-O' }],
      neighbours: [3, 5],
    });
  });

  test.each([
    ['8-36', '12 to 15 lbf·in'],
    ['#10-32', '20 to 25 lbf·in'],
    ['1/4-28 UNF', '50 to 70 lbf·in'],
    ['5/16-24', '100 to 140 lbf·in'],
    ['3/8 - 24', '160 to 190 lbf·in'],
    ['7/16-20', '450 to 500 lbf·in'],
    ['1/2-20', '480 to 690 lbf·in'],
  ])('Table 7-1, %s: %s', (thread, expected) => {
    expect(answer(FINE_THREAD_NUTS, [thread])).toBe(expected);
  });
});

test.each([
  ['1/4', '14 to 18 N·m'],
  ['3/8', '34 to 42 N·m'],
  ['1/2', '49 to 61 N·m'],
  ['5/8', '68 to 82 N·m'],
  ['3/4', '100 to 120 N·m'],
])('JIS B 8607 (from memory), %s copper tube: %s', (size, expected) => {
  expect(answer(COPPER_FLARE_NUTS, [size])).toBe(expected);
});

test.each([
  [METRIC_BOLT_STRENGTH, '8.8', '580 MPa to M16'],
  [METRIC_BOLT_STRENGTH, '10.9', '830 MPa'],
  [METRIC_BOLT_STRENGTH, '12.9', '970 MPa'],
  [STAINLESS_BOLT_STRENGTH, 'A2-70', 'Rp0.2 450 MPa'],
  [INCH_BOLT_STRENGTH, 'grade 2', '55 ksi to 3/4 in'],
  [INCH_BOLT_STRENGTH, 'Grade 5', '85 ksi to 1 in'],
  [INCH_BOLT_STRENGTH, 'grade 8', '120 ksi'],
] as const)('strengths (ISO 898-1, ISO 3506-1, SAE J429, from memory)', (table, key, expected) => {
  expect(answer(table, [key], 1)).toBe(expected);
});

test('SAE J429 (from memory): no line is grade 2, 3 lines grade 5, 6 lines grade 8', () => {
  expect(['grade 2', 'grade 5', 'grade 8'].map((grade) => answer(INCH_BOLT_STRENGTH, [grade], 0))).toEqual([
    'no line',
    '3 lines',
    '6 lines',
  ]);
});
