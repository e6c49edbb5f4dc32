import { z } from 'zod';
import { typedText } from '../../bounds.ts';
import { type TorqueUnit, torqueUnitSchema, unitSymbol } from '../../quantity/unit.ts';
import { accepted, type Result, refused } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import type { ReadRequirement } from '../requirement/read-requirement.ts';
import { resolvedRequirement, type UnresolvedRefusal } from '../requirement/resolved-requirement.ts';
import { KEY_KINDS, type KeyRefusal, type KeySpan, spanIdentity } from './key-span.ts';
import { readKeySpan } from './read-key-span.ts';

export const TABLE_MAX_ROWS = 1_000;
export const TABLE_MAX_COLUMNS = 12;
const CELL_MAX_LENGTH = 200;

const cellSchema = z.strictObject({
  printed: z.string().max(CELL_MAX_LENGTH),
  readAs: z.string().max(CELL_MAX_LENGTH).nullable(),
});
/** A cell as printed, and as a person read it where the print was in doubt. */
export type Cell = Shape<typeof cellSchema>;

const keyColumnSchema = z.strictObject({
  name: typedText(120),
  kind: z.enum(KEY_KINDS),
  /** Unit that the heading prints for a number or a conductor, such as `mm` or `mm²`; empty where it prints none. */
  unit: z.string().max(12),
});
export type KeyColumn = Shape<typeof keyColumnSchema>;

const valueColumnSchema = z.strictObject({
  name: typedText(120),
  kind: z.enum(['torque', 'text']),
  unit: torqueUnitSchema.nullable(),
});
/** A column of values: torques, whose heading may print their unit once for all, or texts such as a strength or a grade. */
export type ValueColumn = Shape<typeof valueColumnSchema>;

const rowSchema = z.strictObject({
  keys: z.array(cellSchema).max(TABLE_MAX_COLUMNS),
  values: z.array(cellSchema).max(TABLE_MAX_COLUMNS),
  /** A footnote of this row; empty where it has none. */
  note: z.string().max(300),
});
export type TableRow = Shape<typeof rowSchema>;

export const lookupTableSchema = z
  .strictObject({
    name: typedText(120),
    /** The part or joint its values are for. */
    subject: typedText(160),
    keys: z.array(keyColumnSchema).max(TABLE_MAX_COLUMNS),
    values: z.array(valueColumnSchema).max(TABLE_MAX_COLUMNS),
    rows: z.array(rowSchema).max(TABLE_MAX_ROWS),
    footnote: z.string().max(1000),
    /** The material its values were made for; empty where the source does not say. */
    madeForMaterial: z.string().trim().max(80),
    /** Whether the source says that values between rows may be interpolated. */
    mayInterpolate: z.boolean(),
  })
  .meta({ id: 'LookupTable' });
/** A table of a source, cell by cell as printed. */
export type LookupTable = Shape<typeof lookupTableSchema>;

/** A value cell as read: a requirement, a text, or null where the source prints none. */
export type ReadValue =
  | { readonly kind: 'torque'; readonly read: ReadRequirement }
  | { readonly kind: 'text'; readonly text: string }
  | null;

export type ReadRow = {
  readonly source: TableRow;
  readonly keys: readonly Result<KeySpan, KeyRefusal>[];
  readonly values: readonly Result<ReadValue, UnresolvedRefusal>[];
};

/** A table with every cell read. */
export type ReadTable = { readonly table: LookupTable; readonly rows: readonly ReadRow[] };

export type CellPlace = { readonly row: number; readonly part: 'key' | 'value'; readonly column: number };
export type TableFinding = CellPlace & { readonly refusal: KeyRefusal | UnresolvedRefusal };
export type TableShapeRefusal =
  | { readonly code: 'table-without-values' }
  | { readonly code: 'table-without-rows' }
  | { readonly code: 'table-too-large'; readonly mostRows: number; readonly mostColumns: number }
  | { readonly code: 'table-row-ragged'; readonly row: number }
  | { readonly code: 'table-cells-unsettled'; readonly count: number }
  | { readonly code: 'table-rows-repeated'; readonly row: number; readonly firstRow: number };

