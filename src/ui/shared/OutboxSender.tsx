import { useEffect } from 'react';
import { startSending } from '#client/outbox/sender.ts';
import type { Person } from '#core/people/person.ts';
import { startDrawerKeys } from './drawer-keys.ts';

/** Sends what waits on this device while a page is open, whichever page it is, and listens for the keys that open drawers. Shows nothing. */
export const OutboxSender = ({ person }: { readonly person: Person }) => {
  useEffect(() => startSending(person), [person]);
  useEffect(startDrawerKeys, []);
  return null;
};
