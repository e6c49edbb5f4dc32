import type { TorqueUnit } from '../../quantity/unit.ts';
import { torqueUnitsIn } from '../../quantity/unit-spelling.ts';
import type { KeyColumn, LookupTable, TableRow } from '../lookup/lookup-table.ts';
import { propertyClassOf } from '../screw/property-class.ts';
import { type Foot, fitsTwice, withFoot } from './foot-rows.ts';
import { cellsTogether, type Together, togetherOf } from './joined-columns.ts';
import { keyColumn, type LabelColumn, labelColumn } from './label-columns.ts';
import type { LabelSubject } from './label-key.ts';
import { type AskedLine, isByHand, isHeading, type LabelReading, titleOf } from './label-reading.ts';
import { readLine } from './label-statement.ts';
import { isNameless, withFirstRepeated } from './repeated-cells.ts';
import type { LabelLine } from './split-label.ts';
import { EMPTY_TABLE, printed } from './statement-table.ts';

type Columns = readonly LabelColumn[];

const PLAIN_NUMBER = keyColumn('number').name;

const rowOfCells = (columns: Columns, { cells }: LabelLine, together: Together): TableRow => ({
  keys: columns.flatMap((each, index) => (each.part === 'key' ? [printed(cells[index] ?? '')] : [])),
  values: cellsTogether(
    together,
    columns.flatMap((each, index) =>
      each.part === 'value' ? [[each.column, cells[index] ?? ''] as const] : [],
    ),
  ),
  note: '',
});

const isFullLine = ({ cells }: LabelLine, width: number): boolean =>
  cells.length === width && cells.some((cell) => /\d/.test(cell) || isByHand(cell));

const hasFigure = (cell: string): boolean =>
  propertyClassOf(cell) === null && (/^\D{0,2}\d/.test(cell) || /\d\s*$/.test(cell) || isByHand(cell));

// A row of nothing but classes is one of values.
const isHeadLine = ({ cells }: LabelLine, width: number): boolean =>
  cells.length === width &&
  !cells.some(hasFigure) &&
  cells.some((cell) => cell !== '' && propertyClassOf(cell) === null);

/** Whether several columns of bare numbers have no heading: any of them may hold torques. */
const isUnheaded = (keys: readonly KeyColumn[]): boolean =>
  keys.filter(({ kind, name, unit }) => kind === 'number' && name === PLAIN_NUMBER && unit === '').length > 0;

/** The headings of the columns: all lines of headings one under the other, such as a name and the unit in brackets below it. */
const headOf = (
  lines: readonly LabelLine[],
  width: number,
): { readonly head: readonly string[]; readonly rest: readonly LabelLine[] } => {
  const first = lines.findIndex((line) => isHeadLine(line, width));
  let end = first;
  while (end >= 0 && lines[end + 1] && isHeadLine(lines[end + 1] as LabelLine, width)) end += 1;
  if (first < 0) return { head: [], rest: lines };
  const heads = lines.slice(first, end + 1);
  return {
    head: Array.from({ length: width }, (_, index) =>
      heads
        .map(({ cells }) => cells[index] ?? '')
        .join(' ')
        .trim(),
    ),
    rest: lines.filter((_, index) => index < first || index > end),
  };
};

/** A table of the columns that most lines have; the lines that don't are titles, footnotes, or asked about. */
export const tableOfColumns = (
  lines: readonly LabelLine[],
  width: number,
  unit: TorqueUnit | null,
  subject: LabelSubject,
): LabelReading => {
  const { head, rest } = headOf(lines, width);
  const body = rest.filter((line) => isFullLine(line, width));
  const columns = Array.from({ length: width }, (_, index) =>
    labelColumn(
      head[index] ?? '',
      body.map(({ cells }) => cells[index] ?? ''),
      { isLast: index === width - 1, isFirst: index === 0 },
    ),
  );
  const values = columns.flatMap((each) => (each.part === 'value' ? [each.column] : []));
  const together = togetherOf(values);
  const keys = columns.flatMap((each) => (each.part === 'key' ? [each.column] : []));
  const outside = rest.filter((line) => !isFullLine(line, width));
  const titles: string[] = [];
  const foot: Foot[] = [];
  const asked: AskedLine[] = [];
  for (const line of outside) {
    if (isHeading(line.text)) {
      titles.push(titleOf(line.text));
      continue;
    }
    const { statements, doubt } = readLine(line.text, subject);
    foot.push(...statements.map((statement) => ({ line, statement })));
    const isEither = statements.some((statement) => fitsTwice(statement, keys));
    const why = doubt ?? (isEither ? 'left-over' : null);
    if (why) asked.push({ line: line.line, text: line.text, why });
  }
  const named = titles.filter((title) => title !== '' && torqueUnitsIn(title).length === 0);
  const table: LookupTable = {
    ...EMPTY_TABLE,
    name: named[0] ?? '',
    footnote: named.slice(1).join('. '),
    keys,
    values:
      together === 'each'
        ? values.map((value) => ({ ...value, unit: value.unit ?? unit }))
        : [
            {
              name: 'Torque',
              kind: 'torque',
              unit: together === 'min-max' ? (values[0]?.unit ?? unit) : null,
            },
          ],
    rows: withFirstRepeated(
      body.map((line) => rowOfCells(columns, line, together)),
      body,
      outside,
    ),
  };
  for (const [index, { line, text }] of body.entries())
    if (isNameless(table.rows[index]) || (index === 0 && isUnheaded(keys)))
      asked.push({ line, text, why: 'left-over' });
  return { table: withFoot(table, foot), asked: asked.sort((a, b) => a.line - b.line) };
};
