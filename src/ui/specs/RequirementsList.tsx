import { proofWarningInBook } from '#core/preload/proof-warning.ts';
import { type Source, sourceName } from '#core/spec/book/source.ts';
import type { KeptRequirement } from '#wire/book.ts';

type Props = {
  /** Those in force. */
  readonly requirements: readonly KeptRequirement[];
  /** How many there are; those listed are the ones changed last. */
  readonly total: number;
  readonly sources: readonly Source[];
  /** The id or code of the one that is open. */
  readonly chosen: string | null;
  /** Whether the list has the whole width to itself. */
  readonly isWide: boolean;
  readonly onChoose: (id: string) => void;
};

const byPart = (requirements: readonly KeptRequirement[]): readonly KeptRequirement[] =>
  [...requirements].sort(
    (a, b) =>
      a.body.part.localeCompare(b.body.part) ||
      a.body.size.localeCompare(b.body.size, undefined, { numeric: true }),
  );

/** What is tightened, by part and size, each with the value its source prints. */
export const RequirementsList = ({ requirements, total, sources, chosen, isWide, onChoose }: Props) => {
  const nameOf = (sourceId: string): string => {
    const source = sources.find(({ id }) => id === sourceId);
    return source ? `${sourceName(source)}${source.status === 'current' ? '' : `, ${source.status}`}` : '';
  };
  return (
    <ul
      className={`panel ${isWide ? 'lg:columns-2 lg:gap-0 lg:[column-rule:1px_solid_var(--c-rule)]' : ''}`}
      aria-label="Requirements"
    >
      {byPart(requirements).map(({ id, code, body, sourceId }) => (
        <li key={id} className="break-inside-avoid border-b border-rule last:border-b-0">
          <button
            type="button"
            className="grid w-full grid-cols-[minmax(0,1fr)_auto] gap-x-3 px-3 py-2 text-left aria-pressed:bg-ground"
            aria-pressed={chosen === id || chosen === code}
            onClick={() => onChoose(id)}
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
            {proofWarningInBook(body.torque, body.conditions, body.size) && (
              <span className="col-span-2 text-s font-semibold text-high">
                past 90 % of proof where friction is low
              </span>
            )}
          </button>
        </li>
      ))}
      {total > requirements.length && (
        <li className="p-3 text-faint">
          The {requirements.length} changed last, of {total}. The search finds them all.
        </li>
      )}
      {requirements.length === 0 && (
        <li className="p-4">
          The book has no requirement yet. Write one, import a list, or look a table up.
        </li>
      )}
    </ul>
  );
};
