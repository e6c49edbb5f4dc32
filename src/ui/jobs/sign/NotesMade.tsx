import type { JobView } from '#core/view/job-view.ts';
import { timeHere } from '../../kit/time/here.ts';

/** A photograph that an event names, as the site draws it, and as it was sent. */
export const KeptPicture = ({ attachmentId }: { readonly attachmentId: string }) => (
  <>
    <a href={`/api/v1/attachments/${attachmentId}`} className="inline-block min-h-11 content-center">
      photograph
    </a>{' '}
    {/* The bytes whose hash the record names. */}
    <a
      href={`/api/v1/attachments/${attachmentId}?original=1`}
      className="inline-block min-h-11 content-center text-s"
    >
      as it was sent
    </a>
  </>
);

/** What people noted of the job and its fasteners, with who and when. */
export const NotesMade = ({ view }: { readonly view: JobView }) => {
  if (view.notes.length === 0) return null;
  return (
    <>
      <h2 className="mt-5 mb-2 text-l font-bold">Notes</h2>
      <ul className="grid gap-1" data-testid="notes-made">
        {view.notes.map(({ eventId, position, text, isHandOver, picture, person, at }) => (
          <li key={eventId} className="border-b border-rule py-1">
            <strong>{isHandOver ? 'Handed over' : (position ?? 'The job')}</strong>: {text}{' '}
            {picture && <KeptPicture attachmentId={picture.attachmentId} />}
            <div className="text-s text-faint">
              {person.name}, {timeHere(at)}
            </div>
          </li>
        ))}
      </ul>
    </>
  );
};
