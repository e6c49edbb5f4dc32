import type { Cell, KeyColumn, LookupTable } from '../lookup/lookup-table.ts';
import { keyColumn } from './label-columns.ts';

/** Longest footnote of a table, in characters. */
export const FOOTNOTE_MAX = 1000;

/** A table with a line of its label kept in the footnote, word for word; as it was where there is no more room. */
export const withNote = (table: LookupTable, text: string): LookupTable => {
  const footnote = [table.footnote, text].filter(Boolean).join('\n');
  return footnote.length > FOOTNOTE_MAX ? table : { ...table, footnote };
};

const EMPTY: Cell = { printed: '', readAs: null };

/** A table in which the sizes of a line that were taken for wires' are screws': they stand among the names. */
export const asScrews = (table: LookupTable, text: string): LookupTable => {
  const from = table.keys.findIndex(({ kind }) => kind === 'conductor');
  if (from < 0) return table;
  const at = table.keys.findIndex(({ kind }) => kind === 'category');
  const keys: readonly KeyColumn[] = at < 0 ? [keyColumn('category'), ...table.keys] : table.keys;
  const to = Math.max(at, 0);
  const shift = at < 0 ? 1 : 0;
  const rows = table.rows.map((row) => {
    const cells = at < 0 ? [EMPTY, ...row.keys] : [...row.keys];
    const size = cells[from + shift]?.printed ?? '';
    if (size === '' || !text.includes(size)) return { ...row, keys: cells };
    const name = [cells[to]?.printed ?? '', size, 'screw'].filter(Boolean).join(' ');
    return {
      ...row,
      keys: cells.map((cell, index) =>
        index === to ? { ...cell, printed: name } : index === from + shift ? EMPTY : cell,
      ),
    };
  });
  const isEmptied = rows.every((row) => row.keys[from + shift]?.printed === '');
  const kept = (index: number): boolean => !isEmptied || index !== from + shift;
  return {
    ...table,
    keys: keys.filter((_, index) => kept(index)),
    rows: rows.map((row) => ({ ...row, keys: row.keys.filter((_, index) => kept(index)) })),
  };
};
