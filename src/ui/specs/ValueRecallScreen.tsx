import { useState } from 'react';
import { call } from '#client/api.ts';
import type { Person } from '#core/people/person.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import type { RecallDecision, ValueFacts, ValueRecallAnswer } from '#wire/recall.ts';
import { changeWords } from '#wire/words/recall.ts';
import { useTold } from '../kit/answer/use-told.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { dayHere } from '../kit/time/here.ts';
import { JudgingAgain } from '../shared/JudgingAgain.tsx';
import { RecallDownloads } from '../shared/RecallDownloads.tsx';
import { RecalledJob } from './RecalledJob.tsx';

type Props = { readonly facts: ValueFacts; readonly person: Person };

type Progress = { readonly done: number; readonly total: number; readonly recalled: number };
type Step = ({ kind: 'progress' } & Progress) | ({ kind: 'found' } & ValueRecallAnswer);

type Recalled = { readonly progress: Progress; readonly found: ValueRecallAnswer | null };

const NOTHING_YET: Recalled = { progress: { done: 0, total: 0, recalled: 0 }, found: null };

const addressOf = ({ kind, id }: ValueFacts): string => `/api/v1/recalls/${kind}/${id}`;

const Summary = ({ found }: { readonly found: ValueRecallAnswer }) => (
  <p data-testid="recall-summary">
    {found.pulled} {found.pulled === 1 ? 'fastener' : 'fasteners'} in {found.jobs}{' '}
    {found.jobs === 1 ? 'job' : 'jobs'}, signed ones too, judged again by the value in force, each under its
    job’s own rules and schools.{' '}
    {found.recalled.length === 0 && <strong className="text-in">Every one conforms.</strong>}
    {found.unread.length > 0 && (
      <strong className="text-high">
        {' '}
        Nothing is said of {found.unread.join(', ')}: their ledgers can’t be read.
      </strong>
    )}
  </p>
);

/** What was tightened to a value that was corrected or withdrawn: judged again job by job, the farthest outside first, each decided by a lead. */
export const ValueRecallScreen = ({ facts, person }: Props) => {
  const {
    value: { progress, found },
    problem: stopped,
    again,
  } = useTold<Recalled>(addressOf(facts), {
    nothing: NOTHING_YET,
    add: (before, line) => {
      const step = line as Step;
      return step.kind === 'progress' ? { ...before, progress: step } : { ...before, found: step };
    },
    // After a decision the list stays while it is judged again.
    anew: (before) => before,
  });
  const [refused, setRefused] = useState<ProblemDetails | null>(null);
  const problem = refused ?? stopped;
  const decide = async (jobId: string, what: RecallDecision, why: string): Promise<void> => {
    const { kind, id: value, revision } = found?.facts ?? facts;
    const answer = await call(OPERATIONS.decideValueRecall, { jobId, revision, what, why }, { kind, value });
    setRefused(answer.ok ? null : answer.problem);
    if (answer.ok && answer.value.recheckJobId)
      window.location.assign(`/jobs/${answer.value.recheckJobId}/plan`);
    else await again();
  };
  const shown = found?.facts ?? facts;
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <p className="text-s text-faint">
            <a href="/specs/recalls">Changed values</a> ·{' '}
            <a href={shown.kind === 'table' ? `/specs/tables/${shown.id}` : `/specs?requirement=${shown.id}`}>
              {shown.code}
            </a>
          </p>
          <h1 className="text-xl font-bold">What was pulled to {shown.code}?</h1>
          <p>
            {shown.subject}. <strong>{changeWords(shown)}</strong>{' '}
            <span className="text-faint">
              {shown.changedBy}, {dayHere(shown.changedAt)}
              {shown.why && `: ${shown.why}`}
            </span>
          </p>
        </div>
        <RecallDownloads address={addressOf(facts)} />
      </div>
      <ProblemNotice problem={problem} />
      {!found && !problem && (
        <JudgingAgain
          done={progress.done}
          total={progress.total}
          of="jobs"
          outside={`${progress.recalled} fasteners`}
        />
      )}
      {found && (
        <>
          <Summary found={found} />
          <ul className="grid gap-3">
            {found.recalled.map((job) => (
              <RecalledJob
                key={job.jobId}
                job={job}
                hasValue={shown.nowCode !== null}
                unit={shown.unit}
                person={person}
                onDecide={(what, why) => void decide(job.jobId, what, why)}
              />
            ))}
          </ul>
        </>
      )}
    </div>
  );
};
