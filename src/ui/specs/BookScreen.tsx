import { useState } from 'react';
import { type Source, sourceName } from '#core/spec/book/source.ts';
import type { KeptRequirement } from '#wire/book.ts';
import type { Site } from '#wire/site.ts';
import { SearchField } from '../shared/SearchField.tsx';
import { hitAddress } from '../shared/use-search.ts';
import { RequirementCard, type RequirementCardView } from './RequirementCard.tsx';
import { RequirementForm } from './RequirementForm.tsx';
import { SpecsTabs } from './SpecsTabs.tsx';

type Props = {
  readonly requirements: readonly KeptRequirement[];
  /** How many are in force; those listed are the ones changed last. */
  readonly total: number;
  readonly sources: readonly Source[];
  readonly site: Site;
  readonly undecided: number;
  readonly first: string | null;
};

type Opened =
  | { readonly kind: 'card'; readonly name: string }
  | { readonly kind: 'form'; readonly view: RequirementCardView | null };

const byPart = (requirements: readonly KeptRequirement[]): readonly KeptRequirement[] =>
  [...requirements].sort(
    (a, b) =>
      a.body.part.localeCompare(b.body.part) ||
      a.body.size.localeCompare(b.body.size, undefined, { numeric: true }),
  );

/** The spec book: what is tightened on the left, what its source says on the right. */
export const BookScreen = ({
  requirements: firstRequirements,
  total,
  sources,
  site,
  undecided,
  first,
}: Props) => {
  const [requirements, setRequirements] = useState(firstRequirements);
  const [opened, setOpened] = useState<Opened | null>(first ? { kind: 'card', name: first } : null);
  const inForce = requirements.filter(({ isWithdrawn }) => !isWithdrawn);
  const nameOf = (sourceId: string): string => {
    const source = sources.find(({ id }) => id === sourceId);
    return source ? `${sourceName(source)}${source.status === 'current' ? '' : `, ${source.status}`}` : '';
  };
  const take = (kept: KeptRequirement): void => {
    setRequirements([...requirements.filter(({ id }) => id !== kept.id), kept]);
    setOpened({ kind: 'card', name: kept.id });
  };
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-xl font-bold">Specs</h1>
        <div className="flex flex-wrap gap-2">
          <a href="/specs/import" className="act-quiet">
            Import a list
          </a>
          <a href="/api/v1/requirements.csv" className="act-quiet" download>
            CSV
          </a>
          <button type="button" className="act" onClick={() => setOpened({ kind: 'form', view: null })}>
            Write a requirement
          </button>
        </div>
      </div>
      <SpecsTabs tab="requirements" undecided={undecided} />
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,5fr)_minmax(0,7fr)]">
        <section className={`grid gap-3 ${opened ? 'max-lg:order-2' : ''}`} aria-label="What is tightened">
          <SearchField
            label="What are you tightening"
            placeholder="What are you tightening? flare 3/8, M4 …"
            only={({ kind }) => kind !== 'tool' && kind !== 'job'}
            onOpen={(hit) =>
              hit.kind === 'requirement'
                ? setOpened({ kind: 'card', name: hit.refId })
                : window.location.assign(hitAddress(hit))
            }
          />
          <ul className="panel" aria-label="Requirements">
            {byPart(inForce).map(({ id, code, body, sourceId }) => (
              <li key={id} className="border-b border-rule last:border-b-0">
                <button
                  type="button"
                  className="grid w-full grid-cols-[minmax(0,1fr)_auto] gap-x-3 px-3 py-2 text-left aria-pressed:bg-ground"
                  aria-pressed={opened?.kind === 'card' && (opened.name === id || opened.name === code)}
                  onClick={() => setOpened({ kind: 'card', name: id })}
                >
                  <span>
                    {body.part}
                    {body.size && <strong>, {body.size}</strong>}
                  </span>
                  <strong className="text-right">{body.torque.printed}</strong>
                  <span className="col-span-2 truncate text-s text-faint">
                    {nameOf(sourceId)}
                    {body.place && `, ${body.place}`}
                  </span>
                </button>
              </li>
            ))}
            {total > inForce.length && (
              <li className="p-3 text-faint">
                The {inForce.length} changed last of {total}. Search finds every one.
              </li>
            )}
            {inForce.length === 0 && (
              <li className="p-4">
                The book has no requirement yet. Write one, import a list, or look a table up.
              </li>
            )}
          </ul>
        </section>
        <section className="panel p-4" aria-label="What its source says">
          {opened === null && (
            <p className="text-faint">
              Choose what you are tightening, or search. The value is shown as its source prints it, with the
              place it stands in and why the target is what it is. Values that depend on a size stand in{' '}
              <a href="/specs/tables">Tables</a>.
            </p>
          )}
          {opened?.kind === 'card' && (
            <RequirementCard
              name={opened.name}
              site={site}
              onEdit={(view) => setOpened({ kind: 'form', view })}
            />
          )}
          {opened?.kind === 'form' && (
            <>
              <h2 className="mb-3 text-l font-bold">
                {opened.view ? `Change ${opened.view.kept.code}` : 'A requirement, as its source prints it'}
              </h2>
              <RequirementForm
                key={opened.view?.kept.id ?? 'new'}
                kept={opened.view?.kept ?? null}
                source={opened.view?.source ?? null}
                sources={sources}
                site={site}
                onKept={take}
              />
            </>
          )}
        </section>
      </div>
    </div>
  );
};
