import Papa from 'papaparse';
import { guardedCell } from './guarded-cell.ts';

type Value = string | number | boolean | null | undefined;

const cell = (value: Value): Value => (typeof value === 'string' ? guardedCell(value) : value);

/** Rows of cells as CSV (RFC 4180) that no spreadsheet runs anything of. The one place where CSV is written. */
export const csvText = (rows: readonly (readonly Value[])[]): string =>
  `${Papa.unparse(
    rows.map((row) => row.map(cell)),
    { newline: '\r\n' },
  )}\r\n`;

/** The same of objects, a column for each of their keys, or for those that are named. */
export const csvOf = (rows: readonly object[], columns?: readonly string[]): string => {
  const named = columns ?? Object.keys(rows[0] ?? {});
  return csvText([
    named,
    ...rows.map((row) => named.map((name) => (row as Readonly<Record<string, Value>>)[name])),
  ]);
};
