import ArrowDown from 'lucide-react/icons/arrow-down';
import ArrowUp from 'lucide-react/icons/arrow-up';
import { Fragment, type ReactNode, useMemo, useState } from 'react';

export type Column<Row> = {
  readonly id: string;
  readonly name: string;
  readonly cell: (row: Row) => ReactNode;
  /** What the column sorts by; without it the column does not sort. */
  readonly sortBy?: (row: Row) => string | number;
  readonly className?: string;
};

type Props<Row> = {
  readonly caption: string;
  readonly columns: readonly Column<Row>[];
  readonly rows: readonly Row[];
  readonly rowId: (row: Row) => string;
  /** What a row's text filter looks in; without it there is no filter. */
  readonly searchIn?: (row: Row) => string;
  /** The rest of a row, shown in place under it when it is opened. */
  readonly more?: (row: Row) => ReactNode;
  readonly isMarked?: (row: Row) => boolean;
};

/** A list whose columns sort and filter, by mouse and keyboard, and whose rows open in place. */
export const SortableTable = <Row,>({
  caption,
  columns,
  rows,
  rowId,
  searchIn,
  more,
  isMarked,
}: Props<Row>) => {
  const [sort, setSort] = useState<{ readonly id: string; readonly isDown: boolean } | null>(null);
  const [search, setSearch] = useState('');
  const [open, setOpen] = useState<string | null>(null);
  const shown = useMemo(() => {
    const wanted = search.trim().toLowerCase();
    const found =
      wanted && searchIn ? rows.filter((row) => searchIn(row).toLowerCase().includes(wanted)) : rows;
    const by = columns.find(({ id }) => id === sort?.id)?.sortBy;
    if (!by || !sort) return found;
    const way = sort.isDown ? -1 : 1;
    return [...found].sort((a, b) => {
      const [x, y] = [by(a), by(b)];
      return (
        way *
        (typeof x === 'number' && typeof y === 'number'
          ? x - y
          : String(x).localeCompare(String(y), 'en', { numeric: true }))
      );
    });
  }, [columns, rows, search, searchIn, sort]);
  return (
    <div>
      {searchIn && (
        <input
          id="search"
          type="search"
          className="field mb-3 max-w-sm"
          placeholder="Find in this list"
          aria-label={`Find in ${caption}`}
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.blur()}
        />
      )}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls sideways must be reachable to be scrolled by keys */}
      <section className="overflow-x-auto" aria-label={caption} tabIndex={0}>
        <table className="w-full border-collapse text-m">
          <caption className="sr-only">{caption}</caption>
          <thead>
            <tr>
              {columns.map(({ id, name, sortBy, className }) => {
                const isSorted = sort?.id === id;
                return (
                  <th
                    key={id}
                    scope="col"
                    className={`border-b-2 border-rule px-2 py-0 text-left text-s font-normal text-faint ${className ?? ''}`}
                    aria-sort={isSorted ? (sort.isDown ? 'descending' : 'ascending') : undefined}
                  >
                    {sortBy ? (
                      <button
                        type="button"
                        className="inline-flex min-h-11 items-center gap-1"
                        onClick={() => setSort({ id, isDown: isSorted && !sort.isDown })}
                      >
                        {name}
                        {isSorted &&
                          (sort.isDown ? (
                            <ArrowDown size={14} aria-hidden="true" />
                          ) : (
                            <ArrowUp size={14} aria-hidden="true" />
                          ))}
                      </button>
                    ) : (
                      name
                    )}
                  </th>
                );
              })}
              {more && <th className="border-b-2 border-rule" aria-label="More" />}
            </tr>
          </thead>
          <tbody>
            {shown.map((row) => {
              const id = rowId(row);
              const isOpen = open === id;
              return (
                <Fragment key={id}>
                  <tr className={`border-b border-rule ${isMarked?.(row) ? 'bg-ground' : ''}`}>
                    {columns.map((column) => (
                      <td key={column.id} className={`h-11 px-2 py-1 align-middle ${column.className ?? ''}`}>
                        {column.cell(row)}
                      </td>
                    ))}
                    {more && (
                      <td className="text-right">
                        <button
                          type="button"
                          className="min-h-11 px-2 text-layout underline underline-offset-3"
                          aria-expanded={isOpen}
                          onClick={() => setOpen(isOpen ? null : id)}
                        >
                          why
                        </button>
                      </td>
                    )}
                  </tr>
                  {isOpen && more && (
                    <tr className="border-b border-rule">
                      <td colSpan={columns.length + 1} className="p-3">
                        {more(row)}
                      </td>
                    </tr>
                  )}
                </Fragment>
              );
            })}
          </tbody>
        </table>
      </section>
      {shown.length === 0 && rows.length > 0 && (
        <p className="py-4 text-faint">Nothing in this list has “{search}”.</p>
      )}
    </div>
  );
};
