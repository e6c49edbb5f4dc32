import { useState } from 'react';
import { call } from '#client/api.ts';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { type Source, sourceName } from '#core/spec/book/source.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { Attachment } from '#wire/attachment.ts';
import type { DependentJob, KeptRequirement, KeptTable, LogEntry } from '#wire/book.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { dayWords } from '#wire/site-time.ts';
import { SOURCE_KIND_WORDS, SOURCE_STATUS_WORDS } from '#wire/words/book.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { dayHere } from '../kit/time/here.ts';
import { WhyDialog } from '../kit/WhyDialog.tsx';
import { Attachments } from '../shared/Attachments.tsx';
import { DependentsOfSource } from './DependentsOfSource.tsx';
import { type Asked, InForcePanel } from './InForcePanel.tsx';
import { SourceForm } from './SourceForm.tsx';

type Props = {
  readonly source: Source;
  readonly sources: readonly Source[];
  readonly attachments: readonly Attachment[];
  readonly changes: readonly LogEntry[];
  readonly resting: {
    readonly requirements: readonly KeptRequirement[];
    readonly tables: readonly KeptTable[];
    readonly jobs: readonly DependentJob[];
  };
  readonly person: Person;
};

/** A source: what it is, its photographs, what rests on it, and how it came to stand as it does. */
export const SourceScreen = ({ source: first, sources, attachments, changes, resting, person }: Props) => {
  const [source, setSource] = useState(first);
  const [asked, setAsked] = useState<Asked | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [isEditing, setEditing] = useState(false);
  const change = async (status: Asked, why: string): Promise<void> => {
    const answer = await call(
      OPERATIONS.changeSource,
      { source: { ...source, ...status }, why },
      { source: source.id },
    );
    setAsked(null);
    setProblem(answer.ok ? null : answer.problem);
    if (answer.ok) setSource(answer.value);
  };
  const others = sources.filter(({ id, status }) => id !== source.id && status === 'current');
  const successor = sources.find(({ id }) => id === source.supersededBy) ?? null;
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div>
        <p className="text-s text-faint">
          <a href="/specs/sources">Sources</a>
        </p>
        <h1 className="text-xl font-bold">{sourceName(source)}</h1>
        <p>
          {SOURCE_KIND_WORDS[source.kind]}
          {source.datedOn && `, dated ${dayWords(source.datedOn)}`}
          {source.place && `, ${source.place}`} ·{' '}
          <strong className={source.status === 'current' ? 'text-in' : 'text-high'}>
            {SOURCE_STATUS_WORDS[source.status]}
          </strong>
          {successor && (
            <>
              {' '}
              by <a href={`/specs/sources/${successor.id}`}>{sourceName(successor)}</a>
            </>
          )}
        </p>
      </div>
      <ProblemNotice problem={problem} />
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,7fr)_minmax(0,5fr)]">
        <section className="panel grid gap-3 p-4">
          <h2 className="text-l font-bold">What rests on it</h2>
          <DependentsOfSource source={source} successor={successor} sources={others} {...resting} />
        </section>
        <div className="grid gap-4">
          <InForcePanel
            source={source}
            others={others}
            isLead={may(person, 'change-source-status')}
            onAsked={setAsked}
          />
          <section className="panel grid gap-3 p-4">
            <h2 className="text-l font-bold">Photographs and documents</h2>
            <Attachments kind="source" owner={source.id} first={attachments} />
          </section>
          <section className="panel grid gap-2 p-4">
            <div className="flex items-center justify-between">
              <h2 className="text-l font-bold">What it is</h2>
              <button type="button" className="act-quiet" onClick={() => setEditing(!isEditing)}>
                {isEditing ? 'Leave it' : 'Change it'}
              </button>
            </div>
            {isEditing && (
              <SourceForm
                source={source}
                onKept={(kept) => {
                  setSource(kept);
                  setEditing(false);
                }}
              />
            )}
            {changes.length > 0 && (
              <ol className="text-s">
                {changes.map(({ at, by, why, body }) => (
                  <li key={at}>
                    {dayHere(at)} {by}: {(body as { after: Source }).after.status}
                    {why && `, ${why}`}
                  </li>
                ))}
              </ol>
            )}
          </section>
        </div>
      </div>
      {asked && (
        <WhyDialog
          title={`${sourceName(source)}: ${SOURCE_STATUS_WORDS[asked.status]}`}
          explanation={`${resting.requirements.length + resting.tables.length} values and ${resting.jobs.filter(({ isOpen }) => isOpen).length} open jobs rest on it. They are listed here and are moved one by one.`}
          action={asked.status === 'current' ? 'It is in force again' : 'It is no longer in force'}
          usual={['new revision published', 'letter from the maker', 'values were wrong']}
          onClose={() => setAsked(null)}
          onDone={(why) => void change(asked, why)}
        />
      )}
    </div>
  );
};
