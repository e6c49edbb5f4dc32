import { database } from '../database/pool.ts';
import { clearKeyInRow, selectKeyInRow } from '../queries/site.ts';
import { now } from '../services/clock.ts';
import { ensureKeyFile, keyFilePath } from './key-file.ts';

/** Makes the site's key file at its first start. A site from before there was one keeps its key: it is written to the file, and then taken out of the
 *  database. */
export const moveKeyOut = async (): Promise<void> => {
  const inRow = await selectKeyInRow(database());
  ensureKeyFile(keyFilePath(), now(), { privateKey: inRow, former: [] });
  if (inRow !== null) await clearKeyInRow(database());
};
