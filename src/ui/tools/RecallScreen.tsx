import { useState } from 'react';
import { call } from '#client/api.ts';
import type { Person } from '#core/people/person.ts';
import { displayTorque } from '#core/quantity/display.ts';
import { newtonMetres } from '#core/quantity/unit.ts';
import type { Tool } from '#core/tool/tool.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { RecalledJobLine } from '#wire/calibration.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import type { RecallDecision } from '#wire/recall.ts';
import { sinceWords } from '#wire/words/tool.ts';
import { useAsked } from '../kit/answer/use-answer.ts';
import { useTold } from '../kit/answer/use-told.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { dayHere } from '../kit/time/here.ts';
import { JudgingAgain } from '../shared/JudgingAgain.tsx';
import { DecidedLine, RecallDecisions } from '../shared/RecallDecisions.tsx';
import { RecallDownloads } from '../shared/RecallDownloads.tsx';
import { RecalledHead } from '../shared/RecalledHead.tsx';

type Props = { readonly tool: Tool; readonly person: Person };

type Progress = { readonly done: number; readonly total: number; readonly outsideWorst: number };
type Found = {
  readonly uses: number;
  readonly since: string;
  readonly until: string;
  readonly jobs: readonly RecalledJobLine[];
};
type Recalled = { readonly progress: Progress; readonly found: Found | null };

const NOTHING_YET: Recalled = { progress: { done: 0, total: 0, outsideWorst: 0 }, found: null };

const JobWork = ({ tool, jobId }: { readonly tool: Tool; readonly jobId: string }) => {
  const { value: work, problem } = useAsked(
    ['recalled work', tool.id, jobId],
    () => call(OPERATIONS.recalledWork, undefined, { tool: tool.id, job: jobId }),
    { isWanted: true },
  );
  const { unit } = tool.scale;
  const show = (torque: number): string =>
    displayTorque(newtonMetres(torque), unit, { sourceDigits: 2, graduation: null });
  if (problem) return <ProblemNotice problem={problem} />;
  if (!work) return <p className="text-faint">Opening …</p>;
  return (
    <ol className="grid gap-1 text-s" data-testid="work-list">
      {work.map(
        (
          {
            position,
            recordedNewtonMetres,
            worstNewtonMetres,
            lowNewtonMetres,
            highNewtonMetres,
            outsidePercent,
          },
          index,
        ) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a position may be pulled twice
          <li key={index}>
            <strong className="font-mono">{position}</strong>: recorded {show(recordedNewtonMetres)}, may have
            been {show(worstNewtonMetres)}; accepted {show(lowNewtonMetres)} to {show(highNewtonMetres)}.{' '}
            <strong className="text-high">{outsidePercent.toFixed(1)} % outside</strong>
          </li>
        ),
      )}
    </ol>
  );
};

/** What a tool that was found out touched: every pull since its last good session judged again, job by job, the farthest outside first. */
export const RecallScreen = ({ tool, person }: Props) => {
  const {
    value: { progress, found },
    problem: stopped,
    again,
  } = useTold<Recalled>(`/api/v1/tools/${tool.id}/recall`, {
    nothing: NOTHING_YET,
    add: (before, line) => {
      const step = line as ({ kind: 'progress' } & Progress) | ({ kind: 'found' } & Found);
      return step.kind === 'progress' ? { ...before, progress: step } : { ...before, found: step };
    },
    // After a decision the list stays while it is judged again.
    anew: (before) => before,
  });
  const [refused, setRefused] = useState<ProblemDetails | null>(null);
  const problem = refused ?? stopped;
  const [opened, setOpened] = useState<string | null>(null);
  const decide = async (jobId: string, what: RecallDecision, why: string): Promise<void> => {
    const answer = await call(OPERATIONS.decideRecall, { jobId, what, why }, { tool: tool.id });
    setRefused(answer.ok ? null : answer.problem);
    if (answer.ok && answer.value.recheckJobId)
      window.location.assign(`/jobs/${answer.value.recheckJobId}/plan`);
    else if (answer.ok) await again();
  };
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <p className="text-s text-faint">
            <a href={`/tools/${tool.id}`}>{tool.code}</a>
          </p>
          <h1 className="text-xl font-bold">What did {tool.code} touch?</h1>
        </div>
        <RecallDownloads address={`/api/v1/tools/${tool.id}/recall`} />
      </div>
      <ProblemNotice problem={problem} />
      {!found && !problem && (
        <JudgingAgain
          done={progress.done}
          total={progress.total}
          of="pulls"
          outside={`${progress.outsideWorst}`}
        />
      )}
      {found && (
        <>
          <p data-testid="recall-summary">
            {found.uses} pulls since {sinceWords(found.since)} were judged again with the error found on{' '}
            {dayHere(found.until)}. Worst case: the error was there all along. Linear: it grew with use.{' '}
            {found.jobs.length === 0 && <strong className="text-in">No pull is outside.</strong>}
          </p>
          <ul className="grid gap-3">
            {found.jobs.map((job) => (
              <li key={job.jobId} className="panel grid gap-2 p-4" data-testid="recalled-job">
                <RecalledHead job={job} farthestPercent={job.farthestPercent} />
                <p>
                  {job.outsideWorst} of {job.pulls} pulls outside in the worst case, {job.outsideLinear} if
                  the error grew with use.
                </p>
                <DecidedLine decision={job.decision} />
                <div className="flex flex-wrap gap-2">
                  <button
                    type="button"
                    className="act-quiet"
                    aria-expanded={opened === job.jobId}
                    onClick={() => setOpened(opened === job.jobId ? null : job.jobId)}
                  >
                    Work list
                  </button>
                  <RecallDecisions
                    jobNumber={job.number}
                    decision={job.decision}
                    person={person}
                    onDecide={(what, why) => void decide(job.jobId, what, why)}
                  />
                </div>
                {opened === job.jobId && <JobWork tool={tool} jobId={job.jobId} />}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
};
