import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import type { Source } from '#core/spec/book/source.ts';
import type { BookConflict, KeptRequirement } from '#wire/book.ts';
import type { Site } from '#wire/site.ts';
import { mixUpWords } from '#wire/words/mix-up.ts';
import { dayHere } from '../kit/time/here.ts';
import { ConflictEffects } from './ConflictEffects.tsx';
import { ConflictSide } from './ConflictSide.tsx';

type Props = {
  readonly conflict: BookConflict;
  readonly sources: readonly Source[];
  readonly site: Site;
  readonly person: Person;
  readonly onChoose: (chosen: KeptRequirement, row: number | null) => void;
};

/** A disagreement: both sides, by how much, the likely cause, what a decision would change, and the decision. */
export const ConflictCard = ({ conflict, sources, site, person, onChoose }: Props) => {
  const { first: a, other: b, differencePercent, likely, decision } = conflict;
  const sourceOf = (kept: KeptRequirement): Source | undefined =>
    sources.find(({ id }) => id === kept.sourceId);
  return (
    <section className="panel grid gap-3 p-4" aria-label={conflict.subject} data-testid="conflict">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h2 className="text-l font-bold">{conflict.subject}</h2>
        <strong className="text-high">
          {differencePercent === null
            ? 'statements of different kinds'
            : `${differencePercent > 0 ? '+' : '−'}${Math.abs(differencePercent).toFixed(0)} %`}
        </strong>
      </div>
      <div className="grid gap-3 sm:grid-cols-2">
        <ConflictSide
          kept={a}
          row={conflict.firstRow}
          torque={conflict.firstNewtonMetres}
          source={sourceOf(a)}
          isChosen={decision?.chosen === a.id && decision.chosenRow === conflict.firstRow}
          site={site}
        />
        <ConflictSide
          kept={b}
          row={conflict.otherRow}
          torque={conflict.otherNewtonMetres}
          source={sourceOf(b)}
          isChosen={
            !conflict.isWithinOneSource &&
            decision?.chosen === b.id &&
            decision.chosenRow === conflict.otherRow
          }
          site={site}
        />
      </div>
      {likely[0] && <p className="font-bold text-unsure">The second is {mixUpWords(likely[0])}.</p>}
      <ConflictEffects conflict={conflict} />
      {decision && (
        <p>
          {decision.by} {conflict.isWithinOneSource ? 'settled it' : 'decided'} on {dayHere(decision.at)}
          {decision.why && `: ${decision.why}`}
        </p>
      )}
      {conflict.isWithinOneSource ? (
        <p className="text-s">
          One source prints both: “{a.body.torque.printed}”.{' '}
          <a href={`/specs?requirement=${a.id}`}>Settle it otherwise</a> in a new revision.
        </p>
      ) : may(person, 'decide-conflict') ? (
        <div className="flex flex-wrap gap-2">
          {(
            [
              [a, conflict.firstRow],
              [b, conflict.otherRow],
            ] as const
          ).map(([kept, chosenRow]) => (
            <button
              key={kept.code}
              type="button"
              className="act-quiet"
              onClick={() => onChoose(kept, chosenRow)}
            >
              {kept.code} governs: {kept.body.torque.printed}
            </button>
          ))}
        </div>
      ) : (
        <p className="text-s text-faint">A lead decides which governs.</p>
      )}
    </section>
  );
};
