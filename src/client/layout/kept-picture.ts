import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Behind } from '#core/layout/behind.ts';

// The picture behind what is laid out stays on this browser over a reload, as the board itself does. A database of its own: it may be lost without
// harm to anything else.

/** A picture as it lies behind the board. */
export type KeptPicture = { readonly file: Blob; readonly behind: Behind; readonly isScaled: boolean };

interface PictureDatabase extends DBSchema {
  behind: { key: 'board'; value: KeptPicture };
}

const KEY = 'board';

/** Does one thing with the store; where this browser keeps nothing, nothing. */
const withStore = async <T>(act: (db: IDBPDatabase<PictureDatabase>) => Promise<T>): Promise<T | null> => {
  try {
    const db = await openDB<PictureDatabase>('jentik-picture', 1, {
      upgrade: (fresh) => {
        fresh.createObjectStore('behind');
      },
    });
    try {
      return await act(db);
    } finally {
      db.close();
    }
  } catch {
    return null;
  }
};

/** Keeps the picture in place of the one before. */
export const keepPicture = async (picture: KeptPicture): Promise<void> => {
  await withStore((db) => db.put('behind', picture, KEY));
};

/** The picture that was left behind the board; null where there is none. */
export const readPicture = async (): Promise<KeptPicture | null> =>
  (await withStore((db) => db.get('behind', KEY))) ?? null;

/** Lets go of the picture. */
export const forgetPicture = async (): Promise<void> => {
  await withStore((db) => db.delete('behind', KEY));
};
