import type { RowData } from '@tanstack/react-table';
import {
  type ColumnDef,
  columnFacetingFeature,
  columnFilteringFeature,
  columnVisibilityFeature,
  createFacetedRowModel,
  createFacetedUniqueValues,
  createFilteredRowModel,
  createSortedRowModel,
  filterFn_equalsString,
  filterFn_includesString,
  globalFilteringFeature,
  type ReactTable,
  rowSortingFeature,
  tableFeatures,
} from '@tanstack/react-table';
import type { ReactNode } from 'react';

/** A column of a list. */
export type Column<Row extends RowData> = {
  readonly id: string;
  readonly name: string;
  readonly cell: (row: Row) => ReactNode;
  /** What the column sorts by and is filtered by; without it, neither. */
  readonly value?: (row: Row) => string | number;
  /** Whether the list can be narrowed to one of the column's values. */
  readonly isChoice?: boolean;
  /** Whether the column is the row's name: it heads the card on a phone and can't be put away. */
  readonly isTitle?: boolean;
  /** Whether it is put away until somebody asks for it. */
  readonly isHiddenAtFirst?: boolean;
  readonly className?: string;
};

/** What the tables of the kit can do. */
export const LIST_FEATURES = tableFeatures({
  columnFacetingFeature,
  columnFilteringFeature,
  columnVisibilityFeature,
  globalFilteringFeature,
  rowSortingFeature,
  facetedRowModel: createFacetedRowModel(),
  facetedUniqueValues: createFacetedUniqueValues(),
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
  filterFns: { equalsString: filterFn_equalsString, includesString: filterFn_includesString },
});
type ListFeatures = typeof LIST_FEATURES;
/** A list as its parts work it. */
export type ListTableState<Row extends RowData> = ReactTable<ListFeatures, Row>;

/** The id of the column that nobody sees: what "find in this list" looks in. */
export const WORDS = 'words-of-the-row';

const inOrder = (a: string | number, b: string | number): number =>
  typeof a === 'number' && typeof b === 'number'
    ? a - b
    : String(a).localeCompare(String(b), 'en', { numeric: true });

/** The columns of a list as the table library takes them, with the one that is looked in. */
export const columnDefs = <Row extends RowData>(
  columns: readonly Column<Row>[],
  wordsOf: ((row: Row) => string) | undefined,
): ColumnDef<ListFeatures, Row, unknown>[] => [
  ...columns.map(
    ({ id, value, isChoice, isTitle }): ColumnDef<ListFeatures, Row, unknown> => ({
      id,
      accessorFn: value ?? (() => ''),
      enableSorting: value !== undefined,
      sortDescFirst: false,
      sortFn: (a, b) => inOrder(a.getValue<string | number>(id), b.getValue<string | number>(id)),
      enableColumnFilter: isChoice === true,
      filterFn: 'equalsString',
      enableGlobalFilter: false,
      enableHiding: !isTitle,
    }),
  ),
  {
    id: WORDS,
    accessorFn: (row) => wordsOf?.(row) ?? '',
    enableSorting: false,
    enableColumnFilter: false,
    enableHiding: true,
  },
];
