import type { RowData } from '@tanstack/react-table';
import Columns3 from 'lucide-react/icons/columns-3';
import { type ReactNode, useState } from 'react';
import { useTypedAhead } from '../form/use-typed-ahead.ts';
import { Tick } from '../Tick.tsx';
import type { Column, ListTableState } from './column.ts';

type Props<Row extends RowData> = {
  readonly table: ListTableState<Row>;
  readonly caption: string;
  readonly columns: readonly Column<Row>[];
  readonly hasFind: boolean;
  readonly children: ReactNode;
};

const Choice = <Row extends RowData>({
  table,
  column: { id, name },
}: {
  readonly table: ListTableState<Row>;
  readonly column: Column<Row>;
}) => {
  const column = table.getColumn(id);
  const ahead = useTypedAhead<HTMLSelectElement>('', ({ value }) => column?.setFilterValue(value));
  if (!column) return null;
  const choices = [...column.getFacetedUniqueValues().keys()].map(String).sort();
  const value = String(column.getFilterValue() ?? '');
  const shown = value === '' || choices.includes(value) ? choices : [...choices, value];
  return (
    <label className="flex items-center gap-2 text-s text-faint">
      {name}
      <select
        ref={ahead}
        className="field w-auto max-w-48"
        value={value}
        onChange={(event) => column.setFilterValue(event.target.value || undefined)}
      >
        <option value="">all</option>
        {shown.map((choice) => (
          <option key={choice}>{choice}</option>
        ))}
      </select>
    </label>
  );
};

/** What a list can be narrowed by, and which of its columns are shown. */
export const ListTools = <Row extends RowData>({
  table,
  caption,
  columns,
  hasFind,
  children,
}: Props<Row>) => {
  const hideable = columns.filter(({ isTitle }) => !isTitle);
  const [isOpen, setOpen] = useState(false);
  const ahead = useTypedAhead('', ({ value }) => table.setGlobalFilter(value));
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      {hasFind && (
        <input
          id="search"
          ref={ahead}
          type="search"
          className="field max-w-sm min-w-40 flex-1"
          placeholder="Find in this list"
          aria-label={`Find in ${caption}`}
          value={String(table.state.globalFilter ?? '')}
          onChange={(event) => table.setGlobalFilter(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.blur()}
        />
      )}
      <button
        type="button"
        className="act-quiet sm:hidden"
        aria-expanded={isOpen}
        onClick={() => setOpen(!isOpen)}
      >
        Narrow it
      </button>
      <div className={`flex flex-wrap items-center gap-x-4 gap-y-2 ${isOpen ? '' : 'max-sm:hidden'}`}>
        {columns.map((column) => column.isChoice && <Choice key={column.id} table={table} column={column} />)}
        {children}
        {hideable.length > 3 && (
          <details className="relative">
            <summary className="flex min-h-11 cursor-pointer list-none items-center gap-2 text-s text-layout">
              <Columns3 size={18} aria-hidden="true" /> columns
            </summary>
            <div className="panel absolute right-0 z-20 grid min-w-44 p-3">
              {hideable.map(({ id, name }) => (
                <Tick
                  key={id}
                  isOn={table.getColumn(id)?.getIsVisible() ?? true}
                  onChange={(isOn) => table.getColumn(id)?.toggleVisibility(isOn)}
                >
                  {name}
                </Tick>
              ))}
            </div>
          </details>
        )}
      </div>
    </div>
  );
};
