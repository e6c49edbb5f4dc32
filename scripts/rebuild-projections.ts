import { rebuildProjections } from '#server/services/rebuild-projections.ts';
import { inProject } from './site/paths.ts';
import { openSiteDatabase } from './site/run-site.ts';
import { runningSite } from './site/site-lock.ts';

// `npm run rebuild-projections`: writes what lists show again from the events of ./data (or JENTIK_DATABASE_URL).

const home = inProject('data');
if (!process.env['JENTIK_DATABASE_URL'] && runningSite(home)) {
  console.error('The site is running: stop it first, or name its database in JENTIK_DATABASE_URL.');
  process.exit(1);
}
const database = await openSiteDatabase(home, 'Our workshop');
try {
  const rebuilt = await rebuildProjections();
  if (rebuilt.ok) console.log(`${rebuilt.value} jobs written again from their events.`);
  else {
    const { job, sequence } = rebuilt.refusal;
    console.error(`Nothing was touched: the events of job ${job} break at number ${sequence}.`);
    process.exitCode = 1;
  }
} finally {
  await database.stop();
}
