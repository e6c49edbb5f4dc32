import { lazy, Suspense, useSyncExternalStore } from 'react';
import { siteWasRestored } from '#client/device/site-life.ts';
import type { Person } from '#core/people/person.ts';

// Hardly any page ever needs it.
const LostByRestore = lazy(() =>
  import('./LostByRestore.tsx').then(({ LostByRestore: lost }) => ({ default: lost })),
);

/** Where the site was restored, offers what this device sent and the site no longer has. */
export const RestoredNotice = ({ person }: { readonly person: Person }) => {
  const isRestored = useSyncExternalStore(siteWasRestored.subscribe, siteWasRestored.snapshot, () => false);
  if (!isRestored) return null;
  return (
    <Suspense>
      <LostByRestore person={person} />
    </Suspense>
  );
};
