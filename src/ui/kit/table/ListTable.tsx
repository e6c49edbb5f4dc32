import type { RowData } from '@tanstack/react-table';
import { type ReactNode, useRef, useState } from 'react';
import type { Column } from './column.ts';
import { ListTools } from './ListTools.tsx';
import { ROLES } from './roles.ts';
import { TableHead } from './TableHead.tsx';
import { TableRow } from './TableRow.tsx';
import { useListTable } from './use-list-table.ts';
import { useRowKeys } from './use-row-keys.ts';
import { useShownRows } from './use-shown-rows.ts';

type Props<Row extends RowData> = {
  readonly caption: string;
  readonly columns: readonly Column<Row>[];
  readonly rows: readonly Row[];
  readonly rowId: (row: Row) => string;
  /** What "find in this list" looks in; without it there is no such field. */
  readonly searchIn?: (row: Row) => string;
  /** The rest of a row, shown in place under it when it is opened, and what its button says. */
  readonly more?: (row: Row) => ReactNode;
  readonly moreName?: string;
  readonly isMarked?: (row: Row) => boolean;
  /** More to narrow the list by, beside what its columns offer. */
  readonly tools?: ReactNode;
};

/** A list: its columns sort, filter and can be put away, by mouse, finger and keys; its rows open in place. On a phone each row is a card. However long it is,
 *  only what is in view is drawn. */
export const ListTable = <Row extends RowData>({
  caption,
  columns,
  rows,
  rowId,
  searchIn,
  more,
  moreName = 'why',
  isMarked,
  tools,
}: Props<Row>) => {
  const table = useListTable({ caption, columns, rows, rowId, searchIn });
  const [open, setOpen] = useState<string | null>(null);
  const frame = useRef<HTMLElement>(null);
  const found = table.getRowModel().rows;
  const { shown, before, after, measure, scrollTo, isLong } = useShownRows(found.length, frame);
  const keys = useRowKeys(found.length, frame, scrollTo);
  const visible = columns.filter(({ id }) => table.getColumn(id)?.getIsVisible());
  const span = visible.length + (more ? 1 : 0);
  return (
    <div>
      <ListTools table={table} caption={caption} columns={columns} hasFind={searchIn !== undefined}>
        {tools}
      </ListTools>
      <section
        ref={frame}
        className={`overflow-x-auto ${isLong ? 'max-h-[75dvh] overflow-y-auto' : ''}`}
        aria-label={caption}
        {...ROLES.scrolls}
        onKeyDown={keys.onKey}
      >
        <table
          className="rows w-full border-collapse text-m"
          {...ROLES.table}
          aria-rowcount={found.length + 1}
        >
          <caption className="sr-only">{caption}</caption>
          <TableHead table={table} columns={visible} hasMore={more !== undefined} />
          <tbody>
            {before > 0 && <tr {...ROLES.space} style={{ height: before }} />}
            {shown.map((index) => {
              const row = found[index];
              return (
                row && (
                  <TableRow
                    key={row.id}
                    row={row.original}
                    index={index}
                    columns={visible}
                    span={span}
                    isMarked={isMarked?.(row.original) ?? false}
                    isCurrent={index === keys.current}
                    more={more && { name: moreName, isOpen: open === row.id, show: more }}
                    onMore={() => setOpen(open === row.id ? null : row.id)}
                    measure={measure}
                  />
                )
              );
            })}
            {after > 0 && <tr {...ROLES.space} style={{ height: after }} />}
          </tbody>
        </table>
      </section>
      {found.length === 0 && rows.length > 0 && (
        <p className="flex flex-wrap items-center gap-3 py-4 text-faint">
          Nothing in this list matches.
          <button
            type="button"
            className="act-quiet"
            onClick={() => {
              table.resetColumnFilters(true);
              table.setGlobalFilter('');
            }}
          >
            Show all {rows.length}
          </button>
        </p>
      )}
    </div>
  );
};
