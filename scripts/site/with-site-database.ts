import { join } from 'node:path';
import { closeDatabase } from '#server/database/pool.ts';
import { openSiteDatabase } from './run-site.ts';
import { runningSite } from './site-lock.ts';

/** Does something with a site's database, whether the site runs just now or not. */
export const withSiteDatabase = async (home: string, work: () => Promise<void>): Promise<void> => {
  const running = runningSite(home);
  if (running?.appUrl) {
    process.env['JENTIK_APP_DATABASE_URL'] = running.appUrl;
    process.env['JENTIK_SEALING_KEYS'] ??= join(home, 'sealing-keys.json');
    process.env['JENTIK_WITNESS'] ??= join(home, 'witness.ndjson');
    try {
      await work();
    } finally {
      await closeDatabase();
    }
    return;
  }
  if (running) throw new Error('The site is starting just now; ask again in a moment.');
  const database = await openSiteDatabase(home, 'Our workshop');
  try {
    await work();
  } finally {
    await database.stop();
  }
};
