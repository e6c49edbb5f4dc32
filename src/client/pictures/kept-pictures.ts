import type { DBSchema } from 'idb';
import { localDatabase } from '../local-database.ts';

// Photographs wait here until the site has them: in a cellar one is taken as well as anywhere, and the event that names it is hashed at once.

/** A photograph that waits on this device. */
export type KeptPicture = {
  /** The id it will have at the site. */
  readonly id: string;
  readonly job: string;
  /** Who took it: theirs to send. */
  readonly personId: string;
  readonly name: string;
  readonly contentBase64: string;
  readonly thumbnailBase64: string | null;
  /** Why the site refused it; null while it was not. */
  readonly refused: string | null;
};

interface PicturesDatabase extends DBSchema {
  pictures: { key: string; value: KeptPicture };
}

const database = localDatabase<PicturesDatabase>('jentik-pictures', (db) => {
  db.createObjectStore('pictures', { keyPath: 'id' });
});

/** Keeps a photograph. Throws where the device does not: then it must not be said to be taken. */
export const keepPicture = async (picture: KeptPicture): Promise<void> => {
  await (await database()).put('pictures', picture);
};

/** Every photograph that waits here. Never throws: a device that keeps nothing has none. */
export const keptPictures = async (): Promise<readonly KeptPicture[]> => {
  try {
    return await (await database()).getAll('pictures');
  } catch {
    return [];
  }
};

/** Lets go of one that the site has. */
export const forgetPicture = async (id: string): Promise<void> => {
  await (await database()).delete('pictures', id);
};
