import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import {
  type FastenerLine,
  fastenerLines,
  groupsNamed,
  kindSpokenOf,
  type ReadLine,
  readFastenerLines,
} from '#core/job/fastener-list.ts';
import { COLLET_NUT } from '#core/joint/kinds/collet-nut.ts';
import { CONTROL_CABINET } from '#core/joint/kinds/control-cabinet.ts';
import { SOFT_SEAT_RING } from '#core/joint/kinds/soft-seat-ring.ts';
import { decodeText } from '#core/spec/list/decode-text.ts';
import { LIST_MAX_ROWS } from '#core/spec/list/list-bounds.ts';
import { NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import { DEFAULT_SCHOOLS } from '#core/target/schools.ts';
import { bookSaying } from './sample-joints.ts';

const HEADER = 'position,label,x_mm,y_mm,conductor,requirement';
const ROW = 'X1-1,pump,10,20,14 AWG,20 to 24 in-lb';

const linesOf = (text: string) => valueOrThrow(fastenerLines(text));
const readLines = (lines: readonly FastenerLine[], kind = CONTROL_CABINET) =>
  readFastenerLines(lines, { kindOf: () => kind, siteUnit: 'N.m', schools: DEFAULT_SCHOOLS });
const readText = (text: string): readonly ReadLine[] => readLines(linesOf(text).lines);
const problems = (text: string) => {
  const result = fastenerLines(text);
  return result.ok ? [] : result.refusal;
};
const findings = (row: string) =>
  readText(`${HEADER}\n${row}`)[0]?.findings.map(({ column, refusal }) => [column, refusal.code]);

describe('files as they come', () => {
  const expected = {
    position: 'X1-1',
    label: 'pump',
    xMm: 10,
    yMm: 20,
    details: { conductor: '14 AWG' },
    requirement: { printed: '20 to 24 in-lb' },
  };

  test.each([
    { name: 'commas and LF', text: `${HEADER}\n${ROW}\n` },
    { name: 'CRLF', text: `${HEADER}\r\n${ROW}\r\n` },
    { name: 'old Mac line ends', text: `${HEADER}\r${ROW}\r` },
    { name: 'no line end after the last line', text: `${HEADER}\n${ROW}` },
    { name: 'semicolons', text: `${HEADER}\n${ROW}`.replaceAll(',', ';') },
    { name: 'tabs', text: `${HEADER}\n${ROW}`.replaceAll(',', '\t') },
    { name: 'bars', text: `${HEADER}\n${ROW}`.replaceAll(',', '|') },
    {
      name: 'quotes around everything',
      text: `${HEADER}\n"X1-1","pump","10","20","14 AWG","20 to 24 in-lb"`,
    },
    {
      name: 'another order',
      text: `requirement,y_mm,x_mm,label,position,conductor\n20 to 24 in-lb,20,10,pump,X1-1,14 AWG`,
    },
    {
      name: 'capitals, spaces and brackets in the header',
      text: `Position, Label ,X (mm),Y mm,Conductor,Requirement\n${ROW}`,
    },
    { name: 'a column more', text: `${HEADER},remark\n${ROW},check twice` },
    { name: 'empty lines between', text: `${HEADER}\n\n${ROW}\n\n,,,,,\n` },
    {
      name: 'decimal commas with semicolons',
      text: `${HEADER.replaceAll(',', ';')}\nX1-1;pump;10,0;20,0;14 AWG;20 to 24 in-lb`,
    },
  ])('$name', ({ text }) => {
    const [line] = readText(text);
    expect(line?.fastener).toMatchObject(expected);
  });

  test('a byte order mark and Latin-1 bytes', () => {
    const marked = valueOrThrow(decodeText(new TextEncoder().encode(`\uFEFF${HEADER}\n${ROW}`)));
    expect(readText(marked.text)[0]?.fastener).toMatchObject(expected);
    const latin = Uint8Array.from(`${HEADER}\nX1-1,Kühler,10,20,2.5 mm²,2 ±0.2 Nm`, (character) =>
      character.charCodeAt(0),
    );
    const { text, encoding } = valueOrThrow(decodeText(latin));
    expect(encoding).toBe('Latin-1');
    expect(readText(text)[0]?.fastener).toMatchObject({
      label: 'Kühler',
      details: { conductor: '2.5 mm²' },
      requirement: { printed: '2 ±0.2 Nm' },
    });
  });

  test('what is not read is named', () => {
    expect(linesOf(`${HEADER},remark,\n${ROW},x,\n`).table.ignoredHeadings).toEqual(['remark']);
  });

  test('a drive is read where it stands, and assumed to be a slot where it does not', () => {
    const [with_, without] = [readText(`${HEADER},drive\n${ROW},Cross`)[0], readText(`${HEADER}\n${ROW}`)[0]];
    expect(with_?.fastener).toMatchObject({ drive: 'cross', driveAssumed: false });
    expect(without?.fastener).toMatchObject({ drive: 'slot', driveAssumed: true });
  });

  test('a quoted cell may hold the separator, quotes and a line end; later lines keep their numbers', () => {
    const text = `${HEADER}\nX1-1,"pump, ""left""\nside",10,20,14 AWG,22 in-lb\nX1-2,b,1,x,14 AWG,22 in-lb`;
    const [first, second] = readText(text);
    expect(first?.fastener?.label).toBe('pump, "left"\nside');
    expect(second?.findings[0]).toMatchObject({ line: 4, column: 'y_mm' });
  });
});

describe('what does not work says which line and column', () => {
  test.each([
    { name: 'no header', text: `${ROW}\n${ROW}`, expected: { code: 'list-header-missing', line: 1 } },
    {
      name: 'a separator that is none',
      text: `${HEADER}\n${ROW}`.replaceAll(',', ' '),
      expected: { code: 'list-header-missing', line: 1 },
    },
    {
      name: 'a missing column',
      text: `position,label,x_mm,y_mm,conductor\nX1,a,1,2,14`,
      expected: { code: 'list-column-missing', line: 1, column: 'requirement' },
    },
    {
      name: 'a column twice',
      text: `${HEADER},label\n${ROW},b`,
      expected: { code: 'list-column-repeated', line: 1, column: 'label' },
    },
    {
      name: 'nothing under the header',
      text: `${HEADER}\n\n`,
      expected: { code: 'list-without-rows', line: 1 },
    },
    {
      name: 'a cell too few',
      text: `${HEADER}\n${ROW}\nX1-2,b,1,2,14 AWG`,
      expected: { code: 'list-cells-missing', line: 3, column: 'requirement' },
    },
    {
      name: 'an unquoted separator',
      text: `${HEADER}\nX1-2,pump, left,1,2,14 AWG,22 in-lb`,
      expected: { code: 'list-cells-too-many', line: 2, found: 7, wanted: 6 },
    },
    {
      name: 'an open quote',
      text: `${HEADER}\nX1-2,"pump,1,2,14 AWG,22 in-lb`,
      expected: { code: 'list-quote-open', line: 2, column: 'label' },
    },
  ])('$name', ({ text, expected }) => {
    expect(problems(text)[0]).toMatchObject(expected);
  });

  test('every line that does not fit is listed, not only the first', () => {
    expect(problems(`${HEADER}\na,b\n${ROW}\nc,d`).map(({ line }) => line)).toEqual([2, 4]);
  });

  test('as many lines as a list may have, and one more', () => {
    const rows = (count: number) =>
      [HEADER, ...Array.from({ length: count }, (_, index) => `P${index},a,${index},0,14 AWG,22 in-lb`)].join(
        '\n',
      );
    expect(linesOf(rows(LIST_MAX_ROWS)).lines).toHaveLength(LIST_MAX_ROWS);
    expect(problems(rows(LIST_MAX_ROWS + 1))[0]).toMatchObject({
      code: 'list-too-long',
      line: LIST_MAX_ROWS + 2,
    });
  });

  test.each([
    { row: ',pump,10,20,14 AWG,22 in-lb', expected: [['position', 'cell-empty']] },
    { row: `${'p'.repeat(41)},pump,10,20,14 AWG,22 in-lb`, expected: [['position', 'cell-too-long']] },
    { row: `X1,${'l'.repeat(121)},10,20,14 AWG,22 in-lb`, expected: [['label', 'cell-too-long']] },
    { row: `X1,pump,10,20,${'c'.repeat(61)},22 in-lb`, expected: [['conductor', 'cell-too-long']] },
    { row: 'X1,pump,ten,20,14 AWG,22 in-lb', expected: [['x_mm', 'not-a-number']] },
    { row: 'X1,pump,10,,14 AWG,22 in-lb', expected: [['y_mm', 'cell-empty']] },
    { row: 'X1,pump,-100001,20,14 AWG,22 in-lb', expected: [['x_mm', 'coordinate-out-of-bounds']] },
    { row: 'X1,pump,"1,000",20,14 AWG,22 in-lb', expected: [['x_mm', 'ambiguous-number']] },
    { row: 'X1,pump,10,20,14 AWG,', expected: [['requirement', 'empty-text']] },
    { row: 'X1,pump,10,20,14 AWG,22', expected: [['requirement', 'no-unit']] },
    { row: 'X1,pump,10,20,14 AWG,22 pounds', expected: [['requirement', 'ambiguous-unit']] },
    { row: 'X1,pump,10,20,14 AWG,14 in-lb / 2.6 Nm', expected: [['requirement', 'statements-disagree']] },
    {
      row: 'X1,pump,a,b,14 AWG,22 pounds',
      expected: [
        ['x_mm', 'not-a-number'],
        ['y_mm', 'not-a-number'],
        ['requirement', 'ambiguous-unit'],
      ],
    },
  ])('$expected', ({ row, expected }) => {
    expect(findings(row)).toEqual(expected);
  });

  test('an unknown drive lists the known ones', () => {
    const [line] = readText(`${HEADER},drive\n${ROW},pentagram`);
    expect(line?.findings[0]).toMatchObject({
      column: 'drive',
      refusal: { code: 'unknown-drive', text: 'pentagram' },
    });
  });

  test('a position that stands twice names the first line', () => {
    const [first, second] = readText(`${HEADER}\n${ROW}\n${ROW}`);
    expect(first?.findings).toEqual([]);
    expect(second).toMatchObject({
      fastener: null,
      findings: [{ line: 3, refusal: { code: 'position-repeated', firstLine: 2 } }],
    });
  });

  test('a negative coordinate and one at the bound are fine', () => {
    expect(findings('X1,pump,-12.5,-100000,14 AWG,22 in-lb')).toEqual([]);
  });
});

describe('settling a line', () => {
  test('what a person read it as stands beside the print, which is kept', () => {
    const [line] = linesOf(`${HEADER}\nX1,pump,10,20,14 AWG,18 pounds`).lines;
    if (!line) throw new Error('expected a line');
    const [settled] = readLines([{ ...line, readAs: '18 lbf·in' }]);
    expect(settled?.fastener?.requirement).toEqual({
      printed: '18 pounds',
      readAs: '18 lbf·in',
      book: null,
      requirement: { kind: 'nominal', nominal: { text: '18', value: 18, unit: 'lbf.in' } },
    });
  });

  test('each candidate of two disagreeing statements settles it', () => {
    const [line] = linesOf(`${HEADER}\nX1,pump,10,20,14 AWG,14-16 in-lb (2.6-2.9 Nm)`).lines;
    const [read] = line ? readLines([line]) : [];
    const refusal = read?.findings[0]?.refusal;
    if (!line || refusal?.code !== 'statements-disagree') throw new Error('expected two statements');
    expect(refusal.candidates).toEqual(['14-16 in-lb', '2.6-2.9 Nm']);
    for (const readAs of refusal.candidates)
      expect(readLines([{ ...line, readAs }])[0]?.findings).toEqual([]);
  });

  test('what a person types is read as strictly as print', () => {
    const [line] = linesOf(`${HEADER}\nX1,pump,10,20,14 AWG,18 pounds`).lines;
    expect(line && readLines([{ ...line, readAs: '18' }])[0]?.findings[0]?.refusal.code).toBe('no-unit');
  });
});

test('property: no text makes the reader throw', () => {
  fc.assert(
    fc.property(
      fc.string({ maxLength: 200 }),
      (text) => typeof fastenerLines(`${HEADER}\n${text}`).ok === 'boolean',
    ),
  );
});

test('property: what is written with quotes comes back', () => {
  const cell = fc.string({ maxLength: 20 }).map((text) => text.replaceAll('\u0000', '').trim());
  fc.assert(
    fc.property(cell, cell, (label, conductor) => {
      const quoted = (text: string) => `"${text.replaceAll('"', '""')}"`;
      const text = `${HEADER}\nX1,${quoted(label)},1,2,${quoted(conductor)},22 in-lb`;
      const [line] = linesOf(text).lines;
      expect(line?.cells).toMatchObject({ label, conductor, requirement: '22 in-lb' });
    }),
  );
});

describe('lists of any joint', () => {
  const columns = 'position,label,requirement,group,direction,single_use,part,counter_hold,thread';
  const one = (row: string, book: FastenerLine['book'] = null, kind = CONTROL_CABINET) => {
    const [line] = linesOf(`${columns}\n${row}`).lines;
    return readLines([{ ...(line as FastenerLine), book }], kind)[0] as ReadLine;
  };
  const codes = ({ findings: found }: ReadLine) => found.map(({ column, refusal }) => [column, refusal.code]);

  test('what every fastener may have is read, and nothing is made up where a column is empty', () => {
    expect(one('1,nut,5 Nm,left side,left,yes,K-1,17 mm,M8').fastener).toMatchObject({
      group: 'left side',
      direction: 'left',
      isSingleUse: true,
      part: 'K-1',
      counterHold: '17 mm',
      thread: 'M8',
    });
    expect(one('1,nut,5 Nm,,,,,,').fastener).toMatchObject({
      group: 'A',
      direction: 'right',
      isSingleUse: false,
      part: '',
      counterHold: '',
    });
  });

  test.each([
    { row: '1,nut,5 Nm,,clockwise,,,,', code: ['direction', 'unknown-choice'] },
    { row: '1,nut,5 Nm,,,perhaps,,,', code: ['single_use', 'unknown-choice'] },
    { row: `1,nut,5 Nm,${'g'.repeat(21)},,,,,`, code: ['group', 'cell-too-long'] },
    { row: `1,nut,5 Nm,,,,${'p'.repeat(41)},,`, code: ['part', 'cell-too-long'] },
  ])('$code.0 in doubt is asked about', ({ row, code }) => {
    expect(codes(one(row))).toEqual([code]);
  });

  const saying = (change: object) => bookSaying({ conditions: { ...NO_CONDITIONS, ...change } });

  test('a thread that the book has the other way is asked about; one it has holds', () => {
    expect(codes(one('1,nut,5 Nm,,right,,,,', saying({ thread: 'left' })))).toEqual([
      ['direction', 'book-differs'],
    ]);
    expect(one('1,nut,5 Nm,,,,,,', saying({ thread: 'left' })).fastener?.direction).toBe('left');
    // A row of a table says nothing of the thread it is for.
    const table = { ...saying({}), kind: 'table' as const };
    expect(one('1,nut,5 Nm,,left,,,,', table).fastener?.direction).toBe('left');
  });

  test('single use is what either says', () => {
    expect(one('1,nut,5 Nm,,,,,,', saying({ isSingleUse: true })).fastener?.isSingleUse).toBe(true);
    expect(one('1,nut,5 Nm,,,yes,,,', saying({ isSingleUse: false })).fastener?.isSingleUse).toBe(true);
    expect(codes(one('1,nut,5 Nm,,,no,,,', saying({ isSingleUse: true })))).toEqual([
      ['single_use', 'book-differs'],
    ]);
  });

  test.each(['finger tight', 'Finger-tight', 'hand tight only', 'fingertight'])(
    '%s is no torque',
    (printed) => {
      expect(one(`1,cap,${printed},,,,,,`).fastener?.requirement.requirement).toEqual({
        kind: 'finger-tight',
      });
    },
  );

  test('the kind of joint says what else a fastener has, and what usually engages it', () => {
    const text = 'position,label,requirement,shank\n1,holder,38 Nm,4 mm';
    const [line] = linesOf(text).lines;
    expect(readLines([line as FastenerLine], COLLET_NUT)[0]?.fastener).toMatchObject({
      details: { shank: '4 mm', cutter: '' },
      drive: 'slotted-nut',
      driveAssumed: true,
    });
  });

  test('a list speaks of its kind by the columns it has; of none, or of two, it does not', () => {
    const kind = (header: string) => {
      const { lines } = linesOf(
        `${header}\n${header
          .split(',')
          .map(() => 'x')
          .join(',')}`,
      );
      return kindSpokenOf(lines, groupsNamed(lines)[0] ?? '')?.code ?? null;
    };
    expect(kind('position,label,requirement,shank')).toBe('collet-nut');
    expect(kind(HEADER)).toBe('control-cabinet');
    expect(kind('position,label,requirement')).toBeNull();
    expect(kind('position,label,requirement,shank,conductor')).toBeNull();
  });

  test('groups come in the order they are named first', () => {
    const { lines } = linesOf(
      `${columns}\n1,a,5 Nm,knob,,,,,\n2,b,5 Nm,collet,,,,,\n3,c,5 Nm,knob,,,,,\n4,d,5 Nm,,,,,,`,
    );
    expect(groupsNamed(lines)).toEqual(['knob', 'collet', 'A']);
  });

  test('a ring without places is laid round a circle; a cell that is empty where there is a column is asked for', () => {
    const text = `position,label,requirement\n${Array.from({ length: 12 }, (_, at) => `${at + 1},s,1 Nm`).join('\n')}`;
    const read = readLines(linesOf(text).lines, SOFT_SEAT_RING).flatMap(({ fastener }) => fastener ?? []);
    const radius = Math.max(...read.map(({ xMm }) => xMm)) / 2;
    for (const { xMm, yMm } of read) expect(Math.hypot(xMm - radius, yMm - radius)).toBeCloseTo(radius, 1);
    expect(findings('X1-1,pump,,20,14 AWG,20 to 24 in-lb')).toEqual([['x_mm', 'cell-empty']]);
  });
});
