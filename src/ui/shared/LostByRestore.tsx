import { useEffect, useState } from 'react';
import { siteLifeSettled } from '#client/device/site-life.ts';
import { type LostEvent, lostByRestore } from '#client/outbox/lost-by-restore.ts';
import type { Person } from '#core/people/person.ts';
import { LostOffer } from './LostOffer.tsx';

/** What this device sent and a restored site no longer has, until it is settled; nothing where there is none. */
export const LostByRestore = ({ person }: { readonly person: Person }) => {
  const [lost, setLost] = useState<readonly LostEvent[]>([]);
  useEffect(() => {
    void lostByRestore().then((found) => {
      if (found?.length === 0) siteLifeSettled();
      setLost(found ?? []);
    });
  }, []);
  return lost.length === 0 ? null : <LostOffer lost={lost} person={person} onDone={siteLifeSettled} />;
};
