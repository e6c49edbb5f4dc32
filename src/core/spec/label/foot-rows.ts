import type { KeyColumn, LookupTable } from '../lookup/lookup-table.ts';
import { STATEMENT_KEYS, type StatementKey } from './label-key.ts';
import type { LabelStatement } from './label-statement.ts';
import type { LabelLine } from './split-label.ts';
import { assumed, KEY_COLUMNS, keyCell, printed } from './statement-table.ts';

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

/** Whether a part of a statement has two columns that it may stand in. */
export const fitsTwice = (statement: LabelStatement, keys: readonly KeyColumn[]): boolean =>
  NAMES_OF_KEYS.some(
    (key) => statement[key] !== '' && keys.filter(({ kind }) => BY_KIND[kind] === key).length > 1,
  );

/** A statement outside the columns, with its line. */
export type Foot = { readonly line: LabelLine; readonly statement: LabelStatement };

/** Adds the statements of footnotes as rows; what of one has no column stands in its row's note. */
export const withFoot = (table: LookupTable, foot: readonly Foot[]): LookupTable => {
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
