import type { PartEntry } from '#wire/part.ts';
import { partEntryWords } from '#wire/words/part.ts';
import { timeHere } from '../kit/time/here.ts';

/** What a part went through, the newest first. */
export const PartEntries = ({ entries }: { readonly entries: readonly PartEntry[] }) => (
  <ul className="grid gap-1">
    {entries.map((entry) => (
      <li key={entry.eventId} className="border-b border-rule py-1">
        <span
          className={
            entry.body.kind === 'step' && !entry.body.isGood && entry.body.result.kind !== 'left'
              ? 'font-semibold text-high'
              : ''
          }
        >
          {partEntryWords(entry)}
        </span>
        <div className="text-s text-faint">
          {timeHere(entry.at)}, {entry.person}, job{' '}
          <a href={`/jobs/${entry.job.id}/plan`}>
            {entry.job.number} {entry.job.title}
          </a>
        </div>
      </li>
    ))}
  </ul>
);
