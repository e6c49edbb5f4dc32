import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { keyFingerprint } from '#core/ledger/seal.ts';
import { rotateKeyFile } from '#server/sealing/key-file.ts';
import { siteHome } from './site/site-home.ts';

// `npm run rotate-key [-- --demo | --folder FOLDER]`: from now on the site seals with a new key. Records sealed before stay valid under the key of their time, whose
// private half is forgotten. The site may go on running.

const file = process.env['JENTIK_SEALING_KEYS'] ?? join(siteHome(process.argv.slice(2)), 'sealing-keys.json');
if (!existsSync(file)) {
  console.error(
    `There are no sealing keys in ${file}. Usage: npm run rotate-key [-- --demo | --folder FOLDER]`,
  );
  process.exit(2);
}
const { publicKey, from } = rotateKeyFile(file, new Date().toISOString());
console.log(`From ${from} on this site seals with key ${keyFingerprint(publicKey)}.`);
console.log('Tell it to those who check your records, by another way than the record itself.');
