import type { JobView } from '#core/view/job-view.ts';
import type { PartHistory } from '#wire/part.ts';
import { partEntryWords, standsAgainst } from '#wire/words/part.ts';
import { PartEntries } from '../../parts/PartEntries.tsx';
import { localTime } from '../../shared/local-time.ts';

type Props = { readonly view: JobView; readonly parts: readonly PartHistory[] };

const SHOWN = 4;

/** The machine and the parts of a job with what they have been through on other jobs, and what stands against one. */
export const PartsPanel = ({ view, parts }: Props) => {
  const { asset, groups } = view.plan;
  const named = [...(asset ? [asset] : []), ...groups.flatMap((group) => group.parts)];
  if (named.length === 0) return null;
  return (
    <section className="panel grid gap-3 p-4" aria-label="Parts">
      <h2 className="text-l font-bold">Parts and their history</h2>
      {named.map(({ code, name, isIrreplaceable }) => {
        const history = parts.find((part) => part.code === code) ?? { code, total: 0, entries: [] };
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
            {isIrreplaceable && (
              <p className="font-semibold text-low">
                There is no other: stay in the lower half of its range, and stop at the first doubt.
              </p>
            )}
            {against && (
              <p role="alert" className="font-semibold text-high">
                Not good: {partEntryWords(against)}, {against.person}, {localTime(against.at)}. Take another.
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
