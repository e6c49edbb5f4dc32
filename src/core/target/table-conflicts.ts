import { type KeySpan, spanCovers } from '../spec/lookup/key-span.ts';
import type { ReadRow, ReadTable } from '../spec/lookup/lookup-table.ts';
import { plainName, readKeyAnswer } from '../spec/lookup/read-key-span.ts';

import { sourcesDiffer } from '../spec/requirement/agreement.ts';
import type { Requirement } from '../spec/requirement/requirement.ts';

/** A value of a table: its row and its column of values, counted from 0. */
export type TablePlace = { readonly row: number; readonly column: number };

const spanAt = (row: ReadRow, column: number): KeySpan => {
  const cell = row.keys[column];
  return cell?.ok ? cell.value : { kind: 'any' };
};

/** Whether two key cells cover a size or a name in common; bands that only touch at an end do. */
export const spansMeet = (a: KeySpan, b: KeySpan): boolean => {
  if (a.kind === 'any' || b.kind === 'any') return true;
  if (a.kind === 'names' && b.kind === 'names') return a.names.some((name) => b.names.includes(name));
  return a.kind === 'band' && b.kind === 'band' && a.low <= b.high && b.low <= a.high;
};

/** For each key column of a table the column of the other that asks the same; null where their keys are not alike. */
const columnsAlike = (a: ReadTable, b: ReadTable): readonly number[] | null => {
  const kinds = (table: ReadTable): string =>
    table.table.keys
      .map(({ kind }) => kind)
      .sort()
      .join();
  if (kinds(a) !== kinds(b)) return null;
  const taken = new Set<number>();
  return a.table.keys.map(({ kind, name }) => {
    const free = b.table.keys.flatMap((key, index) =>
      key.kind === kind && !taken.has(index) ? [index] : [],
    );
    const at =
      free.find((index) => plainName(b.table.keys[index]?.name ?? '') === plainName(name)) ?? free[0];
    taken.add(at as number);
    return at as number;
  });
};

const requirementAt = (row: ReadRow, column: number): Requirement | null => {
  const cell = row.values[column];
  return cell?.ok && cell.value?.kind === 'torque' ? cell.value.read.requirement : null;
};

/** Columns of two tables that hold values of the same name; their only ones, whatever their names. */
const valueColumns = (a: ReadTable, b: ReadTable): readonly (readonly [number, number])[] => {
  const [first, other] = [a.table.values, b.table.values];
  if (first.length === 1 && other.length === 1) return [[0, 0]];
  return first.flatMap(({ name }, index) => {
    const at = other.findIndex((column) => plainName(column.name) === plainName(name));
    return at < 0 ? [] : [[index, at] as const];
  });
};

/** Every pair of values of two tables that hold for a key in common and differ by more than rounding. Nothing where the tables' keys are not
 *  of the same kinds: it can't be said that they are for the same thing. */
export const tablesDiffer = (
  a: ReadTable,
  b: ReadTable,
): readonly { readonly first: TablePlace; readonly other: TablePlace }[] => {
  const alike = columnsAlike(a, b);
  if (!alike || a.table.keys.length === 0) return [];
  const columns = valueColumns(a, b);
  return a.rows.flatMap((rowA, indexA) =>
    b.rows.flatMap((rowB, indexB) => {
      if (!alike.every((other, column) => spansMeet(spanAt(rowA, column), spanAt(rowB, other)))) return [];
      return columns.flatMap(([columnA, columnB]) => {
        const [first, other] = [requirementAt(rowA, columnA), requirementAt(rowB, columnB)];
        return first && other && sourcesDiffer(first, other)
          ? [{ first: { row: indexA, column: columnA }, other: { row: indexB, column: columnB } }]
          : [];
      });
    }),
  );
};

/** The values of a table that hold for a size and differ from a requirement by more than rounding. Nothing where the table asks for more than
 *  that one size. */
export const tableDiffersFrom = (
  { table, rows }: ReadTable,
  size: string,
  requirement: Requirement,
): readonly TablePlace[] => {
  const [key] = table.keys;
  if (!key || table.keys.length !== 1 || table.values.length !== 1) return [];
  const answer = readKeyAnswer(key.kind, size, key.unit);
  if (!answer.ok) return [];
  return rows.flatMap((row, index) => {
    const value = spanCovers(spanAt(row, 0), answer.value) ? requirementAt(row, 0) : null;
    return value && sourcesDiffer(requirement, value) ? [{ row: index, column: 0 }] : [];
  });
};
