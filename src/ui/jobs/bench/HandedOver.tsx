import { useState } from 'react';
import { markSeen, wasSeen } from '#client/device/seen.ts';
import type { Note } from '#core/view/notes.ts';
import { timeHere } from '../../kit/time/here.ts';

/** What the person before left for the next one, until it was seen. */
export const HandedOver = ({ note }: { readonly note: Note }) => {
  const [isSeen, setSeen] = useState(() => wasSeen(note.eventId));
  if (isSeen) return null;
  return (
    <div
      role="status"
      className="flex flex-wrap items-center gap-3 border-b border-rule p-3"
      data-testid="handed-over"
    >
      <p className="flex-1 basis-72">
        <strong>{note.person.name} handed over</strong>{' '}
        <span className="text-faint">{timeHere(note.at)}</span>: {note.text}
        {note.picture && (
          <>
            {' '}
            <a href={`/api/v1/attachments/${note.picture.attachmentId}`}>photograph</a>
          </>
        )}
      </p>
      <button
        type="button"
        className="act-quiet"
        onClick={() => {
          markSeen(note.eventId);
          setSeen(true);
        }}
      >
        Seen
      </button>
    </div>
  );
};
