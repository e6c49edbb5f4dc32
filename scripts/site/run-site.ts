import { randomBytes } from 'node:crypto';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { DEFAULT_SCHOOLS } from '#core/target/schools.ts';
import { closeDatabase, database } from '#server/database/pool.ts';
import { insertSite } from '#server/queries/site.ts';
import { bringProjectionsUpToDate } from '#server/services/rebuild-projections.ts';
import { shipPublishedTables } from '#server/services/ship-published-tables.ts';
import { type Running, startChild } from './child.ts';
import { freePort } from './free-port.ts';
import { migrate } from './migrate.ts';
import { inProject } from './paths.ts';
import { type DatabaseServer, startPrivateDatabase } from './private-database.ts';

const SEALING_KEY_BYTES = 32;
const ANSWER_TIMEOUT_MS = 30_000;
const POLL_MS = 50;

export type SiteDatabase = {
  /** Address of the application's account. */
  readonly appUrl: string;
  /** Address of the account that owns the database. */
  readonly ownerUrl: string;
  readonly pids: readonly number[];
  readonly stop: () => Promise<void>;
};

const givenServer = (): { readonly server: DatabaseServer; readonly name: string } | null => {
  const given = process.env['JENTIK_DATABASE_URL'];
  if (!given) return null;
  const url = new URL(given);
  const name = url.pathname.slice(1);
  if (!/^[a-z][a-z0-9_]{0,39}$/.test(name))
    throw new Error('JENTIK_DATABASE_URL must end in the name of a database, such as …:3306/jentik');
  url.pathname = '/';
  return { server: { ownerUrl: url.toString(), pid: null, stop: async () => {} }, name };
};

/** What a site needs before anyone comes: its row, projections of the form this code writes, the published tables. */
const fillSite = async (siteName: string): Promise<void> => {
  await insertSite(
    database(),
    { name: siteName, unit: 'N.m', schools: DEFAULT_SCHOOLS },
    randomBytes(SEALING_KEY_BYTES).toString('hex'),
  );
  for (const { job, sequence } of await bringProjectionsUpToDate())
    console.error(
      `job ${job}: its events break at number ${sequence}. It takes and seals nothing until that is mended.`,
    );
  await shipPublishedTables();
};

/** A database ready for the application: a private server in the folder, or the one JENTIK_DATABASE_URL names; migrated, with the
 *  site's row. Leaves the process connected as the application. */
export const openSiteDatabase = async (folder: string, siteName: string): Promise<SiteDatabase> => {
  mkdirSync(folder, { recursive: true });
  const given = givenServer();
  const hadUrl = process.env['JENTIK_APP_DATABASE_URL'] !== undefined;
  const server = given?.server ?? (await startPrivateDatabase(folder));
  try {
    const appUrl = await migrate(server.ownerUrl, given?.name ?? 'jentik', async (url) => {
      process.env['JENTIK_APP_DATABASE_URL'] = url;
      await fillSite(siteName);
    });
    const stop = async (): Promise<void> => {
      await closeDatabase();
      await server.stop();
      // What comes after in this process opens a database of its own.
      if (!hadUrl) delete process.env['JENTIK_APP_DATABASE_URL'];
    };
    return { appUrl, ownerUrl: server.ownerUrl, pids: server.pid === null ? [] : [server.pid], stop };
  } catch (error) {
    await closeDatabase();
    await server.stop();
    throw error;
  }
};

export type Application = Running & { readonly address: string };

const untilItAnswers = async (address: string, server: Running, log: string): Promise<void> => {
  let hasExited = false;
  void server.exited.then(() => {
    hasExited = true;
  });
  const giveUpAt = Date.now() + ANSWER_TIMEOUT_MS;
  for (;;) {
    const answer = await fetch(`${address}/api/v1/people`).catch(() => null);
    if (answer?.ok) return;
    if (hasExited || Date.now() > giveUpAt)
      throw new Error(`the application did not start; its log is ${log}`);
    await new Promise((resolve) => setTimeout(resolve, POLL_MS));
  }
};

/** Starts the simulated bench tester on two free ports of loopback, and answers what the application must know of it. */
const startTester = async (
  folder: string,
): Promise<{ readonly tester: Running; readonly env: Readonly<Record<string, string>> }> => {
  const env = {
    JENTIK_TESTER_PORT: String(await freePort()),
    JENTIK_TESTER_HAND_PORT: String(await freePort()),
  };
  const tester = startChild(process.execPath, ['--import', 'tsx', inProject('gateway', 'bench-tester.ts')], {
    log: join(folder, 'tester.log'),
    cwd: inProject(),
    env: { ...process.env, ...env },
  });
  return { tester, env };
};

/** Starts the built application on loopback and waits until it answers. */
export const startApplication = async (
  folder: string,
  appUrl: string,
  port: number,
): Promise<Application> => {
  const log = join(folder, 'application.log');
  const devices = await startTester(folder);
  const server = startChild(process.execPath, [inProject('scripts', 'site', 'serve.mjs'), folder], {
    log,
    env: {
      ...process.env,
      ...devices.env,
      NODE_ENV: 'production',
      JENTIK_APP_DATABASE_URL: appUrl,
      PORT: String(port),
    },
  });
  // However the server ends, its tester must not outlive it.
  void server.exited.then(() => devices.tester.stop());
  const address = `http://127.0.0.1:${port}`;
  await untilItAnswers(address, server, log);
  const stop = async (): Promise<void> => {
    await server.stop();
    await devices.tester.stop();
  };
  return { ...server, stop, address };
};
