import { useEffect, useId, useState } from 'react';
import type { SearchHit } from '#wire/book.ts';
import { HitList, hitId } from './HitList.tsx';
import { ProblemNotice } from './ProblemNotice.tsx';
import { useSearch } from './use-search.ts';

type Props = {
  readonly label: string;
  readonly placeholder: string;
  readonly first?: string;
  readonly onOpen: (hit: SearchHit) => void;
  /** Keeps only hits that can be used here. */
  readonly only?: (hit: SearchHit) => boolean;
};

/** A field that searches everything while one types; arrows choose, Enter opens. */
export const SearchField = ({ label, placeholder, first = '', onOpen, only = () => true }: Props) => {
  const list = useId();
  const [query, setQuery] = useState(first);
  const [chosen, setChosen] = useState(0);
  const { hits: all, isPartial, answered, problem } = useSearch(query);
  const hits = all.filter(only);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another answer begins at its first hit
  useEffect(() => setChosen(0), [answered]);
  const onKey = (event: React.KeyboardEvent): void => {
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      const by = event.key === 'ArrowDown' ? 1 : -1;
      setChosen((at) => (at + by + hits.length) % Math.max(1, hits.length));
    }
    const hit = hits[chosen];
    if (event.key === 'Enter' && hit) {
      event.preventDefault();
      onOpen(hit);
    }
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <input
        type="search"
        role="combobox"
        aria-expanded={hits.length > 0}
        aria-controls={list}
        aria-activedescendant={hits.length > 0 ? hitId(list, chosen) : undefined}
        aria-label={label}
        className="field min-h-14 text-l"
        placeholder={placeholder}
        value={query}
        maxLength={100}
        autoComplete="off"
        onChange={(event) => setQuery(event.target.value)}
        onKeyDown={onKey}
      />
      <ProblemNotice problem={problem} />
      {hits.length > 0 && isPartial && (
        <p className="text-s text-unsure" role="status">
          Nothing has all of it; these have a part.
        </p>
      )}
      {hits.length > 0 && <HitList id={list} hits={hits} chosen={chosen} onOpen={onOpen} />}
      {answered !== null && answered === query && hits.length === 0 && !problem && (
        <p className="text-faint" role="status">
          Nothing in the book has all of “{query}”. Try the size alone, or one word of the part.
        </p>
      )}
    </div>
  );
};
