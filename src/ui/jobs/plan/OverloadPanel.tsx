import type { JobView } from '#core/view/job-view.ts';
import { overloads } from '#core/view/overloads.ts';
import { overloadWords } from '#wire/words/load.ts';

const MOST_SHOWN = 6;

/** Fasteners that carry more than they are rated for, said before the first pull: no torque cures it. */
export const OverloadPanel = ({ view }: { readonly view: JobView }) => {
  const over = overloads(view);
  if (over.length === 0) return null;
  return (
    <section
      className="grid gap-2 rounded-md border-2 border-high p-3"
      aria-label="Loads above their rating"
      data-testid="overloads"
    >
      {over.slice(0, MOST_SHOWN).map((each) => (
        <p key={each.positions[0]}>{overloadWords(each)}</p>
      ))}
      {over.length > MOST_SHOWN && <p>and {over.length - MOST_SHOWN} more.</p>}
      <p className="text-s text-faint">
        The rating is the maker’s; local codes say what counts as continuous.
      </p>
    </section>
  );
};