/** What a person or the print says a cell is. */
export const cellText = ({ printed, readAs }: Cell): string => (readAs ?? printed).trim();

const isBlank = (text: string): boolean => /^[-−–—.\s]*$/.test(text) || /^n\/?a$/i.test(text);

const readValue = (
  cell: Cell,
  column: ValueColumn,
  siteUnit: TorqueUnit,
): Result<ReadValue, UnresolvedRefusal> => {
  const text = cellText(cell);
  if (isBlank(text)) return accepted(null);
  if (column.kind === 'text') return accepted({ kind: 'text', text });
  const alone = resolvedRequirement(text, siteUnit);
  const needsUnit = !alone.ok && alone.refusal.code === 'no-unit' && column.unit !== null;
  const read = needsUnit
    ? resolvedRequirement(`${text} ${unitSymbol(column.unit as TorqueUnit)}`, siteUnit)
    : alone;
  if (!read.ok) return read;
  return accepted({ kind: 'torque', read: { ...read.value, printed: cell.printed.trim() } });
};

/** Reads every cell of a table. A value without a unit takes its column's. */
export const readLookupTable = (table: LookupTable, siteUnit: TorqueUnit): ReadTable => ({
  table,
  rows: table.rows.map((source) => ({
    source,
    keys: table.keys.map(({ kind, unit }, column) =>
      readKeySpan(kind, cellText(source.keys[column] ?? { printed: '', readAs: null }), unit),
    ),
    values: table.values.map((column, index) =>
      readValue(source.values[index] ?? { printed: '', readAs: null }, column, siteUnit),
    ),
  })),
});

/** The cells that can't be read, in reading order; a table is kept only without any. */
export const tableFindings = ({ rows }: ReadTable): readonly TableFinding[] =>
  rows.flatMap(({ keys, values }, row) => [
    ...keys.flatMap((cell, column) =>
      cell.ok ? [] : [{ row, part: 'key' as const, column, refusal: cell.refusal }],
    ),
    ...values.flatMap((cell, column) =>
      cell.ok ? [] : [{ row, part: 'value' as const, column, refusal: cell.refusal }],
    ),
  ]);

const rowIdentity = ({ keys }: ReadRow): string =>
  keys.map((key) => (key.ok ? spanIdentity(key.value) : '?')).join('|');

/** Whether a table can be kept. Refuses: every code of TableShapeRefusal; rows count from 1. */
export const checkedTable = (read: ReadTable): Result<ReadTable, TableShapeRefusal> => {
  const { table, rows } = read;
  if (table.values.length === 0) return refused({ code: 'table-without-values' });
  if (rows.length === 0) return refused({ code: 'table-without-rows' });
  if (rows.length > TABLE_MAX_ROWS || table.keys.length + table.values.length > TABLE_MAX_COLUMNS)
    return refused({ code: 'table-too-large', mostRows: TABLE_MAX_ROWS, mostColumns: TABLE_MAX_COLUMNS });
  const ragged = table.rows.findIndex(
    ({ keys, values }) => keys.length !== table.keys.length || values.length !== table.values.length,
  );
  if (ragged >= 0) return refused({ code: 'table-row-ragged', row: ragged + 1 });
  const findings = tableFindings(read);
  if (findings.length > 0) return refused({ code: 'table-cells-unsettled', count: findings.length });
  const first = new Map<string, number>();
  for (const [index, row] of rows.entries()) {
    const firstRow = first.get(rowIdentity(row));
    if (firstRow !== undefined)
      return refused({ code: 'table-rows-repeated', row: index + 1, firstRow: firstRow + 1 });
    first.set(rowIdentity(row), index);
  }
  return accepted(read);
};
