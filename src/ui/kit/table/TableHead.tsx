import type { RowData } from '@tanstack/react-table';
import ArrowDown from 'lucide-react/icons/arrow-down';
import ArrowUp from 'lucide-react/icons/arrow-up';
import type { Column, ListTableState } from './column.ts';
import { ROLES } from './roles.ts';

type Props<Row extends RowData> = {
  readonly table: ListTableState<Row>;
  readonly columns: readonly Column<Row>[];
  readonly hasMore: boolean;
};

const SORTED = { asc: 'ascending', desc: 'descending' } as const;

/** The head of a list: a button for each column that sorts. */
export const TableHead = <Row extends RowData>({ table, columns, hasMore }: Props<Row>) => (
  <thead>
    <tr {...ROLES.row}>
      {columns.map(({ id, name, className }) => {
        const column = table.getColumn(id);
        const sorted = column?.getIsSorted() || null;
        const Arrow = sorted === 'desc' ? ArrowDown : ArrowUp;
        return (
          <th
            key={id}
            scope="col"
            className={`sticky top-0 z-10 border-b-2 border-rule bg-sheet px-2 py-0 text-left text-s font-normal text-faint ${className ?? ''}`}
            aria-sort={sorted ? SORTED[sorted] : undefined}
          >
            {column?.getCanSort() ? (
              <button
                type="button"
                className="inline-flex min-h-11 items-center gap-1"
                onClick={() => column.toggleSorting(sorted === 'asc')}
              >
                {name}
                {sorted && <Arrow size={14} aria-hidden="true" />}
              </button>
            ) : (
              name
            )}
          </th>
        );
      })}
      {hasMore && <th className="sticky top-0 z-10 border-b-2 border-rule bg-sheet" aria-label="More" />}
    </tr>
  </thead>
);
