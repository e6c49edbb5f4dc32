import type { Interval } from '#wire/interval.ts';
import { dayHere } from '../kit/time/here.ts';
import { NextJob } from '../parts/NextJob.tsx';

/** Machines whose interval is over, each with its next job to open. */
export const DueAgain = ({ intervals }: { readonly intervals: readonly Interval[] }) => {
  const due = intervals.filter(({ isDue }) => isDue);
  if (due.length === 0) return null;
  return (
    <section className="panel mb-4 grid gap-2 border-2 border-low p-4" aria-label="To be tightened again">
      <h2 className="text-l font-bold">To be tightened again</h2>
      <ul className="grid gap-2">
        {due.map((interval) => (
          <li key={interval.code} className="flex flex-wrap items-center gap-3">
            <span className="min-w-0 flex-1 basis-56">
              <a href={`/parts/${encodeURIComponent(interval.code)}`} className="font-bold">
                {interval.code} {interval.name}
              </a>{' '}
              since {dayHere(interval.dueAt)}: every {interval.days} days, last {interval.job.number}{' '}
              {interval.job.title}
            </span>
            <NextJob interval={interval} />
          </li>
        ))}
      </ul>
    </section>
  );
};
