import { useEffect } from 'react';
import { startSending } from '#client/outbox/sender.ts';
import type { Person } from '#core/people/person.ts';
import { startDrawerKeys } from './drawer-keys.ts';
import { RestoredNotice } from './RestoredNotice.tsx';

/** Sends what waits on this device while a page is open, whichever page it is, and listens for the keys that open drawers. Shows
 *  nothing, unless the site was restored and this device holds what it lost. */
export const OutboxSender = ({ person }: { readonly person: Person }) => {
  useEffect(() => startSending(person), [person]);
  useEffect(startDrawerKeys, []);
  return <RestoredNotice person={person} />;
};
