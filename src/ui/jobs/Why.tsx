import type { FastenerView } from '#core/view/bench.ts';
import { targetOrNull } from '#core/view/fastener-target.ts';
import type { JobView } from '#core/view/job-view.ts';
import { conditionWords } from '#wire/words/book.ts';
import { derivationWords } from '#wire/words/derivation.ts';
import { writtenWords } from '#wire/words/requirement.ts';
import { requirementView } from './requirement-view.ts';

type Props = { readonly fastener: FastenerView; readonly job: JobView };

/** How a fastener's target and limits came about, line by line, with the source and the schools. */
export const Why = ({ fastener, job }: Props) => {
  const { unit, resolution } = requirementView(job, fastener, null);
  const { printed, readAs, book } = fastener.planned.requirement;
  const { title, revision, place } = book?.source ?? job.plan.source;
  return (
    <div className="grid gap-2 text-m">
      <p>
        Printed: <strong>{printed}</strong>
        {readAs && !book && (
          <>
            , read by a person as <strong>{readAs}</strong>
          </>
        )}
        {book && (
          <>
            , in the book{' '}
            <a
              href={
                book.kind === 'requirement' ? `/specs?requirement=${book.id}` : `/specs/tables/${book.id}`
              }
            >
              {book.code}
            </a>{' '}
            revision {book.revision}: <strong>{readAs ?? printed}</strong>
          </>
        )}
        <br />
        <span className="text-faint">
          {title}
          {revision && `, revision ${revision}`}
          {place && `, ${place}`}
        </span>
        {book?.decided && (
          <span className="block">
            Sources disagree; {book.decided.by} decided for this one: {book.decided.why}
          </span>
        )}
        {book && conditionWords(book.conditions).length > 0 && (
          <span className="block">{conditionWords(book.conditions).join('; ')}</span>
        )}
        {fastener.runOn && (
          <span className="block">Run-on torque measured here: {writtenWords(fastener.runOn)}, added.</span>
        )}
      </p>
      <dl className="grid gap-1">
        {(targetOrNull(job, fastener)?.steps ?? []).map((step, index) => {
          const { gives, line, note } = derivationWords(step, unit, resolution.sourceDigits);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a rule may be applied twice; steps have no identity but their place
            <div key={index} className="grid grid-cols-[6rem_1fr] gap-x-2">
              <dt className="text-faint">{gives}</dt>
              <dd>
                {line}
                {note && <div className={step.assumed ? 'font-semibold text-low' : 'text-faint'}>{note}</div>}
              </dd>
            </div>
          );
        })}
      </dl>
      <p className="text-s text-faint">The maker’s instructions and local codes override this.</p>
    </div>
  );
};
