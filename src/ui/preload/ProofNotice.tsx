import type { ProofWarning } from '#core/preload/proof-warning.ts';
import { proofWords } from '#wire/words/preload.ts';

type Props = { readonly warning: ProofWarning | null };

/** Says on the face of a requirement where it would take its screw too far; nothing where it does not. */
export const ProofNotice = ({ warning }: Props) =>
  warning && (
    <p className="rounded-md border-2 border-high p-3 font-semibold text-high" data-testid="past-proof">
      {proofWords(warning)}
    </p>
  );
