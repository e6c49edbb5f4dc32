import { type By, happenedAt } from '../job/happened.ts';
import type { Person } from '../people/person.ts';

/** That somebody took the bench over off the network: said by whom, and since when it is confirmed by what the other sent with their own PIN; null while it is not. */
export type Claim = By & {
  readonly claimed: Person;
  readonly since: string;
  readonly confirmedAt: string | null;
};

/** That somebody has proved by their PIN, at a moment, that they took over when it is said. */
type Proof = { readonly personId: string; readonly since: string; readonly at: string };

/** Who is said to have taken the bench over, in the order in which it was said, and who has proved it: a proof may come before what it proves. */
export type ClaimsView = { readonly claims: readonly Claim[]; readonly proofs: readonly Proof[] };

export const NO_CLAIMS: ClaimsView = { claims: [], proofs: [] };

type Said = Omit<Claim, 'confirmedAt'>;

const isOf = ({ claimed, since }: Said, proof: Proof): boolean =>
  claimed.id === proof.personId && since === proof.since;

/** With one more claim, which may be proved already. */
export const claimedBy = ({ claims, proofs }: ClaimsView, said: Said): Partial<ClaimsView> => ({
  claims: [...claims, { ...said, confirmedAt: proofs.find((proof) => isOf(said, proof))?.at ?? null }],
});

/** With one more proof. */
export const proved = ({ claims, proofs }: ClaimsView, proof: Proof): ClaimsView => ({
  claims: claims.map((claim) =>
    claim.confirmedAt === null && isOf(claim, proof) ? { ...claim, confirmedAt: proof.at } : claim,
  ),
  proofs: [...proofs, proof],
});

type Sent = Parameters<typeof happenedAt>[0] & { readonly person: Person };

/** The claims after something that somebody sent as themselves: what was said of them is confirmed where they did it since. */
export const confirmedBy = ({ claims }: ClaimsView, event: Sent): Partial<ClaimsView> => ({
  claims: claims.map((claim) =>
    claim.confirmedAt === null && claim.claimed.id === event.person.id && event.deviceTime > claim.since
      ? { ...claim, confirmedAt: happenedAt(event) }
      : claim,
  ),
});

/** The claims that nobody has confirmed. */
export const openClaims = ({ claims }: Pick<ClaimsView, 'claims'>): readonly Claim[] =>
  claims.filter(({ confirmedAt }) => confirmedAt === null);
