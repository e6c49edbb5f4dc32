import { lazy, Suspense, useEffect, useState, useSyncExternalStore } from 'react';
import { siteLifeSettled, siteWasRestored } from '#client/device/site-life.ts';
import type { LostEvent } from '#client/outbox/lost-by-restore.ts';
import type { Person } from '#core/people/person.ts';

// Hardly any page ever needs it.
const LostOffer = lazy(() => import('./LostOffer.tsx').then(({ LostOffer: offer }) => ({ default: offer })));

/** Offers what this device sent and a restored site no longer has. */
export const RestoredNotice = ({ person }: { readonly person: Person }) => {
  const isRestored = useSyncExternalStore(siteWasRestored.subscribe, siteWasRestored.snapshot, () => false);
  const [lost, setLost] = useState<readonly LostEvent[]>([]);
  useEffect(() => {
    if (!isRestored) return;
    void import('#client/outbox/lost-by-restore.ts')
      .then(({ lostByRestore }) => lostByRestore())
      .then((found) => {
        if (found?.length === 0) siteLifeSettled();
        setLost(found ?? []);
      });
  }, [isRestored]);
  if (!isRestored || lost.length === 0) return null;
  return (
    <Suspense>
      <LostOffer
        lost={lost}
        person={person}
        onDone={() => {
          siteLifeSettled();
          setLost([]);
        }}
      />
    </Suspense>
  );
};
