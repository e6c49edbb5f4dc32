import { assumptionsOf } from '#core/view/assumptions.ts';
import type { JobView } from '#core/view/job-view.ts';
import { assumptionWords } from '#wire/words/assumption.ts';

/** Words in which a position such as X3-17 never breaks over a line: half of it may name another. */
const Unbroken = ({ words }: { readonly words: string }) =>
  words.split(/(\S+-\S+)/).map((part, index) =>
    index % 2 === 0 ? (
      part
    ) : (
      // biome-ignore lint/suspicious/noArrayIndexKey: the parts of one sentence never move
      <span key={index} className="whitespace-nowrap">
        {part}
      </span>
    ),
  );

/** What was assumed on a job, said alike wherever it matters: on the Plan, before the first pull, and before a signature. */
export const AssumedLines = ({ view }: { readonly view: JobView }) => {
  const assumptions = assumptionsOf(view);
  if (assumptions.length === 0) return null;
  return (
    <section
      className="grid gap-1 rounded-md border-2 border-low p-3"
      aria-label="Assumed"
      data-testid="assumed"
    >
      {assumptions.map((assumption) => {
        const { title, detail } = assumptionWords(assumption, view.fasteners.length);
        return (
          <p key={assumption.id}>
            <strong className="text-low">{title}.</strong> <Unbroken words={detail} />
          </p>
        );
      })}
    </section>
  );
};
