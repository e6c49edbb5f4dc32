import { useState } from 'react';
import { call } from '#client/api.ts';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { displayTorque } from '#core/quantity/display.ts';
import { newtonMetres, type TorqueUnit } from '#core/quantity/unit.ts';
import { type Source, sourceName } from '#core/spec/book/source.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { BookConflict, ConflictEffect, KeptRequirement } from '#wire/book.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { SOURCE_KIND_WORDS } from '#wire/words/book.ts';
import { mixUpWords } from '#wire/words/mix-up.ts';
import { requirementWords } from '#wire/words/requirement.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { WhyDialog } from '../shared/WhyDialog.tsx';
import { SpecsTabs } from './SpecsTabs.tsx';

type Props = {
  readonly conflicts: readonly BookConflict[];
  readonly sources: readonly Source[];
  readonly site: Site;
  readonly person: Person;
};

const RESOLUTION = { sourceDigits: 2, graduation: null };

const Side = ({
  kept,
  row,
  torque,
  source,
  isChosen,
  site,
}: {
  readonly kept: KeptRequirement;
  readonly row: number | null;
  readonly torque: number | null;
  readonly source: Source | undefined;
  readonly isChosen: boolean;
  readonly site: Site;
}) => {
  const other: TorqueUnit = site.unit === 'N.m' ? 'lbf.in' : 'N.m';
  return (
    <div
      className={`grid content-start gap-1 rounded-md border-2 p-3 ${isChosen ? 'border-in' : 'border-rule'}`}
    >
      <p className="text-xl font-bold">{requirementWords(kept.body.torque.requirement)}</p>
      {torque !== null && (
        <p>
          target {displayTorque(newtonMetres(torque), site.unit, RESOLUTION)} ={' '}
          {displayTorque(newtonMetres(torque), other, RESOLUTION)}
        </p>
      )}
      <p className="text-s">
        <a href={row === null ? `/specs?requirement=${kept.id}` : `/specs/tables/${kept.id}`}>{kept.code}</a>{' '}
        · {source && sourceName(source)}
        {kept.body.place && `, ${kept.body.place}`}
        {source && (
          <span className="text-faint">
            {' '}
            ({SOURCE_KIND_WORDS[source.kind]}
            {source.datedOn && (
              <>
                , <span className="whitespace-nowrap">{source.datedOn}</span>
              </>
            )}
            )
          </span>
        )}
      </p>
      {isChosen && <strong className="text-in">This one governs.</strong>}
    </div>
  );
};

const Effects = ({ conflict }: { readonly conflict: BookConflict }) => {
  const [effects, setEffects] = useState<readonly ConflictEffect[] | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const load = async (): Promise<void> => {
    const answer = await call(OPERATIONS.conflictEffects, undefined, {
      first: conflict.first.id,
      other: conflict.other.id,
    });
    if (answer.ok) setEffects(answer.value);
    else setProblem(answer.problem);
  };
  if (problem) return <ProblemNotice problem={problem} />;
  if (!effects)
    return (
      <button type="button" className="act-quiet justify-self-start" onClick={() => void load()}>
        What would it change?
      </button>
    );
  if (effects.length === 0) return <p>No job uses either of them.</p>;
  return (
    <ul className="grid gap-1" data-testid="effects">
      {effects.map(({ job, would, pulled, changed }) => {
        const governs = would === conflict.first.id ? conflict.first : conflict.other;
        return (
          <li key={`${job.id}${would}`}>
            If {conflict.isWithinOneSource ? conflict.other.body.torque.printed : governs.code} governs:{' '}
            <a href={`/jobs/${job.id}/plan`}>
              {job.number} {job.title}
            </a>
            , {job.fasteners} {job.fasteners === 1 ? 'fastener' : 'fasteners'}, {pulled} pulled,{' '}
            {changed.length === 0 ? (
              'no verdict changes'
            ) : (
              <strong className="text-high">
                {changed.length} {changed.length === 1 ? 'verdict changes' : 'verdicts change'}:{' '}
                {changed
                  .slice(0, 8)
                  .map(
                    ({ position, was, would: then }) =>
                      `${position} ${STATUS_WORDS[was as 'in']} → ${STATUS_WORDS[then as 'in']}`,
                  )
                  .join(', ')}
              </strong>
            )}
          </li>
        );
      })}
    </ul>
  );
};

/** Where sources in force disagree: both side by side in both units, the likely cause, the effect, and a decision with its reason. */
export const ConflictsScreen = ({ conflicts: first, sources, site, person }: Props) => {
  const [conflicts, setConflicts] = useState(first);
  const [asked, setAsked] = useState<{
    readonly conflict: BookConflict;
    readonly chosen: KeptRequirement;
    readonly chosenRow: number | null;
  } | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const sourceOf = (kept: KeptRequirement): Source | undefined =>
    sources.find(({ id }) => id === kept.sourceId);
  const decide = async (why: string): Promise<void> => {
    if (!asked) return;
    const { conflict, chosen, chosenRow } = asked;
    const answer = await call(OPERATIONS.decideConflict, {
      first: conflict.first.id,
      firstRow: conflict.firstRow,
      other: conflict.other.id,
      otherRow: conflict.otherRow,
      chosen: chosen.id,
      chosenRow,
      why,
    });
    setAsked(null);
    if (answer.ok) setConflicts(answer.value);
    else setProblem(answer.problem);
  };
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <h1 className="text-xl font-bold">Specs</h1>
      <SpecsTabs tab="conflicts" undecided={conflicts.filter(({ decision }) => !decision).length} />
      <ProblemNotice problem={problem} />
      {conflicts.length === 0 && <p>No source in force says another thing than the rest, or than itself.</p>}
      {conflicts.map((conflict) => {
        const { first: a, other: b, differencePercent, likely, decision } = conflict;
        return (
          <section
            key={`${a.id}${conflict.firstRow}${b.id}${conflict.otherRow}${conflict.isWithinOneSource}`}
            className="panel grid gap-3 p-4"
            aria-label={conflict.subject}
            data-testid="conflict"
          >
            <div className="flex flex-wrap items-baseline justify-between gap-2">
              <h2 className="text-l font-bold">{conflict.subject}</h2>
              <strong className="text-high">
                {differencePercent === null
                  ? 'statements of different kinds'
                  : `${differencePercent > 0 ? '+' : '−'}${Math.abs(differencePercent).toFixed(0)} %`}
              </strong>
            </div>
            <div className="grid gap-3 sm:grid-cols-2">
              <Side
                kept={a}
                row={conflict.firstRow}
                torque={conflict.firstNewtonMetres}
                source={sourceOf(a)}
                isChosen={decision?.chosen === a.id && decision.chosenRow === conflict.firstRow}
                site={site}
              />
              <Side
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
            <Effects conflict={conflict} />
            {decision && (
              <p>
                {decision.by} {conflict.isWithinOneSource ? 'settled it' : 'decided'} on{' '}
                {decision.at.slice(0, 10)}
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
                    onClick={() => setAsked({ conflict, chosen: kept, chosenRow })}
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
      })}
      {asked && (
        <WhyDialog
          title={`${asked.chosen.code} governs`}
          explanation="The decision and its reason stay in the log, and in the record of every job that uses this value. A new revision of either asks again."
          action="Decide so"
          usual={['newer document', 'the maker confirmed it', 'the label on the part governs']}
          onClose={() => setAsked(null)}
          onDone={(why) => void decide(why)}
        />
      )}
    </div>
  );
};
