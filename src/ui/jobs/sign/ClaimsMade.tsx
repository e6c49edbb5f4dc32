import type { JobView } from '#core/view/job-view.ts';
import { timeHere } from '../../kit/time/here.ts';

/** Who is said to have taken the bench over off the network, and whether their own PIN has confirmed it. */
export const ClaimsMade = ({ view: { claims } }: { readonly view: JobView }) => {
  if (claims.length === 0) return null;
  return (
    <>
      <h2 className="mt-5 mb-2 text-l font-bold">Taken over off the network</h2>
      <ul className="grid gap-1" data-testid="claims-made">
        {claims.map(({ eventId, claimed, person, since, confirmedAt }) => (
          <li key={eventId} className="border-b border-rule py-1">
            <strong>{claimed.name}</strong> from {timeHere(since)}, as {person.name} says.{' '}
            {confirmedAt === null ? (
              <strong className="text-low">
                Claimed, not confirmed: nothing has come by {claimed.name}’s own PIN since.
              </strong>
            ) : (
              <span className="text-in">Confirmed by {claimed.name}’s PIN.</span>
            )}
          </li>
        ))}
      </ul>
    </>
  );
};
