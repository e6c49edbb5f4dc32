import { useEffect, useState, useSyncExternalStore } from 'react';
import { type ClaimedHere, releaseDevice } from '#client/device/claimed.ts';
import { waitingStore } from '#client/outbox/waiting.ts';
import { timeHere } from '../kit/time/here.ts';

type Props = { readonly claim: ClaimedHere; readonly job: string };

/** Says that somebody took over off the network, as claimed, and leads to the PIN that confirms it: once what the person before did has been sent. */
export const ClaimedStrip = ({ claim: { claimed, by, since }, job }: Props) => {
  const [store] = useState(waitingStore);
  const outbox = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  useEffect(() => store.start(), [store]);
  const first = (outbox?.entries ?? []).filter(
    ({ state, event }) => state === 'queued' && event.person.id === by.id,
  ).length;
  return (
    <div
      role="status"
      className="flex flex-wrap items-center gap-3 border-b-2 border-low bg-sheet p-3"
      data-testid="claimed"
    >
      <p className="flex-1 basis-72">
        <strong>{claimed.name}, as claimed</strong> since {timeHere(since)}. {by.name} is signed in on this
        device: what {claimed.name} does waits here until their PIN confirms it, and the record says so.
        {first > 0 && ` What ${by.name} did goes first: ${first} ${first === 1 ? 'waits' : 'wait'}.`}
      </p>
      {first === 0 && (
        <a className="act" href={`/sign-in?to=/jobs/${job}/bench`}>
          Confirm with {claimed.name}’s PIN
        </a>
      )}
      <button type="button" className="act-quiet" onClick={releaseDevice}>
        {by.name} again
      </button>
    </div>
  );
};
