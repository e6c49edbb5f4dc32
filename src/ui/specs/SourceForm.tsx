import { useState } from 'react';
import { call } from '#client/api.ts';
import { SOURCE_KINDS, type Source } from '#core/spec/book/source.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { NewSource } from '#wire/book.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';
import { SOURCE_KIND_WORDS } from '#wire/words/book.ts';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';
import { useKeptDraft } from '../shared/use-kept-draft.ts';

const EMPTY: NewSource = { title: '', kind: 'manual', number: '', revision: '', datedOn: '', place: '' };
const FIELDS = [
  { id: 'title', name: 'Document', hint: 'Coolant loop manual', isNeeded: true, longest: 120 },
  { id: 'number', name: 'Number', hint: 'BL-114', isNeeded: false, longest: 60 },
  { id: 'revision', name: 'Revision', hint: 'C', isNeeded: false, longest: 40 },
  { id: 'place', name: 'Where it is', hint: 'shelf 3, or inside the door', isNeeded: false, longest: 120 },
] as const;

const revive = (kept: unknown): NewSource | null =>
  typeof kept === 'object' && kept !== null && 'title' in kept ? { ...EMPTY, ...(kept as NewSource) } : null;

/** Adds a source, or changes what is said of one. */
export const SourceForm = ({
  source,
  onKept,
}: {
  readonly source: Source | null;
  readonly onKept: (source: Source) => void;
}) => {
  const {
    id = 'new',
    status: _s,
    supersededBy: _b,
    ...described
  } = source ?? { ...EMPTY, id: 'new', status: 'current', supersededBy: null };
  const [draft, setDraft, forget] = useKeptDraft<NewSource>(`jentik-source-${id}`, described, revive);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const keep = async (): Promise<void> => {
    const answer = source
      ? await call(
          OPERATIONS.changeSource,
          { source: { ...source, ...draft }, why: '' },
          { source: source.id },
        )
      : await call(OPERATIONS.addSource, draft);
    if (!answer.ok) return setProblem(answer.problem);
    forget();
    setDraft(source ? draft : EMPTY);
    onKept(answer.value);
  };
  return (
    <ReadyForm className="grid gap-3 sm:grid-cols-2" onSubmit={() => void keep()}>
      {FIELDS.map(({ id: field, name, hint, isNeeded, longest }) => (
        <label key={field} className={field === 'title' ? 'sm:col-span-2' : ''}>
          {name}
          <input
            className="field mt-1"
            name={field}
            value={draft[field]}
            placeholder={hint}
            required={isNeeded}
            maxLength={longest}
            onChange={(event) => setDraft({ ...draft, [field]: event.target.value })}
          />
        </label>
      ))}
      <label>
        Kind
        <select
          className="field mt-1"
          name="kind"
          value={draft.kind}
          onChange={(event) => setDraft({ ...draft, kind: event.target.value as NewSource['kind'] })}
        >
          {SOURCE_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {SOURCE_KIND_WORDS[kind]}
            </option>
          ))}
        </select>
      </label>
      <label>
        Dated
        <input
          className="field mt-1"
          type="date"
          name="datedOn"
          value={draft.datedOn}
          onChange={(event) => setDraft({ ...draft, datedOn: event.target.value })}
        />
      </label>
      <div className="grid gap-3 sm:col-span-2">
        <ProblemNotice problem={problem} />
        <button type="submit" className="act min-h-14">
          {source ? 'Keep' : 'Add this source'}
        </button>
      </div>
    </ReadyForm>
  );
};
