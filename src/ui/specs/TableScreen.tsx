import { unitSymbol } from '#core/quantity/unit.ts';
import type { FromBook } from '#core/spec/book/from-book.ts';
import { type Source, sourceName } from '#core/spec/book/source.ts';
import { cellText } from '#core/spec/lookup/lookup-table.ts';
import type { DependentJob, KeptTable } from '#wire/book.ts';
import type { Site } from '#wire/site.ts';
import { fromTheBook, tightenThis } from '../layout/tighten-this.ts';
import { LookUpPanel } from './LookUpPanel.tsx';

type Props = {
  readonly kept: KeptTable;
  readonly source: Source;
  readonly jobs: readonly DependentJob[];
  readonly site: Site;
  readonly firstRow: number | null;
};

/** What is no longer than this stays in one line: half of "1250–2000 kcmil" may name another size. */
const UNBROKEN_LENGTH = 16;

/** What a row is for: the table's subject, and the row as it is named at the end of its place. */
const aboutRow = (subject: string, { book }: FromBook): string =>
  `${subject}, ${book.source.place.split(': ').at(-1) ?? ''}`;

/** A table: look it up on the left, the whole of it as printed on the right. */
export const TableScreen = ({ kept, source, jobs, site, firstRow }: Props) => {
  const { body, place } = kept;
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <div>
          <p className="text-s text-faint">
            <a href="/specs/tables">Tables</a>
          </p>
          <h1 className="text-xl font-bold">{body.name}</h1>
          <p>
            {body.subject}. <a href={`/specs/sources/${source.id}`}>{sourceName(source)}</a>, {place},
            revision {kept.revision} here.
            {source.status !== 'current' && (
              <strong className="text-high"> The source is {source.status}.</strong>
            )}
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          {(kept.isWithdrawn || jobs.some(({ revision }) => revision < kept.revision)) && (
            <a className="act" href={`/specs/recalls/table/${kept.id}`}>
              What was pulled to the old values?
            </a>
          )}
          <a className="act-quiet" href={`/api/v1/tables/${kept.id}.csv`} download>
            CSV
          </a>
          <a className="act-quiet" href={`/specs/label?table=${kept.id}`}>
            Change it
          </a>
        </div>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-[minmax(0,6fr)_minmax(0,5fr)]">
        <section className="panel p-4" aria-label="Look it up">
          <h2 className="mb-2 text-l font-bold">Look it up</h2>
          <LookUpPanel
            kept={kept}
            source={source}
            site={site}
            firstRow={firstRow}
            takeWords="Tighten this:"
            onTake={(taken) => tightenThis(fromTheBook(taken, aboutRow(body.subject, taken)))}
          />
        </section>
        <section className="panel p-4" aria-label="The whole table">
          <h2 className="mb-2 text-l font-bold">As printed</h2>
          {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls sideways must be reachable to be scrolled by keys */}
          <section className="overflow-x-auto" aria-label="Rows" tabIndex={0}>
            <table className="w-full border-collapse font-mono text-s">
              <thead>
                <tr className="align-bottom">
                  {body.keys.map(({ name }) => (
                    <th
                      key={name}
                      scope="col"
                      className="border-b-2 border-rule p-1 text-left font-sans font-normal text-faint"
                    >
                      {name}
                    </th>
                  ))}
                  {body.values.map(({ name, unit }) => (
                    <th
                      key={name}
                      scope="col"
                      className="border-b-2 border-rule p-1 text-left font-sans font-normal text-faint"
                    >
                      {name}
                      {unit && `, ${unitSymbol(unit)}`}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {body.rows.map((row, index) => (
                  <tr
                    // biome-ignore lint/suspicious/noArrayIndexKey: rows have no identity but their place in the print
                    key={index}
                    className={`border-b border-rule ${index === firstRow ? 'bg-ground font-bold' : ''}`}
                  >
                    {[...row.keys, ...row.values].map((cell, column) => (
                      <td
                        // biome-ignore lint/suspicious/noArrayIndexKey: cells neither
                        key={column}
                        className={`p-1 pr-3 ${cellText(cell).length <= UNBROKEN_LENGTH ? 'whitespace-nowrap' : ''}`}
                      >
                        {cellText(cell) || '–'}
                        {cell.readAs !== null && <span className="text-unsure"> settled</span>}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
          {body.footnote && <p className="mt-3 text-s text-faint">{body.footnote}</p>}
          {jobs.length > 0 && (
            <p className="mt-3 text-s">
              Used by{' '}
              {jobs.map(({ id, number, title }) => (
                <a key={id} href={`/jobs/${id}/plan`} className="mr-2">
                  {number} {title}
                </a>
              ))}
            </p>
          )}
        </section>
      </div>
    </div>
  );
};
