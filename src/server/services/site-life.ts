import { database } from '../database/pool.ts';
import { selectLog } from '../queries/site-log.ts';

const FIRST = 'first';
let known: Promise<string> | null = null;

/** Which life of the site this is: another begins with each restore, and no process that serves it sees one begin. Null while it can't be asked. */
export const siteLife = async (): Promise<string | null> => {
  known ??= selectLog(database(), 'restored', 'site').then(([last]) => last?.at ?? FIRST);
  try {
    return await known;
  } catch {
    known = null;
    return null;
  }
};
