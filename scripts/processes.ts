import { mkdirSync, rmSync } from 'node:fs';
import { startAtOnce } from './load/first-starts.ts';
import { writeToOneJob } from './load/one-job.ts';
import { ensureBuilt } from './site/build.ts';
import { fillDemo } from './site/fill-demo.ts';
import { freePort } from './site/free-port.ts';
import { inProject } from './site/paths.ts';
import { openSiteDatabase, startApplication } from './site/run-site.ts';

// `npm run processes`, with --small as in the tests: two application processes on one database, eight people writing to one job through both;
// and two processes that start on an empty database at once.

const isSmall = process.argv.includes('--small');
const WRITERS = 8;
const EACH = isSmall ? 15 : 180;
const FIRST_STARTS = isSmall ? 1 : 6;

await ensureBuilt();
const home = inProject('.jentik', 'processes');
rmSync(home, { recursive: true, force: true });
const folders = ['a', 'b'].map((name) => `${home}/${name}`);
for (const folder of folders) mkdirSync(folder, { recursive: true });
const database = await openSiteDatabase(home, 'Two processes');
const applications = [];
try {
  await fillDemo();
  for (const folder of folders)
    applications.push(await startApplication(folder, database.appUrl, await freePort()));
  const { acknowledged, problems } = await writeToOneJob(
    applications.map(({ address }) => address),
    WRITERS,
    EACH,
  );
  const starts = await startAtOnce([database.ownerUrl], FIRST_STARTS);
  console.log(
    `two processes: ${acknowledged} of ${WRITERS * EACH} appends acknowledged, ${problems.length} problems; ${FIRST_STARTS * 2} first starts, ${starts.length} problems`,
  );
  for (const problem of [...problems, ...starts].slice(0, 20)) console.error(problem);
  process.exitCode = problems.length + starts.length > 0 || acknowledged < WRITERS * EACH ? 1 : 0;
} finally {
  for (const application of applications) await application.stop();
  await database.stop();
  rmSync(home, { recursive: true, force: true });
}
