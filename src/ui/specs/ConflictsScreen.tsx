import { useState } from 'react';
import { call } from '#client/api.ts';
import type { Person } from '#core/people/person.ts';
import type { Source } from '#core/spec/book/source.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { BookConflict, KeptRequirement } from '#wire/book.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import type { Site } from '#wire/site.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { WhyDialog } from '../kit/WhyDialog.tsx';
import { ConflictCard } from './ConflictCard.tsx';
import { SpecsTabs } from './SpecsTabs.tsx';

type Props = {
  readonly conflicts: readonly BookConflict[];
  readonly sources: readonly Source[];
  readonly site: Site;
  readonly person: Person;
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
      {conflicts.map((conflict) => (
        <ConflictCard
          key={`${conflict.first.id}${conflict.firstRow}${conflict.other.id}${conflict.otherRow}${conflict.isWithinOneSource}`}
          conflict={conflict}
          sources={sources}
          site={site}
          person={person}
          onChoose={(chosen, chosenRow) => setAsked({ conflict, chosen, chosenRow })}
        />
      ))}
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
