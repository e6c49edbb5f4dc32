import { Command } from 'cmdk';
import { useState } from 'react';
import type { SearchHit } from '#wire/book.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { useSearch } from './use-search.ts';

const KIND_WORDS: Record<SearchHit['kind'], string> = {
  requirement: 'requirement',
  'table-row': 'table',
  source: 'source',
  tool: 'tool',
  job: 'job',
};

type Props = {
  readonly label: string;
  readonly placeholder: string;
  readonly first?: string;
  /** Hands over what was typed before this field had the focus. */
  readonly takeTypedAhead?: () => string;
  readonly onOpen: (hit: SearchHit) => void;
  /** Keeps only hits that can be used here. */
  readonly only?: (hit: SearchHit) => boolean;
};

const keyOf = ({ kind, refId, row }: SearchHit): string => `${kind} ${refId} ${row}`;

/** A field that searches everything while one types; arrows choose, Enter opens. */
export const SearchField = ({
  label,
  placeholder,
  first = '',
  takeTypedAhead = () => '',
  onOpen,
  only = () => true,
}: Props) => {
  const [query, setQuery] = useState(first);
  const { hits: all, isPartial, answered, problem } = useSearch(query);
  const hits = all.filter(only);
  // The library marks a row as one types, before the answer is there; each answer is marked anew, at its first row.
  const [chosen, setChosen] = useState({ answered, key: '' });
  const keys = hits.map(keyOf);
  const isOfThese = chosen.answered === answered && keys.includes(chosen.key);
  const marked = isOfThese ? chosen.key : (keys[0] ?? '');
  return (
    <Command
      label={label}
      value={marked}
      onValueChange={(key) => setChosen({ answered, key })}
      // What is found and in which order is the server's: it knows that 3/8 is dash 6.
      shouldFilter={false}
      loop
      className="grid grid-cols-[minmax(0,1fr)] gap-2"
    >
      <Command.Input
        aria-label={label}
        className="field min-h-14 text-l"
        placeholder={placeholder}
        value={query}
        maxLength={100}
        onValueChange={setQuery}
        onFocus={() => {
          const ahead = takeTypedAhead();
          if (ahead) setQuery(query + ahead);
        }}
      />
      <ProblemNotice problem={problem} />
      {hits.length > 0 && isPartial && (
        <p className="text-s text-unsure" role="status">
          Nothing matches all of it; these match a part.
        </p>
      )}
      <Command.List label="What was found" className={hits.length > 0 ? 'max-h-[60dvh] overflow-y-auto' : ''}>
        {hits.map((hit) => (
          <Command.Item
            key={keyOf(hit)}
            value={keyOf(hit)}
            className="flex min-h-11 cursor-pointer items-center justify-between gap-3 border-b border-rule px-2 py-1.5 aria-selected:bg-ground"
            onSelect={() => onOpen(hit)}
          >
            <span className="min-w-0">
              <strong className="block truncate">{hit.title}</strong>
              <span className="block truncate text-s text-faint">{hit.detail}</span>
            </span>
            <span className="shrink-0 text-s text-faint">{KIND_WORDS[hit.kind]}</span>
          </Command.Item>
        ))}
      </Command.List>
      {answered !== null && answered === query && hits.length === 0 && !problem && (
        <p className="text-faint" role="status">
          Nothing in the book has all of “{query}”. Try the size alone, or one word of the part.
        </p>
      )}
    </Command>
  );
};
