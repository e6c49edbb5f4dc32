import type { RowData } from '@tanstack/react-table';
import type { ReactNode } from 'react';
import type { Column } from './column.ts';
import { ROLES } from './roles.ts';

type Props<Row extends RowData> = {
  readonly row: Row;
  readonly index: number;
  readonly columns: readonly Column<Row>[];
  /** How many columns the whole row has. */
  readonly span: number;
  readonly isMarked: boolean;
  /** Whether Tab comes to this row; arrows come to the others. */
  readonly isCurrent: boolean;
  readonly more:
    | { readonly name: string; readonly isOpen: boolean; readonly show: (row: Row) => ReactNode }
    | undefined;
  readonly onMore: () => void;
  readonly measure: ((row: HTMLElement | null) => void) | undefined;
};

/** One row of a list, or its card on a phone, and what it opens in place. */
export const TableRow = <Row extends RowData>(props: Props<Row>) => {
  const { row, index, columns, span, isMarked, isCurrent, more, onMore, measure } = props;
  return (
    <>
      <tr
        ref={measure}
        {...ROLES.row}
        data-index={index}
        aria-rowindex={index + 2}
        tabIndex={isCurrent ? 0 : -1}
        className={`border-b border-rule ${isMarked ? 'bg-ground' : ''}`}
      >
        {columns.map(({ id, name, cell, isTitle, className }) => (
          <td
            key={id}
            {...ROLES.cell}
            data-name={isTitle ? undefined : name}
            className={`h-11 px-2 py-1 align-middle ${isTitle ? 'row-title' : ''} ${className ?? ''}`}
          >
            <div className="min-w-0">{cell(row)}</div>
          </td>
        ))}
        {more && (
          <td {...ROLES.cell} className="text-right">
            <button
              type="button"
              className="min-h-11 px-2 text-layout underline underline-offset-3"
              aria-expanded={more.isOpen}
              onClick={onMore}
            >
              {more.name}
            </button>
          </td>
        )}
      </tr>
      {more?.isOpen && (
        <tr className="border-b border-rule">
          <td colSpan={span} className="p-3">
            {more.show(row)}
          </td>
        </tr>
      )}
    </>
  );
};
