import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { type ProposedTable, readLabel } from '#core/spec/label/read-label.ts';
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

const described = ({ table, unread }: ProposedTable): readonly string[] => [
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
  ...unread.map(({ line }) => `unread ${line}`),
];

test('the corpus holds at least 60 labels', () => {
  expect(labels.length).toBeGreaterThanOrEqual(60);
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
    const { table, unread } = read.value;
    const kept = JSON.stringify([table, unread]);
    const numbers = text.match(/\d+(?:[.,]\d+)?/g) ?? [];
    expect(numbers.filter((number) => !kept.includes(number))).toEqual([]);
  }
});
