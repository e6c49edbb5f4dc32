import { useEffect, useState, useSyncExternalStore } from 'react';
import { type KeptJob, keptJobs } from '#client/offline/kept-jobs.ts';
import { OFFLINE_PAGE } from '#client/offline/names.ts';
import { waitingStore } from '#client/outbox/waiting.ts';
import { timeHere } from '../kit/time/here.ts';

/** How often it is tried whether the site answers again, in milliseconds. */
const TRIED_EVERY_MS = 10_000;

/** Opens what was asked for again; this page asked for by its own address leads to the jobs. */
const again = (): void => {
  if (window.location.pathname === OFFLINE_PAGE) window.location.assign('/jobs');
  else window.location.reload();
};

const waitingWords = (waiting: number): string =>
  waiting === 0 ? 'nothing waits to be sent' : `${waiting} waiting to be sent`;

/** What this device can open while the site can't be reached, and what waits on it. */
export const OfflineJobs = () => {
  const [jobs, setJobs] = useState<readonly KeptJob[] | null>(null);
  const [store] = useState(waitingStore);
  const outbox = useSyncExternalStore(store.subscribe, store.snapshot, () => null);
  useEffect(() => store.start(), [store]);
  useEffect(() => void keptJobs().then(setJobs), []);
  useEffect(() => {
    const timer = setInterval(() => {
      void fetch('/api/v1/people', { cache: 'no-store' }).then(
        ({ ok }) => ok && again(),
        () => {},
      );
    }, TRIED_EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  const waitingOf = (job: string): number =>
    outbox?.entries.filter(({ state, event }) => state === 'queued' && event.job === job).length ?? 0;
  return (
    <div className="mx-auto mt-6 grid max-w-2xl grid-cols-[minmax(0,1fr)] gap-4">
      <h1 className="text-2xl font-bold">
        The site can’t be reached
        <span className="block text-l font-normal text-faint">
          This page was never opened on this device. It is tried again every ten seconds.
        </span>
      </h1>
      {jobs?.length === 0 && (
        <p className="panel p-4">
          No job was opened on this device yet. Open one while the site answers; from then on it opens
          without.
        </p>
      )}
      {jobs && jobs.length > 0 && (
        <>
          <p>What was opened here goes on without it. What you do is kept on this device and sent later.</p>
          <ul className="grid gap-2" data-testid="kept-jobs">
            {jobs.map(({ job, number, title, openedAt }) => (
              <li key={job}>
                <a
                  href={`/jobs/${job}/bench`}
                  className="panel grid min-h-14 content-center px-4 py-2 text-ink no-underline"
                >
                  <strong className="text-m">
                    {title} <span className="font-normal text-faint">· job {number}</span>
                  </strong>
                  <span className="text-s text-faint">
                    opened here {timeHere(new Date(openedAt).toISOString())} · {waitingWords(waitingOf(job))}
                  </span>
                </a>
              </li>
            ))}
          </ul>
        </>
      )}
      <button type="button" className="act justify-self-start" onClick={again}>
        Try the site now
      </button>
    </div>
  );
};
