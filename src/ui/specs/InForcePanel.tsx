import { useState } from 'react';
import { type Source, type SourceStatus, sourceName } from '#core/spec/book/source.ts';

/** How a source is to stand, as it is asked for before a reason is given. */
export type Asked = { readonly status: SourceStatus; readonly supersededBy: string | null };

type Props = {
  readonly source: Source;
  /** The other documents in force, which may take its place. */
  readonly others: readonly Source[];
  readonly isLead: boolean;
  readonly onAsked: (asked: Asked) => void;
};

/** Whether a source is in force, and a lead's ways to change that. */
export const InForcePanel = ({ source, others, isLead, onAsked }: Props) => {
  const [newer, setNewer] = useState('');
  return (
    <section className="panel grid gap-3 p-4">
      <h2 className="text-l font-bold">In force?</h2>
      {isLead ? (
        source.status === 'current' ? (
          <>
            <label>
              Superseded by
              <select className="field mt-1" value={newer} onChange={(event) => setNewer(event.target.value)}>
                <option value="">a document that is not in the book</option>
                {others.map((each) => (
                  <option key={each.id} value={each.id}>
                    {sourceName(each)}
                  </option>
                ))}
              </select>
            </label>
            <div className="flex flex-wrap gap-2">
              <button
                type="button"
                className="act-quiet"
                onClick={() => onAsked({ status: 'superseded', supersededBy: newer || null })}
              >
                Superseded …
              </button>
              <button
                type="button"
                className="act-quiet"
                onClick={() => onAsked({ status: 'withdrawn', supersededBy: null })}
              >
                Withdrawn …
              </button>
            </div>
            <p className="text-s text-faint">
              What rests on it stays as it is; each is then moved by a person.
            </p>
          </>
        ) : (
          <button
            type="button"
            className="act-quiet"
            onClick={() => onAsked({ status: 'current', supersededBy: null })}
          >
            Back in force …
          </button>
        )
      ) : (
        <p className="text-faint">A lead supersedes or withdraws a source.</p>
      )}
    </section>
  );
};
