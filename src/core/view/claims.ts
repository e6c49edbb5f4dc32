import { type By, happenedAt } from '../job/happened.ts';
import type { Person } from '../people/person.ts';

/** That somebody took the bench over off the network: said by whom, and since when it is confirmed by what the other sent with their own PIN; null while it is not. */
export type Claim = By & {
  readonly claimed: Person;
  readonly since: string;
  readonly confirmedAt: string | null;
};

/** Who is said to have taken the bench over, in the order in which it was said. */
export type ClaimsView = { readonly claims: readonly Claim[] };

export const NO_CLAIMS: ClaimsView = { claims: [] };

type Sent = Parameters<typeof happenedAt>[0] & { readonly person: Person };

/** The claims after something that somebody sent as themselves: what was said of them is confirmed where they did it since. */
export const confirmedBy = ({ claims }: ClaimsView, event: Sent): ClaimsView => ({
  claims: claims.map((claim) =>
    claim.confirmedAt === null && claim.claimed.id === event.person.id && event.deviceTime > claim.since
      ? { ...claim, confirmedAt: happenedAt(event) }
      : claim,
  ),
});

/** The claims that nobody has confirmed. */
export const openClaims = ({ claims }: ClaimsView): readonly Claim[] =>
  claims.filter(({ confirmedAt }) => confirmedAt === null);
