import { type Source, sourceName } from '#core/spec/book/source.ts';
import type { KeptTable } from '#wire/book.ts';
import { SpecsTabs } from './SpecsTabs.tsx';

type Props = {
  readonly tables: readonly KeptTable[];
  readonly sources: readonly Source[];
  readonly undecided: number;
};

/** The lookup tables, each by what it is looked up with. */
export const TablesScreen = ({ tables, sources, undecided }: Props) => (
  <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
    <div className="flex flex-wrap items-center justify-between gap-3">
      <h1 className="text-xl font-bold">Specs</h1>
      <a href="/specs/label" className="act">
        Read a label or a table
      </a>
    </div>
    <SpecsTabs tab="tables" undecided={undecided} />
    <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
      {tables
        .filter(({ isWithdrawn }) => !isWithdrawn)
        .map(({ id, body, place, sourceId }) => {
          const source = sources.find((each) => each.id === sourceId);
          return (
            <li key={id} className="panel">
              <a
                href={`/specs/tables/${id}`}
                className="grid h-full content-start gap-1 p-4 text-ink no-underline"
              >
                <strong className="text-l text-layout underline underline-offset-3">{body.name}</strong>
                <span>
                  {body.rows.length} rows by {body.keys.map(({ name }) => name.toLowerCase()).join(', ')}
                </span>
                <span className="text-s text-faint">
                  {source && sourceName(source)}, {place}
                  {source && source.status !== 'current' && (
                    <strong className="text-high"> {source.status}</strong>
                  )}
                </span>
              </a>
            </li>
          );
        })}
    </ul>
    {tables.length === 0 && (
      <p>No table yet. Paste the text of a label or a manual’s table, and settle what is in doubt.</p>
    )}
  </div>
);
