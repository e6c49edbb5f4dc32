import { resolvedRequirement } from '#core/spec/requirement/resolved-requirement.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { requirementWords } from '#wire/words/requirement.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import type { Tightened } from './tighten-this.ts';

type Props = {
  readonly printed: string;
  readonly value: Tightened | null;
  readonly site: Site;
};

/** How a printed value is read, and where it comes from. */
export const TightenedValue = ({ printed, value, site }: Props) => {
  if (printed.trim() === '')
    return (
      <p className="text-s text-faint sm:col-span-2">
        Type it as it is printed, or press “Tighten this” beside any value of the book, a table or a sum.
      </p>
    );
  if (value?.taken && value.printed === printed)
    return (
      <p className="sm:col-span-2">
        {requirementWords(value.taken.torque.requirement)}{' '}
        <span className="text-faint">
          out of the book: {value.taken.book.code}, {value.taken.book.source.title},{' '}
          {value.taken.book.source.place}
        </span>
      </p>
    );
  const read = resolvedRequirement(printed, site.unit);
  return (
    <div className="sm:col-span-2">
      {read.ok ? (
        <p>{requirementWords(read.value.requirement)}</p>
      ) : (
        <ProblemNotice problem={problemDetails(read.refusal)} />
      )}
    </div>
  );
};
