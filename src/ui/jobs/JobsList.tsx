import { useMemo, useState } from 'react';
import { call } from '#client/api.ts';
import type { Person } from '#core/people/person.ts';
import { JOB_OPERATIONS } from '#wire/api-jobs.ts';
import type { Interval } from '#wire/interval.ts';
import type { JobSummary } from '#wire/job-summary.ts';
import { useAnswer } from '../kit/answer/use-answer.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { Tick } from '../kit/Tick.tsx';
import type { Column } from '../kit/table/column.ts';
import { ListTable } from '../kit/table/ListTable.tsx';
import { timeHere } from '../kit/time/here.ts';
import { DueAgain } from './DueAgain.tsx';
import { WaitingJobs } from './WaitingJobs.tsx';

const STAGES: Record<JobSummary['stage'], string> = {
  planned: 'planned',
  'under-way': 'under way',
  'ready-to-sign': 'ready to sign',
  done: 'done, to be inspected',
  inspected: 'inspected',
};

const nextTab = ({ stage }: JobSummary): string =>
  stage === 'planned' ? 'plan' : stage === 'under-way' ? 'bench' : 'sign';

const Progress = ({ job }: { readonly job: JobSummary }) => (
  <span className="flex items-center gap-2">
    <svg width="96" height="14" viewBox="0 0 96 14" aria-hidden="true" className="max-sm:hidden">
      <rect x="0.5" y="4.5" width="95" height="6" fill="none" stroke="var(--c-rule)" />
      <rect
        x="0.5"
        y="4.5"
        width={(95 * job.fastenersIn) / Math.max(1, job.fastenersTotal)}
        height="6"
        fill="var(--c-in)"
      />
      {[0, 24, 48, 72, 95].map((x) => (
        <line key={x} x1={x + 0.5} x2={x + 0.5} y1="1" y2="14" stroke="var(--c-faint)" strokeWidth="0.8" />
      ))}
    </svg>
    {job.fastenersIn} of {job.fastenersTotal} in
    {job.fastenersLeftOpen > 0 && `, ${job.fastenersLeftOpen} left open`}
  </span>
);

const COLUMNS: readonly Column<JobSummary>[] = [
  {
    id: 'number',
    name: 'Job',
    cell: ({ number }) => <span className="font-mono">{number}</span>,
    value: ({ number }) => number,
  },
  {
    id: 'title',
    name: 'What',
    cell: (job) => (
      <a href={`/jobs/${job.id}/${nextTab(job)}`} className="inline-flex min-h-11 items-center font-bold">
        {job.title}
      </a>
    ),
    value: ({ title }) => title,
    isTitle: true,
  },
  {
    id: 'stage',
    name: 'Stage',
    cell: ({ stage }) => STAGES[stage],
    value: ({ stage }) => STAGES[stage],
    isChoice: true,
  },
  {
    id: 'progress',
    name: 'Fasteners',
    cell: (job) => <Progress job={job} />,
    value: ({ fastenersIn, fastenersTotal }) => fastenersIn / Math.max(1, fastenersTotal),
    className: 'whitespace-nowrap',
  },
  {
    id: 'person',
    name: 'Last',
    cell: ({ lastPerson }) => lastPerson,
    value: ({ lastPerson }) => lastPerson,
    isChoice: true,
  },
  {
    id: 'at',
    name: 'When',
    cell: ({ lastEventAt }) => <time dateTime={lastEventAt}>{timeHere(lastEventAt)}</time>,
    value: ({ lastEventAt }) => lastEventAt,
    className: 'whitespace-nowrap',
  },
];

type Props = {
  readonly jobs: readonly JobSummary[];
  readonly person: Person;
  readonly intervals: readonly Interval[];
};

/** Every job, the one worked on last first; the name of each leads to where its work goes on. */
export const JobsList = ({ jobs: first, person, intervals }: Props) => {
  const { value: jobs, problem } = useAnswer(['jobs'], () => call(JOB_OPERATIONS.listJobs, undefined), first);
  const [isMine, setMine] = useState(false);
  const rows = useMemo(
    () => (isMine ? jobs.filter(({ lastPerson }) => lastPerson === person.name) : jobs),
    [jobs, isMine, person.name],
  );
  return (
    <div className="mx-auto max-w-7xl">
      <div className="mb-4 flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-xl font-bold">Jobs</h1>
        <a href="/jobs/new" className="act">
          New job
        </a>
      </div>
      <ProblemNotice problem={problem} />
      <WaitingJobs jobs={jobs} />
      <DueAgain intervals={intervals} />
      {jobs.length === 0 ? (
        <div className="panel p-6">
          <p className="mb-3">
            No job yet. A job starts from the list of its fasteners (a CSV file with at least position, label
            and requirement), from what is laid out here, from a template, or from one value to be tightened.
          </p>
          <a href="/jobs/new" className="act">
            Begin one
          </a>
        </div>
      ) : (
        <div className="panel p-4">
          <ListTable
            caption="jobs"
            columns={COLUMNS}
            rows={rows}
            rowId={({ id }) => id}
            searchIn={(job) => `${job.number} ${job.title} ${STAGES[job.stage]} ${job.lastPerson}`}
            tools={
              <Tick isOn={isMine} onChange={setMine} className="text-s">
                mine: I worked on it last
              </Tick>
            }
          />
        </div>
      )}
    </div>
  );
};
