import type { SearchHit } from '#wire/book.ts';

const KIND_WORDS: Record<SearchHit['kind'], string> = {
  requirement: 'requirement',
  'table-row': 'table',
  source: 'source',
  tool: 'tool',
  job: 'job',
};

type Props = {
  readonly id: string;
  readonly hits: readonly SearchHit[];
  readonly chosen: number;
  readonly onOpen: (hit: SearchHit) => void;
};

/** The id of one option of a list of hits. */
export const hitId = (list: string, index: number): string => `${list}-${index}`;

/** What a search found, one line each; the chosen one is opened by Enter. */
export const HitList = ({ id, hits, chosen, onOpen }: Props) => (
  <div
    id={id}
    role="listbox"
    aria-label="What was found"
    className="grid max-h-[60dvh] grid-cols-[minmax(0,1fr)] overflow-y-auto"
  >
    {hits.map((hit, index) => (
      // biome-ignore lint/a11y/useFocusableInteractive: the field above keeps the focus and names the chosen option
      // biome-ignore lint/a11y/useKeyWithClickEvents: keys are the field's; this is for the mouse and the finger
      <div
        key={`${hit.kind}${hit.refId}${hit.row}`}
        id={hitId(id, index)}
        role="option"
        aria-selected={index === chosen}
        className="flex min-h-11 cursor-pointer items-center justify-between gap-3 border-b border-rule px-2 py-1.5 aria-selected:bg-ground"
        onClick={() => onOpen(hit)}
      >
        <span className="min-w-0">
          <strong className="block truncate">{hit.title}</strong>
          <span className="block truncate text-s text-faint">{hit.detail}</span>
        </span>
        <span className="shrink-0 text-s text-faint">{KIND_WORDS[hit.kind]}</span>
      </div>
    ))}
  </div>
);
