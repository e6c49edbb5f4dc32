import { rmSync } from 'node:fs';
import { createPool, type Pool } from 'mysql2/promise';
import { type SiteClient, signedInClient } from '../load/site-client.ts';
import { ensureBuilt } from '../site/build.ts';
import { type DemoPerson, demoPeople, fillDemo } from '../site/fill-demo.ts';
import { freePort } from '../site/free-port.ts';
import { inProject } from '../site/paths.ts';
import { openSiteDatabase, type SiteDatabase, startApplication } from '../site/run-site.ts';

const HOME = inProject('.jentik', 'bench');

const onDatabase = async (run: (database: SiteDatabase, pool: Pool) => Promise<void>): Promise<void> => {
  rmSync(HOME, { recursive: true, force: true });
  const database = await openSiteDatabase(HOME, 'Bench');
  const pool = createPool({ uri: database.ownerUrl, database: 'jentik', connectionLimit: 12 });
  try {
    await run(database, pool);
  } finally {
    await pool.end();
    await database.stop();
    rmSync(HOME, { recursive: true, force: true });
  }
};

/** Runs something on an empty database of its own, given a pool of its owner's; it is ended and removed afterwards. */
export const onBenchDatabase = (run: (owner: Pool) => Promise<void>): Promise<void> =>
  onDatabase((_, owner) => run(owner));

/** A site of its own with the demo workshop. */
export type BenchSite = {
  readonly address: string;
  /** A pool of the database's owner. */
  readonly owner: Pool;
  readonly people: readonly DemoPerson[];
  /** Signs one of the people in. */
  readonly signedIn: (person: DemoPerson) => Promise<SiteClient>;
};

/** Runs something on a site of its own, which is ended and removed afterwards. */
export const onBenchSite = async (run: (site: BenchSite) => Promise<void>): Promise<void> => {
  await ensureBuilt();
  await onDatabase(async ({ appUrl }, owner) => {
    await fillDemo();
    const application = await startApplication(HOME, appUrl, await freePort());
    const { address } = application;
    const clients: SiteClient[] = [];
    try {
      const signedIn = async ({ name, pin }: DemoPerson): Promise<SiteClient> => {
        const client = await signedInClient(address, name, pin);
        clients.push(client);
        return client;
      };
      await run({ address, owner, people: demoPeople(), signedIn });
    } finally {
      for (const client of clients) client.close();
      await application.stop();
    }
  });
};
