import type { PartHistory } from '#wire/part.ts';
import { partEntryWords, standsAgainst } from '#wire/words/part.ts';
import { timeHere } from '../../kit/time/here.ts';
import { PartEntries } from '../../parts/PartEntries.tsx';
import type { OpenJob } from '../use-job.ts';
import { LowerHalfOffer } from './LowerHalfOffer.tsx';

type Props = { readonly job: OpenJob; readonly parts: readonly PartHistory[] };

const SHOWN = 4;

/** The machine and the parts of a job with what they have been through on other jobs, and what stands against one. */
export const PartsPanel = ({ job, parts }: Props) => {
  const { view } = job;
  const { asset, groups } = view.plan;
  const named = [...(asset ? [asset] : []), ...groups.flatMap((group) => group.parts)];
  if (named.length === 0) return null;
  return (
    <section className="panel grid gap-3 p-4" aria-label="Parts">
      <h2 className="text-l font-bold">Parts and their history</h2>
      {named.map((part) => {
        const { code, name } = part;
        const history = parts.find((each) => each.code === code) ?? { code, total: 0, entries: [] };
        const elsewhere = history.entries.filter(({ job }) => job.id !== view.job);
        const against = standsAgainst(history);
        return (
          <div key={code}>
            <p>
              <a href={`/parts/${encodeURIComponent(code)}`} className="font-mono font-bold underline">
                {code}
              </a>{' '}
              {name}
            </p>
            {part.isIrreplaceable && <LowerHalfOffer part={part} job={job} />}
            {against && (
              <p role="alert" className="font-semibold text-high">
                Not good: {partEntryWords(against)}, {against.person}, {timeHere(against.at)}. Take another.
              </p>
            )}
            {elsewhere.length === 0 ? (
              <p className="text-s text-faint">On no other job yet.</p>
            ) : (
              <details>
                <summary className="min-h-11 cursor-pointer py-2 text-layout underline underline-offset-3">
                  {elsewhere.length} {elsewhere.length === 1 ? 'entry' : 'entries'} of other jobs
                </summary>
                <PartEntries entries={elsewhere.slice(0, SHOWN)} />
              </details>
            )}
          </div>
        );
      })}
    </section>
  );
};
