import { rmSync } from 'node:fs';
import { fillDemo } from '../../scripts/site/fill-demo.ts';
import { freePort } from '../../scripts/site/free-port.ts';
import { inProject } from '../../scripts/site/paths.ts';
import { openSiteDatabase, startApplication } from '../../scripts/site/run-site.ts';

/** A site of the browser tests' own, with the demo data, on free ports. */
export default async (): Promise<() => Promise<void>> => {
  const folder = inProject('.jentik', 'test-browser');
  rmSync(folder, { recursive: true, force: true });
  for (const name of Object.keys(process.env))
    if (/^JENTIK_.*(URL|KEYS|WITNESS|BACKUPS)$/.test(name)) delete process.env[name];
  const database = await openSiteDatabase(folder, 'Bukit Lintang Observatory');
  // A start that fails half-way leaves no database behind.
  const application = await (async () => {
    await fillDemo();
    return startApplication(folder, database.appUrl, await freePort());
  })().catch(async (error: unknown) => {
    await database.stop();
    throw error;
  });
  process.env['JENTIK_TEST_ADDRESS'] = application.address;
  process.env['JENTIK_TEST_FOLDER'] = folder;
  process.env['JENTIK_TEST_APP_URL'] = database.appUrl;
  return async () => {
    await application.stop();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  };
};
