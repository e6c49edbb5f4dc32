import Papa from 'papaparse';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { attachmentType } from '#core/spec/book/media-type.ts';
import {
  REQUIREMENT_COLUMNS,
  readRequirementLine,
  requirementCells,
  requirementLines,
} from '#core/spec/book/requirement-list.ts';
import type { Source } from '#core/spec/book/source.ts';
import { readSourceLine, SOURCE_COLUMNS, sourceCells, sourceLines } from '#core/spec/book/source-list.ts';
import { readTableCsv, tableCsvText } from '#core/spec/label/table-csv.ts';
import { PUBLISHED_TABLES } from '#core/spec/lookup/published/published-tables.ts';

const source = (part: Partial<Source>): Source => ({
  id: 's1',
  title: 'Loop manual',
  kind: 'manual',
  number: 'L-1',
  revision: 'B',
  datedOn: '2025-01-31',
  place: 'shelf',
  status: 'current',
  supersededBy: null,
  ...part,
});
const SOURCES = [
  source({}),
  source({ id: 's2', title: 'Letter', number: '', revision: '', kind: 'letter' }),
  source({ id: 's3', revision: 'A', status: 'superseded' }),
];

const linesOf = (text: string) =>
  valueOrThrow(requirementLines(text)).lines.map((line) => readRequirementLine(line, SOURCES, 'N.m'));
const HEAD = 'part,size,requirement,source,place';

describe('a list of requirements', () => {
  test('a whole line, with everything it holds for', () => {
    const [line] = linesOf(
      `${HEAD},run_on,lubrication,thread,single_use,second,tools,made_for,other_part,other_requirement\n` +
        'panel nut,10-32,20-25 in-lb,Loop manual,page 3,8 lbf·in,dry,left,yes,runout 0.01 mm; no leak,only preset-screwdriver,steel,bar,max 5 Nm',
    );
    expect(line?.findings).toEqual([]);
    expect(line?.value).toMatchObject({
      sourceId: 's1',
      body: {
        part: 'panel nut',
        size: '10-32',
        torque: { printed: '20-25 in-lb', requirement: { kind: 'range' } },
        otherPart: { part: 'bar', requirement: { kind: 'maximum' } },
        conditions: {
          runOn: { kind: 'measured', torque: { text: '8', unit: 'lbf.in' } },
          lubrication: 'dry',
          thread: 'left',
          isSingleUse: true,
          second: [{ kind: 'runout', limitMillimetres: 0.01 }, { kind: 'no-leak' }],
          tools: { kind: 'only', tools: ['preset-screwdriver'] },
          madeForMaterial: 'steel',
        },
      },
    });
  });

  test('a source is named by its title, its number or in full; one that is superseded only in full', () => {
    const ids = ['Loop manual', 'L-1', '"Loop manual, L-1, rev. A"', 'letter'].map(
      (name) => linesOf(`${HEAD}\nnut,M5,5 Nm,${name},`)[0]?.value?.sourceId,
    );
    expect(ids).toEqual(['s1', 's1', 's3', 's2']);
  });

  test.each([
    ['nut,M5,5 Nm,Another book,', 'source', 'source-unknown'],
    [',M5,5 Nm,L-1,', 'part', 'cell-empty'],
    ['nut,M5,18 pounds,L-1,', 'requirement', 'ambiguous-unit'],
    ['nut,M5,14 in-lb (2.6 Nm),L-1,', 'requirement', 'statements-disagree'],
    [`nut,M5,5 Nm,L-1,${'x'.repeat(121)}`, 'place', 'cell-too-long'],
  ])('%s: %s is %s', (row, column, code) => {
    expect(linesOf(`${HEAD}\n${row}`)[0]?.findings).toMatchObject([{ line: 2, column, refusal: { code } }]);
  });

  test.each([
    ['run_on', 'some', 'unknown-choice'],
    ['thread', 'up', 'unknown-choice'],
    ['single_use', 'maybe', 'unknown-choice'],
    ['second', 'shiny', 'unknown-choice'],
    ['tools', 'any pliers', 'unknown-choice'],
  ])('%s may not be "%s"', (column, text, code) => {
    expect(linesOf(`${HEAD},${column}\nnut,M5,5 Nm,L-1,p,${text}`)[0]?.findings).toMatchObject([
      { column, refusal: { code } },
    ]);
  });

  test('what was settled by hand stands beside the print', () => {
    const [line] = valueOrThrow(requirementLines(`${HEAD}\nnut,M5,18 pounds,L-1,`)).lines;
    const read = line && readRequirementLine({ ...line, readAs: '18 lbf·in' }, SOURCES, 'N.m');
    expect(read?.value?.body.torque).toMatchObject({ printed: '18 pounds', readAs: '18 lbf·in' });
  });

  test('a list that was written out is read back the same', () => {
    const text =
      `${HEAD},run_on,lubrication,second,tools,part_softer,note\n` +
      'nut,10-32,20-25 in-lb,L-1,p. 3,measure,green paste,temperature 60 °C,"never dial, beam",yes,"careful, twice"\n' +
      'ring,,max 7 Nm,Letter,,,,,,,\n';
    const first = linesOf(text).map(({ value }) => value);
    const again = Papa.unparse(
      first.map((value) =>
        requirementCells(value?.body as never, SOURCES.find(({ id }) => id === value?.sourceId) as Source),
      ),
      { columns: [...REQUIREMENT_COLUMNS] },
    );
    expect(linesOf(again).map(({ value }) => value)).toEqual(first);
  });
});

