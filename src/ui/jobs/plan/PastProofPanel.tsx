import type { JobView } from '#core/view/job-view.ts';
import { pastProof } from '#core/view/past-proof.ts';
import { proofWords } from '#wire/words/preload.ts';
import { legWords } from '#wire/words/route.ts';

const MOST_SHOWN = 4;

/** Screws that their requirement would take past 90 % of proof where friction is low, said before the first pull. */
export const PastProofPanel = ({ view }: { readonly view: JobView }) => {
  const past = pastProof(view);
  if (past.length === 0) return null;
  return (
    <section
      className="grid gap-2 rounded-md border-2 border-high p-3"
      aria-label="Screws near their limit"
      data-testid="past-proof"
    >
      {past.slice(0, MOST_SHOWN).map((each) => (
        <p key={each.positions[0]}>
          <strong className="font-mono">{legWords(each.positions)}</strong>: {proofWords(each)}
        </p>
      ))}
      {past.length > MOST_SHOWN && <p>and {past.length - MOST_SHOWN} more.</p>}
    </section>
  );
};
