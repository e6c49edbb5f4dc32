import { rmSync } from 'node:fs';
import type { TestProject } from 'vitest/node';
import { inProject } from '../../scripts/site/paths.ts';
import { openSiteDatabase, type SiteDatabase } from '../../scripts/site/run-site.ts';

declare module 'vitest' {
  interface ProvidedContext {
    readonly appUrl: string;
    readonly ownerUrl: string;
    readonly sealingKeys: string;
  }
}

/** A MariaDB of the tests' own, made anew for each run, never the demo's and never ./data. */
export const setup = async (project: TestProject): Promise<() => Promise<void>> => {
  const folder = inProject('.jentik', 'test-database');
  rmSync(folder, { recursive: true, force: true });
  delete process.env['JENTIK_DATABASE_URL'];
  for (const name of ['JENTIK_APP_DATABASE_URL', 'JENTIK_SEALING_KEYS', 'JENTIK_WITNESS'])
    delete process.env[name];
  const database: SiteDatabase = await openSiteDatabase(folder, 'Test site');
  project.provide('appUrl', database.appUrl);
  project.provide('ownerUrl', database.ownerUrl);
  project.provide('sealingKeys', `${folder}/sealing-keys.json`);
  return async () => {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  };
};