describe('a list of sources', () => {
  const read = (row: string) =>
    readSourceLine(
      valueOrThrow(sourceLines(`title,kind,number,revision,dated_on,place\n${row}`)).lines[0] as never,
    );

  test('a whole line, written out and read back the same', () => {
    const { value } = read('Card,shop instruction,C-1,2,2025-12-31,bench');
    expect(value).toEqual({
      title: 'Card',
      kind: 'shop-instruction',
      number: 'C-1',
      revision: '2',
      datedOn: '2025-12-31',
      place: 'bench',
    });
    const again = Papa.unparse([sourceCells(value as never)], { columns: [...SOURCE_COLUMNS] });
    expect(readSourceLine(valueOrThrow(sourceLines(again)).lines[0] as never).value).toEqual(value);
  });

  test.each([
    ['Card,poster,,,,', 'kind', 'unknown-choice'],
    [',manual,,,,', 'title', 'cell-empty'],
    ['Card,manual,,,31.12.2025,', 'dated_on', 'unknown-choice'],
    [`${'x'.repeat(121)},manual,,,,`, 'title', 'cell-too-long'],
  ])('%s: %s is %s', (row, column, code) => {
    expect(read(row).findings).toMatchObject([{ column, refusal: { code } }]);
  });
});

describe('a table as CSV', () => {
  test.each(PUBLISHED_TABLES.map(({ id, table }) => [id, table] as const))(
    '%s comes back as it went',
    (_, table) => {
      const again = valueOrThrow(readTableCsv(tableCsvText(table))).table;
      expect([again.keys, again.values, again.rows]).toEqual([table.keys, table.values, table.rows]);
    },
  );

  test('a CSV without marks is read as a label is', () => {
    const { table } = valueOrThrow(readTableCsv('AWG,lb-in\n14-10,35\n8,40\n'));
    expect([table.keys[0]?.kind, table.values[0]?.unit, table.rows.length]).toEqual([
      'conductor',
      'lbf.in',
      2,
    ]);
  });
});

test.each([
  [[0xff, 0xd8, 0xff, 0xe0], 'image/jpeg'],
  [[0x89, 0x50, 0x4e, 0x47, 0x0d], 'image/png'],
  [[...Buffer.from('RIFF0000WEBP')], 'image/webp'],
  [[...Buffer.from('%PDF-1.7')], 'application/pdf'],
  [[...Buffer.from('<svg onload=1>')], null],
  [[], null],
])('the kind of a file is what its first bytes say: %j', (bytes, expected) => {
  expect(attachmentType(Uint8Array.from(bytes))).toBe(expected);
});

test('a torque above anything of its size is asked about, with the unit it may have meant and as it stands; settled, it is kept', () => {
  const [line] = linesOf(`${HEAD}\ncontrol terminal,14 AWG,18 lb-ft,Loop manual,page 3`);
  expect(line?.findings).toEqual([
    {
      line: 2,
      column: 'requirement',
      refusal: {
        code: 'size-doubtful',
        text: '18 lb-ft',
        size: '14 AWG',
        candidates: ['18 lbf·in', '18 lb-ft'],
      },
    },
  ]);
  if (!line) throw new Error('expected a line');
  for (const readAs of ['18 lbf·in', '18 lb-ft'])
    expect(readRequirementLine({ ...line.listed, readAs }, SOURCES, 'N.m').findings).toEqual([]);
});
