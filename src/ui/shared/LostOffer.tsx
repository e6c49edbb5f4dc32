import { type LostEvent, sendLostAgain } from '#client/outbox/lost-by-restore.ts';
import { forgetSent } from '#client/outbox/sent.ts';
import type { Person } from '#core/people/person.ts';
import { fileLink } from './file-link.ts';

const counted = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;

/** What a restored site no longer has and this device still holds: sent again, saved, or left out. */
export const LostOffer = ({
  lost,
  person,
  onDone,
}: {
  lost: readonly LostEvent[];
  person: Person;
  onDone: () => void;
}) => {
  const mine = lost.filter(({ event, maySend }) => maySend && event.person.id === person.id);
  const others = lost.filter(({ event, maySend }) => maySend && event.person.id !== person.id);
  const gone = lost.filter(({ maySend }) => !maySend);
  const jobs = new Set(lost.map(({ event }) => event.job)).size;
  return (
    <div
      role="alert"
      className="fixed inset-x-3 bottom-16 z-30 mx-auto grid max-w-3xl gap-2 rounded-md border-2 border-unsure bg-sheet p-4 text-m sm:bottom-4"
      data-testid="lost-by-restore"
    >
      <p>
        <strong>The site was restored from a backup.</strong> This device holds{' '}
        {counted(lost.length, 'event')} of {counted(jobs, 'job')} that it sent before and the site no longer
        has.
      </p>
      {others.length > 0 && <p>{counted(others.length, 'event')} of others wait until they sign in here.</p>}
      {gone.length > 0 && (
        <p>
          {counted(gone.length, 'event')} can’t be sent again: a plan or a signature is made anew, and a job
          that is gone takes nothing. Save what is here first.
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        {mine.length + others.length > 0 && (
          <button type="button" className="act" onClick={() => void sendLostAgain(lost).then(onDone)}>
            Send {counted(mine.length + others.length, 'event')} again
          </button>
        )}
        <a
          className="act-quiet"
          download="jentik-lost-events.json"
          href={fileLink(
            JSON.stringify(
              lost.map(({ event }) => event),
              null,
              2,
            ),
          )}
        >
          Save them as a file
        </a>
        <button
          type="button"
          className="act-quiet"
          onClick={() => void forgetSent(lost.map(({ event }) => event.id)).then(onDone)}
        >
          Leave them out
        </button>
      </div>
    </div>
  );
};
