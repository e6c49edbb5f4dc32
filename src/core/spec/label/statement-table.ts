import type { TorqueUnit } from '../../quantity/unit.ts';
import type { Cell, KeyColumn, LookupTable } from '../lookup/lookup-table.ts';
import { keyColumn } from './label-columns.ts';
import { STATEMENT_KEYS, type StatementKey } from './label-key.ts';
import type { Placed } from './label-reading.ts';
import type { LabelStatement } from './label-statement.ts';

/** A cell as the label prints it. */
export const printed = (text: string): Cell => ({ printed: text, readAs: null });
/** A cell that the label leaves empty, with what it is taken to say. */
export const assumed = (readAs: string): Cell => ({ printed: '', readAs });

/** The column of each part of a statement. */
export const KEY_COLUMNS: Record<StatementKey, KeyColumn> = {
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
export const keyCell = (statement: LabelStatement, key: StatementKey): Cell =>
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
