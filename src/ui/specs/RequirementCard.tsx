import type { z } from 'zod';
import { call } from '#client/api.ts';
import { proofWarningInBook } from '#core/preload/proof-warning.ts';
import { specificationOf } from '#core/spec/book/book-requirement.ts';
import { sourceName } from '#core/spec/book/source.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { BookConflict, DependentJob, KeptRequirement } from '#wire/book.ts';
import type { Site } from '#wire/site.ts';
import { conditionWords, SOURCE_KIND_WORDS } from '#wire/words/book.ts';
import { requirementWords } from '#wire/words/requirement.ts';
import { useAsked } from '../kit/answer/use-answer.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { dayHere } from '../kit/time/here.ts';
import { fromTheBook, tightenThis } from '../layout/tighten-this.ts';
import { PreloadPanel } from '../preload/PreloadPanel.tsx';
import { ProofNotice } from '../preload/ProofNotice.tsx';
import { LiveDerivation } from './LiveDerivation.tsx';

type View = z.output<(typeof OPERATIONS)['requirement']['response']>;

const Jobs = ({ jobs, kept }: { readonly jobs: readonly DependentJob[]; readonly kept: KeptRequirement }) =>
  jobs.length > 0 && (
    <section>
      <h3 className="font-bold">Jobs that used it</h3>
      <ul>
        {jobs.map(({ id, number, title, revision, isOpen, fasteners }) => (
          <li key={`${id}${revision}`}>
            <a href={`/jobs/${id}/plan`}>
              {number} {title}
            </a>
            , {fasteners} {fasteners === 1 ? 'fastener' : 'fasteners'}, revision {revision}
            {revision < kept.revision && (
              <strong className="text-low"> {isOpen ? 'older than this one' : 'older, signed so'}</strong>
            )}
          </li>
        ))}
      </ul>
      {(kept.isWithdrawn || jobs.some(({ revision }) => revision < kept.revision)) && (
        <a className="act mt-2 justify-self-start" href={`/specs/recalls/requirement/${kept.id}`}>
          What was pulled to the old value?
        </a>
      )}
    </section>
  );

const Revisions = ({ revisions }: { readonly revisions: readonly KeptRequirement[] }) =>
  revisions.length > 1 && (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 font-bold text-layout">
        {revisions.length} revisions
      </summary>
      <ol className="grid gap-1">
        {revisions.map(({ revision, body, changedBy, changedAt, why, isWithdrawn }) => (
          <li key={revision}>
            {revision}: <strong>{body.torque.printed}</strong>
            {isWithdrawn && ', withdrawn'} · {changedBy}, {dayHere(changedAt)}
            {why && `: ${why}`}
          </li>
        ))}
      </ol>
    </details>
  );

const decidedWords = ({ first, other, isWithinOneSource, decision }: BookConflict, id: string): string => {
  if (!decision) return 'Nobody has decided yet.';
  const why = decision.why && `: ${decision.why}`;
  if (isWithinOneSource) return `${decision.by} settled on ${first.body.torque.readAs}${why}.`;
  const against = first.id === id ? other : first;
  return `${decision.by} decided for ${decision.chosen === id ? 'this one' : against.code}${why}.`;
};

/** Where another source, or the same one, says otherwise, and what was decided. */
const Disagreements = ({
  conflicts,
  id,
}: {
  readonly conflicts: readonly BookConflict[];
  readonly id: string;
}) =>
  conflicts.map((conflict) => {
    const { first, other, isWithinOneSource, differencePercent } = conflict;
    const against = first.id === id ? other : first;
    return (
      <p
        key={`${against.id}${isWithinOneSource}`}
        className="rounded-md border-2 border-high p-3"
        data-testid="disagreement"
      >
        <strong>{isWithinOneSource ? 'Its source contradicts itself.' : 'Sources disagree.'}</strong>{' '}
        {isWithinOneSource ? 'It also says' : `${against.code} says`} {against.body.torque.printed}
        {differencePercent !== null && `, ${Math.abs(differencePercent).toFixed(0)}\u00a0% apart`}.{' '}
        {decidedWords(conflict, id)} <a href="/specs/conflicts">See both</a>
      </p>
    );
  });

/** One requirement of the book, opened: the printed value first, its source and place, why the target is what it is. */
export const RequirementCard = ({
  name,
  site,
  onEdit,
}: {
  readonly name: string;
  readonly site: Site;
  readonly onEdit: (view: View) => void;
}) => {
  const { value: view, problem } = useAsked<View>(
    ['requirement', name],
    () => call(OPERATIONS.requirement, undefined, { requirement: name }),
    { isWanted: true },
  );
  if (!view) return problem ? <ProblemNotice problem={problem} /> : <p className="text-faint">Opening …</p>;
  const { kept, source, revisions, jobs, conflicts } = view;
  const { part, size, torque, otherPart, conditions, place, note } = kept.body;
  return (
    <article className="grid gap-3" aria-label={kept.code}>
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <p className="text-s text-faint">
            {kept.code} · revision {kept.revision}
          </p>
          <h2 className="text-xl leading-7 font-bold">{[part, size].filter(Boolean).join(', ')}</h2>
        </div>
        <div className="flex flex-wrap gap-2">
          {!kept.isWithdrawn && (
            <button
              type="button"
              className="act"
              onClick={() => tightenThis(fromTheBook(view.fromBook, [part, size].filter(Boolean).join(', ')))}
            >
              Tighten this
            </button>
          )}
          <button type="button" className="act-quiet" onClick={() => onEdit(view)}>
            Change it
          </button>
        </div>
      </div>
      <p className="text-2xl leading-10 font-bold" data-testid="printed">
        {torque.printed || requirementWords(torque.requirement)}
        {torque.readAs && <span className="text-l font-normal text-unsure"> read as {torque.readAs}</span>}
      </p>
      {otherPart && (
        <p>
          {otherPart.part}: <strong>{otherPart.printed}</strong>
        </p>
      )}
      <p>
        <a href={`/specs/sources/${source.id}`}>{sourceName(source)}</a>
        {place && `, ${place}`} <span className="text-faint">({SOURCE_KIND_WORDS[source.kind]})</span>
        {source.status !== 'current' && (
          <strong className="text-high"> This source is {source.status}; it is no longer in force.</strong>
        )}
        {kept.isWithdrawn && <strong className="text-high"> This requirement is withdrawn.</strong>}
      </p>
      <ProofNotice warning={proofWarningInBook(torque, conditions, size)} />
      <Disagreements conflicts={conflicts} id={kept.id} />
      {conditionWords(conditions).length > 0 && (
        <ul className="flex flex-wrap gap-2">
          {conditionWords(conditions).map((words) => (
            <li key={words} className="rounded border border-rule px-2 py-0.5">
              {words}
            </li>
          ))}
        </ul>
      )}
      {note && <p className="text-faint">{note}</p>}
      <LiveDerivation
        key={`${kept.id}${kept.revision}`}
        specification={specificationOf(kept.body)}
        site={site}
        conditions={conditions}
      />
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center font-bold text-layout">
          What it makes of the screw
        </summary>
        <PreloadPanel
          site={site}
          known={{
            thread: size,
            torque: torque.readAs ?? torque.printed,
            propertyClass: conditions.propertyClass ?? '',
          }}
        />
      </details>
      <Jobs jobs={jobs} kept={kept} />
      <Revisions revisions={revisions} />
    </article>
  );
};
export type { View as RequirementCardView };
