import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** A database of the browser's own that may be lost without harm, opened when it is first asked for, and again after the browser closed it or refused it.
 *  Throws, or never answers, where the browser gives none: whoever asks can do without. */
export const localDatabase = <S extends DBSchema>(
  name: string,
  upgrade: (db: IDBPDatabase<S>) => void,
): (() => Promise<IDBPDatabase<S>>) => {
  let opened: Promise<IDBPDatabase<S>> | null = null;
  return () => {
    opened ??= openDB<S>(name, 1, {
      upgrade,
      terminated: () => {
        opened = null;
      },
    });
    opened.catch(() => {
      opened = null;
    });
    return opened;
  };
};
