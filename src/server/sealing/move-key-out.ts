import type { SiteKey } from '#core/ledger/site-key.ts';
import { type Connection, database } from '../database/pool.ts';
import { clearKeyInRow, selectKeyInRow } from '../queries/site.ts';
import { selectLog } from '../queries/site-log.ts';
import { now } from '../services/clock.ts';
import { ensureKeyFile, keyFilePath } from './key-file.ts';

/** The public keys that the log says the site had, each up to the one that took its place, the last up to now. */
const keysInLog = async (db: Connection, at: string): Promise<readonly SiteKey[]> => {
  const noted = (await selectLog(db, 'sealing-key', 'site')).map(
    ({ body }) => body as Pick<SiteKey, 'publicKey' | 'from'>,
  );
  return noted
    .reverse()
    .map(({ publicKey, from }, index) => ({ publicKey, from, until: noted[index + 1]?.from ?? at }));
};

/** Makes the site's key file at its first start. A site from before there was one keeps its key: it is written to the file, and then taken out of the
 *  database. Where the file was lost, the public keys come back from the log, and the site seals with a new one. */
export const moveKeyOut = async (): Promise<void> => {
  const db = database();
  const [at, inRow] = [now(), await selectKeyInRow(db)];
  const former = await keysInLog(db, at);
  const isMade = ensureKeyFile(keyFilePath(), at, { privateKey: inRow, former });
  if (isMade && former.length > 0)
    console.error(
      'The sealing keys were missing: from now on this site seals with a new key. What was sealed before stays valid.',
    );
  if (inRow !== null) await clearKeyInRow(db);
};
