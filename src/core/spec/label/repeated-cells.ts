import type { TableRow } from '../lookup/lookup-table.ts';
import type { LabelLine } from './split-label.ts';
import { assumed } from './statement-table.ts';

/** Rows with what the first column printed last, where it prints nothing: a table says once what holds for the rows below. Common practice; the
 *  preview shows it as read, not as printed. After a line that fits no columns nobody knows what holds. */
export const withFirstRepeated = (
  rows: readonly TableRow[],
  body: readonly LabelLine[],
  between: readonly LabelLine[],
): readonly TableRow[] => {
  let above = '';
  let last = 0;
  return rows.map((row, index) => {
    const { line } = body[index] as LabelLine;
    if (between.some((other) => other.line > last && other.line < line)) above = '';
    last = line;
    const [first, ...others] = row.keys;
    if (!first || others.length === 0) return row;
    if (first.printed.trim() !== '') above = first.printed;
    return first.printed.trim() === '' && above !== '' ? { ...row, keys: [assumed(above), ...others] } : row;
  });
};

/** Whether a row has nothing in its first column though there are others, and nothing above it says what holds. */
export const isNameless = (row: TableRow | undefined): boolean =>
  row !== undefined &&
  row.keys.length > 1 &&
  row.keys[0]?.printed.trim() === '' &&
  row.keys[0].readAs === null;
