import { useEffect, useRef, useState } from 'react';
import type { Source } from '#core/spec/book/source.ts';
import type { KeptRequirement } from '#wire/book.ts';
import type { Site } from '#wire/site.ts';
import { SearchField } from '../shared/SearchField.tsx';
import { hitAddress } from '../shared/use-search.ts';
import { RequirementCard, type RequirementCardView } from './RequirementCard.tsx';
import { RequirementForm } from './RequirementForm.tsx';
import { RequirementsList } from './RequirementsList.tsx';
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

/** Where the list and what was chosen stand below each other. */
const BELOW_EACH_OTHER = '(width < 64rem)';

type Opened =
  | { readonly kind: 'card'; readonly name: string }
  | { readonly kind: 'form'; readonly view: RequirementCardView | null };

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
  // On a phone the list is long: what was chosen comes into view.
  const said = useRef<HTMLElement>(null);
  useEffect(() => {
    if (opened && window.matchMedia(BELOW_EACH_OTHER).matches)
      said.current?.scrollIntoView({ block: 'start' });
  }, [opened]);
  const inForce = requirements.filter(({ isWithdrawn }) => !isWithdrawn);
  const take = (kept: KeptRequirement): void => {
    setRequirements([...requirements.filter(({ id }) => id !== kept.id), kept]);
    setOpened({ kind: 'card', name: kept.id });
  };
  return (
    <div className="mx-auto grid max-w-7xl grid-cols-[minmax(0,1fr)] gap-4">
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
      <div // What is opened is read after it came into view: the list below it must not hold its place and push it out again.
        className={`grid items-start gap-4 [overflow-anchor:none] ${opened ? 'lg:grid-cols-[minmax(0,5fr)_minmax(0,7fr)]' : ''}`}
      >
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
          <RequirementsList
            requirements={inForce}
            total={total}
            sources={sources}
            chosen={opened?.kind === 'card' ? opened.name : null}
            isWide={opened === null}
            onChoose={(name) => setOpened({ kind: 'card', name })}
          />
        </section>
        <section
          ref={said}
          className={`panel p-4 ${opened ? 'lg:sticky lg:top-0 lg:max-h-[calc(100dvh-3rem)] lg:overflow-y-auto' : 'lg:order-first'}`}
          aria-label="What its source says"
        >
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
