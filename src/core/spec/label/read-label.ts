import { type TorqueUnit, unitSymbol } from '../../quantity/unit.ts';
import { torqueUnitsIn } from '../../quantity/unit-spelling.ts';
import { accepted, type Result, refused } from '../../result.ts';
import type { Cell, KeyColumn, LookupTable, TableRow, ValueColumn } from '../lookup/lookup-table.ts';
import { keyColumn, type LabelColumn, labelColumn } from './label-columns.ts';
import {
  type LabelStatement,
  labelStatement,
  STATEMENT_KEYS,
  type StatementKey,
  statementsOf,
} from './label-statement.ts';
import {
  LABEL_MAX_LENGTH,
  LABEL_MAX_LINES,
  type LabelLine,
  type LabelSeparator,
  splitLabel,
} from './split-label.ts';

/** The table that a label's text proposes. Nothing is kept before a person has looked at it. */
export type ProposedTable = {
  readonly separator: LabelSeparator;
  readonly table: LookupTable;
  /** Lines that hold no torque and were taken for nothing, as pasted. */
  readonly unread: readonly { readonly line: number; readonly text: string }[];
};

export type LabelRefusal =
  | { readonly code: 'label-empty' }
  | { readonly code: 'label-too-long'; readonly longest: number; readonly mostLines: number }
  | { readonly code: 'label-without-torque' };

type Context = {
  readonly isOfConductors: boolean;
  readonly unit: TorqueUnit | null;
  readonly unread: { readonly line: number; readonly text: string }[];
};

/** A statement with the heading it stands under. */
type Placed = { readonly group: string; readonly statement: LabelStatement };

const printed = (text: string): Cell => ({ printed: text, readAs: null });
const assumed = (readAs: string): Cell => ({ printed: '', readAs });

const isAboutConductors = (text: string): boolean =>
  /\b(?:awg|wire|conductor|kcmil|mcm|terminal)/i.test(text);

