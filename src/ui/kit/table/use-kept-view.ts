import type { RowData } from '@tanstack/react-table';
import { useEffect, useRef } from 'react';
import { z } from 'zod';
import type { ListTableState } from './column.ts';
import { WORDS } from './column.ts';

const keptSchema = z.object({
  sorting: z.array(z.object({ id: z.string(), desc: z.boolean() })),
  columnFilters: z.array(z.object({ id: z.string(), value: z.string() })),
  columnVisibility: z.record(z.string(), z.boolean()),
});

const readKept = (key: string): z.infer<typeof keptSchema> | null => {
  try {
    const kept = keptSchema.safeParse(JSON.parse(localStorage.getItem(key) ?? 'null'));
    return kept.success ? kept.data : null;
  } catch {
    // A browser that keeps nothing begins as the list is.
    return null;
  }
};

/** Keeps what a person chose of a list (order, filters, columns) in this browser, and puts it back when the list is opened again. */
export const useKeptView = <Row extends RowData>(caption: string, table: ListTableState<Row>): void => {
  const key = `jentik-list-${caption}`;
  const isRead = useRef(false);
  const { sorting, columnFilters, columnVisibility } = table.state;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was kept is read once, when the list opens
  useEffect(() => {
    const kept = readKept(key);
    isRead.current = true;
    if (!kept) return;
    const isHere = ({ id }: { readonly id: string }): boolean => table.getColumn(id) !== undefined;
    table.setSorting(kept.sorting.filter(isHere));
    // What was chosen before the page listened is newer than what was kept.
    table.setColumnFilters((now) => [
      ...now,
      ...kept.columnFilters.filter((each) => isHere(each) && now.every(({ id }) => id !== each.id)),
    ]);
    table.setColumnVisibility({ ...kept.columnVisibility, [WORDS]: false });
  }, [key]);
  useEffect(() => {
    if (!isRead.current) return;
    try {
      localStorage.setItem(key, JSON.stringify({ sorting, columnFilters, columnVisibility }));
    } catch {
      // It holds for this page.
    }
  }, [key, sorting, columnFilters, columnVisibility]);
};
