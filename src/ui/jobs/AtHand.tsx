import { Fragment, lazy, type ReactNode, useEffect, useSyncExternalStore } from 'react';
import { claimedHere, handsOf, releaseDevice } from '#client/device/claimed.ts';
import type { Person } from '#core/people/person.ts';
import { Later } from '../kit/Later.tsx';

const ClaimedStrip = lazy(() =>
  import('./ClaimedStrip.tsx').then(({ ClaimedStrip: strip }) => ({ default: strip })),
);
const nobody = (): null => null;

type Props = {
  /** Who is signed in. */
  readonly person: Person;
  readonly job: string;
  /** The screen, for whoever is at the device. */
  readonly children: (hands: Person) => ReactNode;
};

/** A screen in the hands of whoever is at this device: the person who is signed in, or who took over from them off the network, which is said above it. */
export const AtHand = ({ person, job, children }: Props) => {
  const claim = useSyncExternalStore(claimedHere.subscribe, claimedHere.snapshot, nobody);
  const isMine = claim !== null && claim.by.id === person.id;
  useEffect(() => {
    // Somebody else has signed in since. Who was said to be here confirms it by their PIN (client/device/confirm-claim).
    if (claim !== null && !isMine && claim.claimed.id !== person.id) releaseDevice();
  }, [claim, isMine, person.id]);
  const hands = handsOf(claim, person);
  return (
    <>
      {isMine && (
        <Later>
          <ClaimedStrip claim={claim} job={job} />
        </Later>
      )}
      <Fragment key={hands.id}>{children(hands)}</Fragment>
    </>
  );
};
