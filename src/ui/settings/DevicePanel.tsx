import { useEffect, useState, useSyncExternalStore } from 'react';
import { isInMemory, type OutboxEntry } from '#client/outbox/entry.ts';
import { exportedEntries } from '#client/outbox/refused.ts';
import { waitingStore } from '#client/outbox/waiting.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import { happeningWords } from '#wire/words/happening.ts';
import { RefusedEntry } from '../jobs/RefusedEntry.tsx';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { timeHere } from '../kit/time/here.ts';
import { fileLink } from '../shared/file-link.ts';
import { PicturesWaiting } from './PicturesWaiting.tsx';

const FIRST = 12;

const Waiting = ({ entries }: { readonly entries: readonly OutboxEntry[] }) => (
  <ul className="grid gap-1 text-s" data-testid="waiting-here">
    {entries.slice(0, FIRST).map((entry) => (
      <li key={entry.event.id}>
        {happeningWords(entry.event)}, by {entry.event.person.name} at {timeHere(entry.event.deviceTime)}
        {isInMemory(entry) && <strong className="text-low"> in this tab only</strong>}{' '}
        <a href={`/jobs/${entry.event.job}/bench`}>its job</a>
      </li>
    ))}
    {entries.length > FIRST && <li>and {entries.length - FIRST} more</li>}
  </ul>
);

/** What waits on this device, of every job and person: unsent, refused, or no longer readable. */
export const DevicePanel = () => {
  const [store] = useState(waitingStore);
  const outbox = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  useEffect(() => store.start(), [store]);
  if (!outbox) return null;
  const { entries, unreadable, isWhole } = outbox;
  const waiting = entries.filter(({ state }) => state === 'queued');
  const refused = entries.filter(({ state }) => state === 'refused');
  const all = [...entries, ...unreadable];
  return (
    <section className="panel grid gap-3 p-4" data-testid="this-device">
      <h2 className="text-l font-bold">On this device</h2>
      {!isWhole && <ProblemNotice problem={problemDetails({ code: 'device-keeps-nothing' })} />}
      <PicturesWaiting />
      {all.length === 0 && <p>Everything that happened here is sent.</p>}
      {waiting.length > 0 && (
        <>
          <p>
            {waiting.length} waiting to be sent. What somebody else did waits until they sign in here again.
          </p>
          <Waiting entries={waiting} />
        </>
      )}
      {refused.map((entry) => (
        <RefusedEntry key={entry.event.id} entry={entry} />
      ))}
      {unreadable.length > 0 && <ProblemNotice problem={problemDetails({ code: 'outbox-unreadable' })} />}
      {all.length > 0 && (
        <a
          className="act-quiet justify-self-start"
          download="jentik-this-device.json"
          href={fileLink(exportedEntries(all))}
        >
          Save all of it as a file
        </a>
      )}
    </section>
  );
};
