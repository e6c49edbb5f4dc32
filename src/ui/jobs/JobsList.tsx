import type { JobSummary } from '#wire/job-summary.ts';
import { type Column, SortableTable } from '../shared/SortableTable.tsx';

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
    sortBy: ({ number }) => number,
  },
  {
    id: 'title',
    name: 'What',
    cell: (job) => (
      <a href={`/jobs/${job.id}/${nextTab(job)}`} className="inline-flex min-h-11 items-center font-bold">
        {job.title}
      </a>
    ),
    sortBy: ({ title }) => title,
  },
  { id: 'stage', name: 'Stage', cell: ({ stage }) => STAGES[stage], sortBy: ({ stage }) => STAGES[stage] },
  {
    id: 'progress',
    name: 'Fasteners',
    cell: (job) => <Progress job={job} />,
    sortBy: ({ fastenersIn, fastenersTotal }) => fastenersIn / Math.max(1, fastenersTotal),
    className: 'whitespace-nowrap',
  },
  {
    id: 'person',
    name: 'Last',
    cell: ({ lastPerson }) => lastPerson,
    sortBy: ({ lastPerson }) => lastPerson,
  },
  {
    id: 'at',
    name: 'When',
    cell: ({ lastEventAt }) => (
      <time dateTime={lastEventAt}>{lastEventAt.slice(0, 16).replace('T', ' ')} UTC</time>
    ),
    sortBy: ({ lastEventAt }) => lastEventAt,
    className: 'whitespace-nowrap',
  },
];

/** Every job, the one worked on last first; the name of each leads to where its work goes on. */
export const JobsList = ({ jobs }: { readonly jobs: readonly JobSummary[] }) => (
  <div className="mx-auto max-w-6xl">
    <div className="mb-4 flex flex-wrap items-center justify-between gap-3">
      <h1 className="text-xl font-bold">Jobs</h1>
      <a href="/jobs/new" className="act">
        New job from a list
      </a>
    </div>
    {jobs.length === 0 ? (
      <div className="panel p-6">
        <p className="mb-3">
          No job yet. A job starts from the list of its fasteners: a CSV file with at least position, label
          and requirement.
        </p>
        <a href="/jobs/new" className="act">
          Choose the list
        </a>
      </div>
    ) : (
      <div className="panel p-4">
        <SortableTable
          caption="jobs"
          columns={COLUMNS}
          rows={jobs}
          rowId={({ id }) => id}
          searchIn={(job) => `${job.number} ${job.title} ${STAGES[job.stage]} ${job.lastPerson}`}
        />
      </div>
    )}
  </div>
);
