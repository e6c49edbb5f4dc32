import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { writeArchive } from '#server/backup/write-archive.ts';
import { THE_SITE } from '#server/queries/site-log.ts';
import { namedFile, siteHome } from './site/site-home.ts';
import { withSiteDatabase } from './site/with-site-database.ts';

// `npm run backup -- FILE [--demo | --folder FOLDER]`: everything the site keeps as one file, as it stands at one instant; the site may go on running.

const USAGE = 'Usage: npm run backup -- FILE [--demo | --folder FOLDER]';
const args = process.argv.slice(2);
const home = siteHome(args);
const file = namedFile(args);
if (!file || existsSync(file) || !existsSync(home)) {
  if (file && existsSync(file)) console.error(`${file} is there already, and is not written over.`);
  else if (!existsSync(home)) console.error(`There is no site in ${home}.`);
  console.error(USAGE);
  process.exit(2);
}
await withSiteDatabase(home, async () => {
  const work = writeArchive(resolve(file), THE_SITE);
  let saidAt = Date.now();
  for (;;) {
    const { done, value } = await work.next();
    if (done) {
      console.log(`${value.rows} rows of ${value.madeAt} in ${value.path}`);
      console.log('The private sealing key is not in it: keep that file by itself.');
      return;
    }
    if (Date.now() - saidAt < 2_000) continue;
    saidAt = Date.now();
    console.error(`${value.done} of ${value.total} …`);
  }
});
