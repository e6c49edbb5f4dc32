import { useEffect } from 'react';
import { claimedHere } from '#client/device/claimed.ts';
import { noteSiteLife } from '#client/device/site-life.ts';
import { startSending } from '#client/outbox/sender.ts';
import type { Person } from '#core/people/person.ts';
import { NewerNotice } from './NewerNotice.tsx';
import { RestoredNotice } from './RestoredNotice.tsx';

type Props = {
  readonly person: Person;
  /** Which life of the site made this page. */
  readonly life: string | null;
};

/** Photographs are seldom, and large: what sends them comes behind. */
const PICTURES_AFTER_MS = 2_000;

/** Sends what waits on this device while a page is open, whichever page it is. Shows nothing, unless the site is newer than the page, or was
 *  restored and this device holds what it lost. */
export const OutboxSender = ({ person, life }: Props) => {
  useEffect(() => {
    if (claimedHere.snapshot())
      void import('#client/device/confirm-claim.ts').then(({ confirmClaim }) => confirmClaim(person));
    return startSending(person);
  }, [person]);
  useEffect(() => noteSiteLife(life), [life]);
  useEffect(() => {
    let stop = (): void => {};
    let isOver = false;
    const timer = setTimeout(() => {
      void import('#client/pictures/send-pictures.ts').then(({ startSendingPictures }) => {
        if (!isOver) stop = startSendingPictures(person);
      });
    }, PICTURES_AFTER_MS);
    return () => {
      isOver = true;
      clearTimeout(timer);
      stop();
    };
  }, [person]);
  return (
    <>
      <NewerNotice />
      <RestoredNotice person={person} />
    </>
  );
};
