import type { By } from '../job/happened.ts';

/** A note or a photograph, by whom and when. */
export type Note = By & {
  readonly position: string | null;
  readonly text: string;
  readonly isHandOver: boolean;
  readonly picture: { readonly attachmentId: string; readonly sha256: string } | null;
};

/** What people noted of a job and its fasteners, in the order they did. */
export type NotesView = { readonly notes: readonly Note[] };

export const NO_NOTES: NotesView = { notes: [] };

/** What the person before left for the next one: the last hand-over, unless the person who looks wrote it; null where there is none. */
export const handedOver = ({ notes }: NotesView, me: { readonly id: string }): Note | null => {
  const last = notes.findLast(({ isHandOver }) => isHandOver);
  return last && last.person.id !== me.id ? last : null;
};
