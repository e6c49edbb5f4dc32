import type { Schools } from '#core/target/schools.ts';
import type { LogEntry } from '#wire/book.ts';
import type { Site } from '#wire/site.ts';
import { schoolWords } from '#wire/words/derivation.ts';
import { type ChoiceQuestion, SCHOOL_QUESTIONS } from '#wire/words/schools.ts';
import { dayHere } from '../kit/time/here.ts';

type Change = { readonly before: Site; readonly after: Site; readonly changed: readonly (keyof Schools)[] };

const changeWords = (question: keyof Schools, { before, after }: Change): string => {
  const known = SCHOOL_QUESTIONS.find(({ id }) => id === question);
  const words = (site: Site): string =>
    known
      ? schoolWords({ question, choice: site.schools[question as ChoiceQuestion] } as Parameters<
          typeof schoolWords
        >[0])
      : String(site.schools[question]);
  const name =
    known?.question ?? SCHOOL_QUESTIONS.find(({ amount }) => amount?.id === question)?.amount?.name;
  return `${name ?? question}: ${words(before)} → ${words(after)}`;
};

/** Who changed which school, when and why. */
export const SchoolChanges = ({ changes }: { readonly changes: readonly LogEntry[] }) => {
  if (changes.length === 0)
    return <p className="text-faint">Nothing yet: the site works by its first choices.</p>;
  return (
    <ol className="grid gap-2 text-s" data-testid="school-changes">
      {changes.slice(0, 20).map(({ at, by, why, body }) => {
        const change = body as Change;
        return (
          <li key={at}>
            <strong>
              {dayHere(at)} {by}
            </strong>
            {why && `: ${why}`}
            {change.changed.map((question) => (
              <div key={question}>{changeWords(question, change)}</div>
            ))}
            {change.changed.length === 0 && <div>name or unit of the site</div>}
          </li>
        );
      })}
    </ol>
  );
};
