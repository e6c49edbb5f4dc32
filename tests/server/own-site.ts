import { mkdirSync, rmSync } from 'node:fs';
import { type Connection, createConnection } from 'mysql2/promise';
import { afterAll, inject } from 'vitest';
import { DEFAULT_SCHOOLS } from '#core/target/schools.ts';
import { closeDatabase, database } from '#server/database/pool.ts';
import { insertSite } from '#server/queries/site.ts';
import { moveKeyOut } from '#server/sealing/move-key-out.ts';
import { restateUnlogged } from '#server/sealing/stated.ts';
import { migrate } from '../../scripts/site/migrate.ts';
import { inProject } from '../../scripts/site/paths.ts';

/** A site of a test file's own on the tests' server, with its own keys and witness, and a connection of who is root there. */
export const ownSite = async (
  name: string,
): Promise<{ readonly root: Connection; readonly folder: string }> => {
  const folder = inProject('.jentik', 'test-database', `${name}-files`);
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  await closeDatabase();
  process.env['JENTIK_SEALING_KEYS'] = `${folder}/sealing-keys.json`;
  process.env['JENTIK_WITNESS'] = `${folder}/witness.ndjson`;
  const root = await createConnection({ uri: inject('ownerUrl'), multipleStatements: true });
  await root.query('DROP DATABASE IF EXISTS ??', [name]);
  delete process.env['JENTIK_APP_DATABASE_URL'];
  await migrate(inject('ownerUrl'), name, async (appUrl) => {
    process.env['JENTIK_APP_DATABASE_URL'] = appUrl;
    await insertSite(database(), {
      name: 'Own site',
      unit: 'N.m',
      timeZone: 'UTC',
      schools: DEFAULT_SCHOOLS,
    });
    await moveKeyOut();
    await restateUnlogged(database());
  });
  await root.query('USE ??', [name]);
  await root.query('SET FOREIGN_KEY_CHECKS = 0');
  afterAll(() => root.end());
  return { root, folder };
};
