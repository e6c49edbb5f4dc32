import { useState } from 'react';
import { call } from '#client/api.ts';
import { type Source, sourceName } from '#core/spec/book/source.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { DependentJob, KeptRequirement, KeptTable } from '#wire/book.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';

type Props = {
  readonly source: Source;
  readonly successor: Source | null;
  readonly sources: readonly Source[];
  readonly requirements: readonly KeptRequirement[];
  readonly tables: readonly KeptTable[];
  readonly jobs: readonly DependentJob[];
};

/** What rests on a source: requirements and tables that can be moved to another one or withdrawn, and the jobs that used them. */
export const DependentsOfSource = ({
  source,
  successor,
  sources,
  requirements: first,
  tables: firstTables,
  jobs,
}: Props) => {
  const [requirements, setRequirements] = useState(first);
  const [tables, setTables] = useState(firstTables);
  const [target, setTarget] = useState(successor?.id ?? sources[0]?.id ?? '');
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const targetName = sources.find(({ id }) => id === target);
  const keepRequirement = async (
    kept: KeptRequirement,
    part: Partial<KeptRequirement>,
    why: string,
  ): Promise<void> => {
    const { id, revision, sourceId, isWithdrawn, body } = { ...kept, ...part };
    const answer = await call(OPERATIONS.keepRequirements, [
      { id, basedOn: revision, sourceId, isWithdrawn, why, body },
    ]);
    setProblem(answer.ok ? null : answer.problem);
    if (answer.ok) setRequirements(requirements.filter((each) => each.id !== id));
  };
  const keepTable = async (kept: KeptTable, part: Partial<KeptTable>, why: string): Promise<void> => {
    const { id, revision, sourceId, isWithdrawn, body, place } = { ...kept, ...part };
    const answer = await call(OPERATIONS.keepTable, {
      id,
      basedOn: revision,
      sourceId,
      isWithdrawn,
      why,
      body,
      place,
    });
    setProblem(answer.ok ? null : answer.problem);
    if (answer.ok) setTables(tables.filter((each) => each.id !== id));
  };
  const isInForce = source.status === 'current';
  const why = {
    moved: `${sourceName(source)} is no longer in force`,
    withdrawn: `withdrawn with ${sourceName(source)}`,
  };
  const actions = (move: () => void, withdraw: () => void) =>
    !isInForce && (
      <span className="flex flex-wrap gap-2">
        <button type="button" className="act-quiet" disabled={!targetName} onClick={move}>
          Same value in the new source
        </button>
        <button type="button" className="act-quiet" onClick={withdraw}>
          Withdraw
        </button>
      </span>
    );
  if (requirements.length + tables.length + jobs.length === 0)
    return <p className="text-faint">Nothing rests on it.</p>;
  return (
    <div className="grid gap-3">
      {!isInForce && requirements.length + tables.length > 0 && (
        <label>
          Move to
          <select className="field mt-1" value={target} onChange={(event) => setTarget(event.target.value)}>
            {sources.map((each) => (
              <option key={each.id} value={each.id}>
                {sourceName(each)}
              </option>
            ))}
          </select>
          <span className="text-s text-faint">
            Look each value up in the new document first. Where it differs, open the requirement and change
            it.
          </span>
        </label>
      )}
      <ProblemNotice problem={problem} />
      <ul className="grid gap-1">
        {requirements.map((kept) => (
          <li
            key={kept.id}
            className="flex flex-wrap items-center justify-between gap-2 border-b border-rule py-1.5"
          >
            <span>
              <a href={`/specs?requirement=${kept.id}`}>
                {kept.code} {kept.body.part}
                {kept.body.size && `, ${kept.body.size}`}
              </a>{' '}
              <strong>{kept.body.torque.printed}</strong>
            </span>
            {actions(
              () => void keepRequirement(kept, { sourceId: target }, why.moved),
              () => void keepRequirement(kept, { isWithdrawn: true }, why.withdrawn),
            )}
          </li>
        ))}
        {tables.map((kept) => (
          <li
            key={kept.id}
            className="flex flex-wrap items-center justify-between gap-2 border-b border-rule py-1.5"
          >
            <a href={`/specs/tables/${kept.id}`}>
              table {kept.body.name}, {kept.body.rows.length} rows
            </a>
            {actions(
              () => void keepTable(kept, { sourceId: target }, why.moved),
              () => void keepTable(kept, { isWithdrawn: true }, why.withdrawn),
            )}
          </li>
        ))}
      </ul>
      {jobs.length > 0 && (
        <div>
          <h3 className="font-bold">Jobs that used it</h3>
          <ul>
            {jobs.map(({ id, number, title, fasteners, isOpen, refId }) => (
              <li key={`${id}${refId}`}>
                <a href={`/jobs/${id}/plan`}>
                  {number} {title}
                </a>
                , {fasteners} {fasteners === 1 ? 'fastener' : 'fasteners'},{' '}
                {isOpen ? (
                  isInForce ? (
                    'open'
                  ) : (
                    <strong className="text-low">open: move them on its Plan</strong>
                  )
                ) : (
                  'signed; it keeps what it used'
                )}
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
};
