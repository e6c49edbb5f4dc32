import type { RowData } from '@tanstack/react-table';
import { useTable } from '@tanstack/react-table';
import { useMemo } from 'react';
import { type Column, columnDefs, LIST_FEATURES, type ListTableState, WORDS } from './column.ts';
import { useKeptView } from './use-kept-view.ts';

type Options<Row extends RowData> = {
  /** What the list is called; its filters and columns are kept under this name. */
  readonly caption: string;
  readonly columns: readonly Column<Row>[];
  readonly rows: readonly Row[];
  readonly rowId: (row: Row) => string;
  readonly searchIn: ((row: Row) => string) | undefined;
};

/** A list that sorts, filters and shows the columns one chose; what was chosen is there again when one comes back. */
export const useListTable = <Row extends RowData>({
  caption,
  columns,
  rows,
  rowId,
  searchIn,
}: Options<Row>): ListTableState<Row> => {
  const defs = useMemo(() => columnDefs(columns, searchIn), [columns, searchIn]);
  const table = useTable({
    features: LIST_FEATURES,
    columns: defs,
    data: rows as Row[],
    getRowId: rowId,
    globalFilterFn: 'includesString',
    enableMultiSort: false,
    initialState: {
      columnVisibility: {
        [WORDS]: false,
        ...Object.fromEntries(
          columns.flatMap(({ id, isHiddenAtFirst }) => (isHiddenAtFirst ? [[id, false]] : [])),
        ),
      },
    },
  });
  useKeptView(caption, table);
  return table;
};
