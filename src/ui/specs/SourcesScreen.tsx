import { useState } from 'react';
import { type Source, sourceName } from '#core/spec/book/source.ts';
import { dayWords } from '#wire/site-time.ts';
import { SOURCE_KIND_WORDS, SOURCE_STATUS_WORDS } from '#wire/words/book.ts';
import type { Column } from '../kit/table/column.ts';
import { ListTable } from '../kit/table/ListTable.tsx';
import { SourceForm } from './SourceForm.tsx';
import { SpecsTabs } from './SpecsTabs.tsx';

type Props = { readonly sources: readonly Source[]; readonly undecided: number };

const COLUMNS: readonly Column<Source>[] = [
  {
    id: 'name',
    name: 'Document',
    cell: (source) => (
      <a
        href={`/specs/sources/${source.id}`}
        className={`inline-flex min-h-11 items-center ${source.status === 'current' ? '' : 'line-through'}`}
      >
        {sourceName(source)}
      </a>
    ),
    value: (source) => sourceName(source),
    isTitle: true,
  },
  {
    id: 'kind',
    name: 'Kind',
    cell: ({ kind }) => SOURCE_KIND_WORDS[kind],
    value: ({ kind }) => SOURCE_KIND_WORDS[kind],
    isChoice: true,
  },
  {
    id: 'dated',
    name: 'Dated',
    cell: ({ datedOn }) => (datedOn ? dayWords(datedOn) : '–'),
    value: ({ datedOn }) => datedOn,
  },
  { id: 'place', name: 'Where', cell: ({ place }) => place, value: ({ place }) => place },
  {
    id: 'status',
    name: 'Status',
    cell: ({ status }) => (
      <span className={status === 'current' ? 'text-in' : 'font-bold text-high'}>
        {SOURCE_STATUS_WORDS[status]}
      </span>
    ),
    value: ({ status }) => SOURCE_STATUS_WORDS[status],
    isChoice: true,
  },
];

/** Every document of the book, with its status. */
export const SourcesScreen = ({ sources: first, undecided }: Props) => {
  const [sources, setSources] = useState(first);
  const [isAdding, setAdding] = useState(first.length === 0);
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-xl font-bold">Specs</h1>
        <div className="flex flex-wrap gap-2">
          <a href="/specs/import?list=sources" className="act-quiet">
            Import a list
          </a>
          <a href="/api/v1/sources.csv" className="act-quiet" download>
            CSV
          </a>
          {!isAdding && (
            <button type="button" className="act" onClick={() => setAdding(true)}>
              Add a source
            </button>
          )}
        </div>
      </div>
      <SpecsTabs tab="sources" undecided={undecided} />
      {isAdding && (
        <section className="panel p-4" aria-label="Add a source">
          <SourceForm
            source={null}
            onKept={(source) => {
              setSources([...sources, source]);
              setAdding(false);
            }}
          />
        </section>
      )}
      <section className="panel min-w-0 p-4">
        <ListTable
          caption="Sources"
          columns={COLUMNS}
          rows={sources}
          rowId={({ id }) => id}
          searchIn={(source) => `${sourceName(source)} ${source.kind} ${source.place} ${source.status}`}
        />
      </section>
    </div>
  );
};
