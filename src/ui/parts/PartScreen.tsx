import type { Interval } from '#wire/interval.ts';
import type { PartHistory } from '#wire/part.ts';
import { partEntryWords, standsAgainst } from '#wire/words/part.ts';
import { timeHere } from '../kit/time/here.ts';
import { IntervalPanel } from './IntervalPanel.tsx';
import { PartEntries } from './PartEntries.tsx';

type Props = { readonly history: PartHistory; readonly interval: Interval | null };

/** A part or machine by the code on it: what stands against it, and everything it went through over all jobs. */
export const PartScreen = ({ history, interval }: Props) => {
  const against = standsAgainst(history);
  const isAsset = history.entries.some(({ body }) => body.kind === 'planned' && body.as === 'asset');
  return (
    <div className="mx-auto grid max-w-4xl grid-cols-[minmax(0,1fr)] gap-4">
      <h1 className="text-xl font-bold">Part {history.code}</h1>
      {against && (
        <p role="alert" className="rounded-md border-2 border-high p-3">
          <strong className="text-high">Not good: {partEntryWords(against)}.</strong> {against.person},{' '}
          {timeHere(against.at)}. Take another, or inspect it anew on its job.
        </p>
      )}
      {isAsset && <IntervalPanel code={history.code} interval={interval} />}
      <section className="panel p-4">
        <h2 className="mb-2 text-l font-bold">What it has been through</h2>
        {history.entries.length === 0 ? (
          <p>
            No job has named this code. A list names it in its column <code className="font-mono">part</code>.
          </p>
        ) : (
          <PartEntries entries={history.entries} />
        )}
        {history.total > history.entries.length && (
          <p className="mt-2 text-s text-faint">
            The newest {history.entries.length} of {history.total}.
          </p>
        )}
      </section>
    </div>
  );
};