const isHeading = (text: string): boolean =>
  !/\d/.test(text) || (torqueUnitsIn(text).length > 0 && !/\d\s*[a-z#]/i.test(text));

const KEY_COLUMNS: Record<StatementKey, KeyColumn> = {
  name: keyColumn('category'),
  conductor: keyColumn('conductor'),
  inchSize: keyColumn('inch-size'),
  thread: keyColumn('thread'),
  number: keyColumn('number', '', 'mm'),
  count: keyColumn('number', 'Conductors in it'),
  metal: keyColumn('metal'),
};

const EMPTY_TABLE: LookupTable = {
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

const tableOfStatements = (placed: readonly Placed[], unit: TorqueUnit | null): LookupTable => {
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

const titleOf = (text: string): string =>
  text
    .replace(/\b(?:tightening\s+)?torque\b/gi, ' ')
    .replace(/[()[\]:]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

const statementsIn = (lines: readonly LabelLine[], context: Context): readonly Placed[] => {
  let group = '';
  return lines.flatMap(({ line, text }) => {
    if (isHeading(text)) {
      if (torqueUnitsIn(text).length === 0 && !/^(?:torque|tightening torque|tighten)$/i.test(text))
        group = titleOf(text);
      return [];
    }
    const statements = statementsOf(text).flatMap(
      (each) => labelStatement(each, context.isOfConductors) ?? [],
    );
    if (statements.length === 0) context.unread.push({ line, text });
    return statements.map((statement) => ({ group, statement }));
  });
};

type Columns = { readonly head: readonly string[]; readonly columns: readonly LabelColumn[] };

const columnsOf = (head: readonly string[], body: readonly LabelLine[], width: number): Columns => {
  const columns = Array.from({ length: width }, (_, index) =>
    labelColumn(
      head[index] ?? '',
      body.map(({ cells }) => cells[index] ?? ''),
      index === width - 1,
    ),
  );
  return { head, columns };
};

/** Two value columns that print one torque in two units are one value stated twice. */
const isOneTorqueTwice = (values: readonly ValueColumn[]): boolean =>
  values.length === 2 &&
  values[0]?.unit != null &&
  values[1]?.unit != null &&
  values[0].unit !== values[1].unit &&
  (values[0].name === values[1].name || values.some(({ name }) => name === 'Torque'));

const stated = (text: string, unit: TorqueUnit | null): string => {
  const bare = text.trim();
  return unit === null || bare === '' || torqueUnitsIn(bare).length > 0
    ? bare
    : `${bare} ${unitSymbol(unit)}`;
};

const rowOfCells = ({ columns }: Columns, { cells }: LabelLine, isTwice: boolean): TableRow => {
  const at = (part: LabelColumn['part']): readonly (readonly [LabelColumn, string])[] =>
    columns.flatMap((column, index) => (column.part === part ? [[column, cells[index] ?? ''] as const] : []));
  const values = at('value');
  const texts = values.map(([column, text]) =>
    isTwice ? stated(text, column.part === 'value' ? column.column.unit : null) : text,
  );
  const [first = '', second = ''] = texts;
  return {
    keys: at('key').map(([, text]) => printed(text)),
    values: isTwice ? [printed(second === '' ? first : `${first} (${second})`)] : texts.map(printed),
    note: '',
  };
};

const withCount = (table: LookupTable, statements: readonly LabelStatement[]): LookupTable => {
  if (statements.length === 0) return table;
  const isCounted = statements.some(({ count }) => count !== '');
  const keys = isCounted ? [...table.keys, KEY_COLUMNS.count] : table.keys;
  const bySource: Partial<Record<KeyColumn['kind'], StatementKey>> = {
    conductor: 'conductor',
    'inch-size': 'inchSize',
    thread: 'thread',
    metal: 'metal',
    category: 'name',
  };
  return {
    ...table,
    keys,
    rows: [
      ...table.rows.map((row) => (isCounted ? { ...row, keys: [...row.keys, assumed('1')] } : row)),
      ...statements.map((statement) => ({
        keys: keys.map((key) =>
          key === KEY_COLUMNS.count
            ? keyCell(statement, 'count')
            : printed(statement[bySource[key.kind] ?? 'number']),
        ),
        values: table.values.map((_, index) => printed(index === 0 ? statement.value : '')),
        note: '',
      })),
    ],
  };
};

const isFullLine = ({ cells }: LabelLine, width: number): boolean =>
  cells.length === width && cells.some((cell) => /\d/.test(cell));

const tableOfColumns = (lines: readonly LabelLine[], width: number, context: Context): LookupTable => {
  const headIndex = lines.findIndex(
    ({ cells }) =>
      cells.length === width && !cells.some((cell) => /^\D{0,2}\d/.test(cell) || /\d\s*$/.test(cell)),
  );
  const head = lines[headIndex]?.cells ?? [];
  const rest = lines.filter((_, index) => index !== headIndex);
  const body = rest.filter((line) => isFullLine(line, width));
  const columns = columnsOf(head, body, width);
  const values = columns.columns.flatMap((each) => (each.part === 'value' ? [each.column] : []));
  const isTwice = isOneTorqueTwice(values);
  const titles: string[] = [];
  const foot: LabelStatement[] = [];
  for (const { line, text } of rest.filter((each) => !isFullLine(each, width))) {
    const statement = isHeading(text) ? null : labelStatement(text, context.isOfConductors);
    if (statement) foot.push(statement);
    else if (isHeading(text)) titles.push(titleOf(text));
    else context.unread.push({ line, text });
  }
  const table: LookupTable = {
    ...EMPTY_TABLE,
    name: titles.find((title) => title !== '' && torqueUnitsIn(title).length === 0) ?? '',
    keys: columns.columns.flatMap((each) => (each.part === 'key' ? [each.column] : [])),
    values: isTwice
      ? [{ name: 'Torque', kind: 'torque', unit: null }]
      : values.map((value) => ({ ...value, unit: value.unit ?? context.unit })),
    rows: body.map((line) => rowOfCells(columns, line, isTwice)),
  };
  return withCount(table, foot);
};

/** The unit that headings print once for all; null where they print none, or two. */
const headingUnit = (lines: readonly LabelLine[]): TorqueUnit | null => {
  const units = new Set(
    lines.filter(({ text }) => isHeading(text)).flatMap(({ text }) => torqueUnitsIn(text)),
  );
  return units.size === 1 ? ([...units][0] as TorqueUnit) : null;
};

/** Reads the pasted text of a label or a table into a table that a person settles: `18-12 AWG CU 16 lb-in`, `#8-6 31 lb-in`, columns by
 *  tabs, bars or spaces, units in the heading or in the cells, footnotes such as `2 x #14 CU 18`. A value without a unit of its own takes
 *  only a heading's; otherwise it stays in doubt. Refuses: label-empty, label-too-long, label-without-torque. */
export const readLabel = (text: string): Result<ProposedTable, LabelRefusal> => {
  if (text.trim() === '') return refused({ code: 'label-empty' });
  const { separator, width, lines } = splitLabel(text);
  if (text.length > LABEL_MAX_LENGTH || lines.length > LABEL_MAX_LINES)
    return refused({ code: 'label-too-long', longest: LABEL_MAX_LENGTH, mostLines: LABEL_MAX_LINES });
  const context: Context = { isOfConductors: isAboutConductors(text), unit: headingUnit(lines), unread: [] };
  const inColumns = width > 1 ? tableOfColumns(lines, width, context) : null;
  const isTable =
    inColumns !== null &&
    inColumns.keys.length > 0 &&
    inColumns.values.length > 0 &&
    inColumns.rows.length > 0;
  if (!isTable) context.unread.length = 0;
  const table = isTable ? inColumns : tableOfStatements(statementsIn(lines, context), context.unit);
  if (table.rows.length === 0) return refused({ code: 'label-without-torque' });
  return accepted({ separator: isTable ? separator : 'none', table, unread: context.unread });
};
