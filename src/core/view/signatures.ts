import type { By } from '../job/happened.ts';
import type { SignatureBody } from '../job/signature.ts';

export type Signature = SignatureBody & {
  readonly eventId: string;
  readonly person: By['person'];
  readonly deviceTime: string;
};

/** A signature that no longer stands, and what struck it: the job was opened again, or a pull arrived that the signer had not seen. */
export type StruckSignature = Signature & {
  readonly because: 'reopened' | 'later-pull';
  readonly why: string;
};

/** Who signed a job, and what became of earlier signatures. */
export type SignaturesView = {
  readonly signatures: readonly Signature[];
  readonly struck: readonly StruckSignature[];
};

export const NO_SIGNATURES: SignaturesView = { signatures: [], struck: [] };

/** The signatures once something struck all that stood. */
export const allStruck = (
  { signatures, struck }: SignaturesView,
  because: StruckSignature['because'],
  why: string,
): SignaturesView => ({
  signatures: [],
  struck: [...struck, ...signatures.map((signature) => ({ ...signature, because, why }))],
});
