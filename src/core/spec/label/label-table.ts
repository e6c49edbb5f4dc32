import { type TorqueUnit, unitSymbol } from '../../quantity/unit.ts';
import { torqueUnitsIn } from '../../quantity/unit-spelling.ts';
import type { Cell, KeyColumn, LookupTable, TableRow, ValueColumn } from '../lookup/lookup-table.ts';
import { keyColumn, type LabelColumn, labelColumn } from './label-columns.ts';
import { type LabelSubject, STATEMENT_KEYS, type StatementKey } from './label-key.ts';
import { type AskedLine, isHeading, type LabelReading, type Placed, titleOf } from './label-reading.ts';
import { type LabelStatement, readLine } from './label-statement.ts';
import type { LabelLine } from './split-label.ts';

const printed = (text: string): Cell => ({ printed: text, readAs: null });
const assumed = (readAs: string): Cell => ({ printed: '', readAs });

const KEY_COLUMNS: Record<StatementKey, KeyColumn> = {
  name: keyColumn('category'),
  conductor: keyColumn('conductor'),
  inchSize: keyColumn('inch-size'),
  thread: keyColumn('thread'),
  number: keyColumn('number', '', 'mm'),
  count: keyColumn('number', 'Conductors in it'),
  metal: keyColumn('metal'),
};

/** A table with nothing in it. */
export const EMPTY_TABLE: LookupTable = {
  name: '',
  subject: '',
  keys: [],
  values: [],
  rows: [],
  footnote: '',
  madeForMaterial: '',
  mayInterpolate: false,
};

/** A single conductor where only some lines print a count: on a label the others are for one. Common practice. */
const keyCell = (statement: LabelStatement, key: StatementKey): Cell =>
  key === 'count' && statement.count === '' ? assumed('1') : printed(statement[key]);

/** A table of the statements of lines, a column for each kind of key that any of them has. */
export const tableOfStatements = (placed: readonly Placed[], unit: TorqueUnit | null): LookupTable => {
  const groups = [...new Set(placed.map(({ group }) => group))];
  const isGrouped = groups.length > 1;
  const withGroup = placed.map(({ group, statement }) => ({
    ...statement,
    name: isGrouped ? [group, statement.name].filter(Boolean).join(', ') : statement.name,
  }));
  const used = STATEMENT_KEYS.filter((key) => withGroup.some((statement) => statement[key] !== ''));
  return {
    ...EMPTY_TABLE,
    name: isGrouped ? '' : (groups[0] ?? ''),
    keys: used.map((key) => KEY_COLUMNS[key]),
    values: [{ name: 'Torque', kind: 'torque', unit }],
    rows: withGroup.map((statement) => ({
      keys: used.map((key) => keyCell(statement, key)),
      values: [printed(statement.value)],
      note: '',
    })),
  };
};

type Columns = readonly LabelColumn[];
type Values = readonly (readonly [ValueColumn, string])[];

/** How the value columns of a table belong together: one torque each, one torque in two units, or the two ends of one range. */
type Together = 'each' | 'twice' | 'min-max';

const END = /^(?:torque\s+)?(min|max)(?:imum|\.)?$/i;

const togetherOf = (values: readonly ValueColumn[]): Together => {
  const [first, second] = values;
  if (!first || !second || values.length !== 2) return 'each';
  const ends = [END.exec(first.name)?.[1]?.toLowerCase(), END.exec(second.name)?.[1]?.toLowerCase()];
  if (ends.includes('min') && ends.includes('max') && first.unit === second.unit) return 'min-max';
  const isTwice =
    first.unit !== null &&
    second.unit !== null &&
    first.unit !== second.unit &&
    (first.name === second.name || values.some(({ name }) => name === 'Torque'));
  return isTwice ? 'twice' : 'each';
};

const stated = (text: string, unit: TorqueUnit | null): string => {
  const bare = text.trim();
  return unit === null || bare === '' || torqueUnitsIn(bare).length > 0
    ? bare
    : `${bare} ${unitSymbol(unit)}`;
};

