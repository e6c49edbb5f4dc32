import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type ProposedTable, readLabel } from '#core/spec/label/read-label.ts';
import { asScrews, FOOTNOTE_MAX, withNote } from '#core/spec/label/settled-line.ts';
import { LABEL_MAX_LENGTH } from '#core/spec/label/split-label.ts';
import { type Cell, readLookupTable, tableFindings } from '#core/spec/lookup/lookup-table.ts';

// Invented labels in many styles, each with the table a person would write down from it. `→` stands for a tab, `␣` for a no-break
// space, `␍` for a carriage return; `{1}` is a cell that is assumed, not printed.
type Label = { readonly name: string; readonly text: string; readonly expected: readonly string[] };

const labels: readonly Label[] = readFileSync(new URL('./labels.txt', import.meta.url), 'utf8')
  .split(/^# /m)
  .slice(1)
  .map((block) => {
    const [name = '', ...lines] = block.trimEnd().split('\n');
    const at = lines.findIndex((line) => line.startsWith('=>'));
    const text = lines
      .slice(0, at)
      .join('\n')
      .replaceAll('→', '\t')
      .replaceAll('␣', '\u00a0')
      .replaceAll('␍', '\r');
    return { name, text, expected: lines.slice(at).map((line) => line.replace(/\s+/g, ' ').trim()) };
  });

const cellWords = ({ printed, readAs }: Cell): string => (readAs === null ? printed : `{${readAs}}`);

const described = ({ table, asked }: ProposedTable): readonly string[] => [
  `=> ${table.keys.map(({ kind }) => kind).join(', ')} | ${table.values.map(({ unit }) => `torque ${unit ?? ''}`.trim()).join(', ')}`.replace(
    /\s+/g,
    ' ',
  ),
  ...table.rows.map(({ keys, values }) =>
    [...keys, ...values].map(cellWords).join(' | ').replace(/\s+/g, ' ').trim(),
  ),
  ...tableFindings(readLookupTable(table, 'N.m')).map(
    ({ row, part, column, refusal }) => `? ${row + 1} ${part} ${column + 1} ${refusal.code}`,
  ),
  ...asked.map(({ line, why }) => `asked ${line} ${why}`),
];

test('the corpus holds at least 250 labels', () => {
  expect(labels.length).toBeGreaterThanOrEqual(250);
});

test.each(labels.map(({ name, ...rest }) => [name, rest] as const))(
  'a label: %s',
  (_, { text, expected }) => {
    const read = readLabel(text);
    expect(read.ok && described(read.value)).toEqual(expected);
  },
);

describe('what is no label', () => {
  test.each([
    ['', 'label-empty'],
    [' \n ', 'label-empty'],
    ['KEEP DOOR CLOSED', 'label-without-torque'],
    ['M5 2 Nm\n'.repeat(1_001), 'label-too-long'],
    [`M5 2 Nm ${'x'.repeat(LABEL_MAX_LENGTH)}`, 'label-too-long'],
  ])('%j', (text, code) => {
    expect(readLabel(text)).toMatchObject({ ok: false, refusal: { code } });
  });

  test('1,000 lines are read', () => {
    const read = readLabel('M5 2 Nm\n'.repeat(1_000));
    expect(read.ok && read.value.table.rows).toHaveLength(1_000);
  });
});

test('nothing on a label is dropped: every number pasted stands in a cell, a heading or among the lines left over', () => {
  for (const { text } of labels) {
    const read = readLabel(text);
    if (!read.ok) throw new Error(text);
    const { table, asked } = read.value;
    const kept = JSON.stringify([table, asked]);
    const numbers = text.match(/\d+(?:[.,]\d+)?/g) ?? [];
    expect(numbers.filter((number) => !kept.includes(number))).toEqual([]);
  }
});

describe('what is asked about a line', () => {
  const proposed = (text: string) => {
    const read = readLabel(text);
    if (!read.ok) throw new Error(text);
    return read.value;
  };

  test('a line kept as a note stands in the footnote, word for word', () => {
    const { table, asked } = proposed('M6 9 Nm\nUse 75 °C wire only');
    expect(asked).toEqual([{ line: 2, text: 'Use 75 °C wire only', why: 'no-torque' }]);
    expect(withNote(table, 'Use 75 °C wire only').footnote).toBe('Use 75 °C wire only');
    const full = { ...table, footnote: 'x'.repeat(FOOTNOTE_MAX) };
    expect(withNote(full, 'more')).toBe(full);
  });

  test('a size that is a screw’s stands among the names, and no longer among the wires', () => {
    const { table } = proposed('#8 18 in-lb\n#10 25 in-lb');
    const first = asScrews(table, '#8 18 in-lb');
    expect(first.rows.map(({ keys }) => keys.map(({ printed }) => printed))).toEqual([
      ['#8 screw', ''],
      ['', '#10'],
    ]);
    const both = asScrews(first, '#10 25 in-lb');
    expect(both.keys.map(({ kind }) => kind)).toEqual(['category']);
    expect(both.rows.map(({ keys }) => keys.map(({ printed }) => printed))).toEqual([
      ['#8 screw'],
      ['#10 screw'],
    ]);
  });

  test('a number in front of a name is a size, behind one it is part of the name', () => {
    const { table } = proposed('wire terminal 1: 0.6 Nm\nwire terminal 2: 0.8 Nm');
    expect(table.keys.map(({ kind }) => kind)).toEqual(['category']);
  });
});

test('of pieces in any order, every number of a label is in the table or in a line that is asked about', () => {
  const piece = fc.constantFrom(
    '14-10 AWG',
    '#8',
    'M6',
    '3/8-16',
    '-4',
    '2 x #12',
    'CU',
    'terminal 3',
    '17',
    '35 in-lb',
    '4.5 Nm',
    'max 9 Nm',
    '20 Nm + 90°',
    '5-7 Nm (44-62 in-lb)',
    ',',
    ';',
    ':',
    'or',
    '\n',
    '\t',
    '75 °C',
  );
  fc.assert(
    fc.property(fc.array(piece, { minLength: 1, maxLength: 12 }), (pieces) => {
      const text = pieces.join(' ');
      const read = readLabel(text);
      if (!read.ok) return;
      const kept = JSON.stringify(read.value);
      for (const [number] of text.matchAll(/\d+(?:[.,]\d+)?/g)) expect(kept).toContain(number);
      for (const [bound] of text.matchAll(/max|°(?!C)/g)) expect(kept).toContain(bound);
    }),
    { numRuns: 1_500, seed: 11 },
  );
});
