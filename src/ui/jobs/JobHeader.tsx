import { lazy, memo } from 'react';
import type { SendingStuck } from '#client/outbox/signals.ts';
import { jobProgress } from '#core/view/open-items.ts';
import { siteDetails } from '#wire/problems/site-details.ts';
import { happeningWords } from '#wire/words/happening.ts';
import { Later } from '../kit/Later.tsx';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { ClockWarning } from './ClockWarning.tsx';
import { RoomWarning } from './RoomWarning.tsx';
import type { OpenJob } from './use-job.ts';

// Seldom: it comes when there is something to tell.
const ToldPulls = lazy(() => import('./ToldPulls.tsx').then(({ ToldPulls: told }) => ({ default: told })));

export type JobTab = 'plan' | 'bench' | 'sign';

const TABS: readonly { readonly id: JobTab; readonly name: string }[] = [
  { id: 'plan', name: 'Plan' },
  { id: 'bench', name: 'Bench' },
  { id: 'sign', name: 'Sign' },
];

const STUCK_WORDS: Readonly<Record<SendingStuck, string>> = {
  'no-connection': 'no connection',
  'site-busy': 'the site can’t take it now',
  'answer-unclear': 'the answer is not understood, asked again',
  'not-signed-in': 'sign in again',
  'device-store': 'this device does not give it out',
};

const waitingWords = ({ waiting, stuck, inMemory, settling, opensAlone }: OpenJob): string => {
  if (waiting === 0) return opensAlone ? 'all sent · opens off line' : 'all sent';
  // Nothing is promised before it is on disk.
  if (settling > 0) return `${waiting} being kept`;
  const where = inMemory > 0 ? `, ${inMemory === waiting ? 'all' : inMemory} in this tab only` : '';
  return `${waiting} waiting to send${stuck ? `, ${STUCK_WORDS[stuck]}` : ''}${where}`;
};

// One line, so that the work below it stays in reach; the bench stops at each by itself.
const RefusedLine = ({ entries }: { readonly entries: OpenJob['refusedEntries'] }) => {
  const [first] = entries;
  if (!first) return null;
  return (
    <p role="alert" className="border-l-4 border-high pl-3" data-testid="refused-line">
      <strong>Refused by the site, kept on this device:</strong> {happeningWords(first.event)}
      {entries.length > 1 && ` and ${entries.length - 1} more`}.{' '}
      <a href="/settings/keeping">What to do with it</a>
    </p>
  );
};

/** The head of a job's pages: what it is, its tabs in the order of the work, how far it is, and what waits to be sent. */
export const JobHeader = memo(({ job, tab }: { readonly job: OpenJob; readonly tab: JobTab }) => {
  const { plan } = job.view;
  const { total, inAcceptance, leftOpen } = jobProgress(job.view);
  return (
    <>
      <header className="flex flex-wrap items-center gap-x-6 border-b border-rule px-4 sm:px-6">
        <h1 className="min-w-0 flex-1 basis-44 truncate py-2 sm:basis-56 short:basis-24 short:py-1 text-l font-bold">
          {plan.title} <span className="font-normal text-faint">· job {plan.number}</span>
        </h1>
        <nav aria-label="Job" className="order-3 flex w-full sm:order-none sm:w-auto">
          {TABS.map(({ id, name }) => (
            <a
              key={id}
              href={`/jobs/${job.view.job}/${id}`}
              aria-current={tab === id ? 'page' : undefined}
              className="flex min-h-12 flex-1 items-center justify-center border-b-3 border-transparent px-5 text-m text-ink no-underline aria-[current=page]:border-layout aria-[current=page]:font-bold sm:min-h-16 short:min-h-11 short:px-3"
            >
              {name}
            </a>
          ))}
        </nav>
        <div className="py-2 text-right text-s max-sm:max-w-36">
          <strong className="text-m">
            {inAcceptance} of {total} in
          </strong>
          {leftOpen > 0 && <span> · {leftOpen} left open</span>}
          <div
            className={job.stuck && job.waiting > 0 ? 'font-semibold text-low' : 'text-faint'}
            data-testid="waiting"
          >
            {waitingWords(job)}
          </div>
        </div>
      </header>
      {job.told.length > 0 && (
        <Later>
          <ToldPulls job={job} />
        </Later>
      )}
      <ClockWarning />
      <RoomWarning />
      {(job.refusedEntries.length > 0 || job.storageProblem || job.unreadable > 0) && (
        <div className="grid gap-2 border-b border-rule p-3">
          <ProblemNotice problem={job.storageProblem} />
          {job.unreadable > 0 && <ProblemNotice problem={siteDetails({ code: 'outbox-unreadable' })} />}
          <RefusedLine entries={job.refusedEntries} />
        </div>
      )}
    </>
  );
});
