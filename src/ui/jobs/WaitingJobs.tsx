import { useEffect, useState } from 'react';
import type { JobSummary } from '#wire/job-summary.ts';
import { timeHere } from '../kit/time/here.ts';

const LOOK_MS = 20_000;

/** Jobs whose work waits for something to settle, cure or discharge: which go on now, and until when the others wait. */
export const WaitingJobs = ({ jobs }: { readonly jobs: readonly JobSummary[] }) => {
  // What time it is the page knows once it is alive: the site that made it may be in another moment.
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    const look = (): void => setNow(Date.now());
    look();
    const timer = setInterval(look, LOOK_MS);
    return () => clearInterval(timer);
  }, []);
  const waiting = jobs
    .flatMap((job) => (job.waiting ? [{ job, ...job.waiting }] : []))
    .sort((a, b) => a.until.localeCompare(b.until));
  if (waiting.length === 0) return null;
  return (
    <section className="panel mb-4 grid gap-2 border-2 border-layout p-4" aria-label="Waiting to go on">
      <h2 className="text-l font-bold">Waiting to go on</h2>
      <ul className="grid gap-2">
        {waiting.map(({ job, title, until }) => {
          const isOver = now !== null && now >= Date.parse(until);
          return (
            <li key={job.id} className="flex flex-wrap items-center gap-x-3">
              <a href={`/jobs/${job.id}/bench`} className="inline-flex min-h-11 items-center font-bold">
                {job.number} {job.title}
              </a>
              <span>
                {title}:{' '}
                {isOver ? (
                  <strong className="text-low">the time is up since {timeHere(until)}</strong>
                ) : (
                  <>
                    until <time dateTime={until}>{timeHere(until)}</time>
                  </>
                )}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
};