const isBlank = (text: string): boolean => /^[-–—.\s]*$/.test(text);

/** `5 to 7` of a least and a most; one of them alone is a minimum or a maximum. */
const rangeOf = (values: Values): string => {
  const end = (wanted: string): string =>
    values.find(([{ name }]) => END.exec(name)?.[1]?.toLowerCase() === wanted)?.[1].trim() ?? '';
  const [low, high] = [end('min'), end('max')];
  if (isBlank(low)) return isBlank(high) ? '' : `max ${high}`;
  return isBlank(high) ? `min ${low}` : `${low} to ${high}`;
};

const cellsTogether = (together: Together, values: Values): readonly Cell[] => {
  if (together === 'min-max') return [printed(rangeOf(values))];
  if (together === 'each') return values.map(([, text]) => printed(text));
  const [first = '', second = ''] = values.map(([{ unit }, text]) => stated(text, unit));
  return [printed(second === '' ? first : `${first} (${second})`)];
};

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

const BY_KIND: Partial<Record<KeyColumn['kind'], StatementKey>> = {
  conductor: 'conductor',
  'inch-size': 'inchSize',
  thread: 'thread',
  metal: 'metal',
  category: 'name',
  number: 'number',
};

const NAMES_OF_KEYS = STATEMENT_KEYS.filter((key) => key !== 'count');

/** The parts of a statement that no column of a table has room for. */
const homeless = (statement: LabelStatement, keys: readonly KeyColumn[]): boolean => {
  const housed = new Set(keys.map(({ kind }) => BY_KIND[kind]));
  return NAMES_OF_KEYS.some((key) => statement[key] !== '' && !housed.has(key));
};

type Foot = { readonly line: LabelLine; readonly statement: LabelStatement };

/** Adds the statements of footnotes as rows; what of one has no column stands in its row's note. */
const withFoot = (table: LookupTable, foot: readonly Foot[]): LookupTable => {
  if (foot.length === 0) return table;
  const isCounted = foot.some(({ statement }) => statement.count !== '');
  const keys = isCounted ? [...table.keys, KEY_COLUMNS.count] : table.keys;
  return {
    ...table,
    keys,
    rows: [
      ...table.rows.map((row) => (isCounted ? { ...row, keys: [...row.keys, assumed('1')] } : row)),
      ...foot.map(({ line, statement }) => ({
        keys: keys.map((key) =>
          key === KEY_COLUMNS.count
            ? keyCell(statement, 'count')
            : printed(statement[BY_KIND[key.kind] ?? 'name']),
        ),
        values: table.values.map((_, index) => printed(index === 0 ? statement.value : '')),
        note: homeless(statement, keys) ? line.text : '',
      })),
    ],
  };
};

const isFullLine = ({ cells }: LabelLine, width: number): boolean =>
  cells.length === width && cells.some((cell) => /\d/.test(cell));

const isHeadLine = ({ cells }: LabelLine, width: number): boolean =>
  cells.length === width && !cells.some((cell) => /^\D{0,2}\d/.test(cell) || /\d\s*$/.test(cell));

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
  const titles: string[] = [];
  const foot: Foot[] = [];
  const asked: AskedLine[] = [];
  for (const line of rest.filter((each) => !isFullLine(each, width))) {
    if (isHeading(line.text)) {
      titles.push(titleOf(line.text));
      continue;
    }
    const { statements, doubt } = readLine(line.text, subject);
    foot.push(...statements.map((statement) => ({ line, statement })));
    if (doubt) asked.push({ line: line.line, text: line.text, why: doubt });
  }
  const named = titles.filter((title) => title !== '' && torqueUnitsIn(title).length === 0);
  const keys = columns.flatMap((each) => (each.part === 'key' ? [each.column] : []));
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
    rows: body.map((line) => rowOfCells(columns, line, together)),
  };
  return { table: withFoot(table, foot), asked };
};
