import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { isIPv6 } from 'node:net';
import { join } from 'node:path';
import { DEFAULT_SCHOOLS } from '#core/target/schools.ts';
import { closeDatabase, database } from '#server/database/pool.ts';
import { insertSite } from '#server/queries/site.ts';
import { moveKeyOut } from '#server/sealing/move-key-out.ts';
import { restateUnlogged } from '#server/sealing/stated.ts';
import { bringProjectionsUpToDate } from '#server/services/rebuild-projections.ts';
import { shipPublishedTables } from '#server/services/ship-published-tables.ts';
import { isEnding, type Running, startChild } from './child.ts';
import { freePort } from './free-port.ts';
import { keepRunning } from './keep-running.ts';
import { migrate, type Restored } from './migrate.ts';
import { inProject } from './paths.ts';
import { type DatabaseServer, startPrivateDatabase } from './private-database.ts';
import { siteMark } from './site-lock.ts';

const ANSWER_TIMEOUT_MS = 30_000;
const POLL_MS = 50;

export type SiteDatabase = {
  /** Address of the application's account. */
  readonly appUrl: string;
  /** Address of the account that owns the database. */
  readonly ownerUrl: string;
  /** The process of its server; null for one that someone else runs. */
  readonly pid: () => number | null;
  /** When the server ended by itself; never for one that someone else runs. */
  readonly exited: Promise<number>;
  /** Starts a server that ended again, where it was. */
  readonly startAgain: () => Promise<void>;
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
  return {
    server: {
      ownerUrl: url.toString(),
      pid: null,
      port: null,
      exited: new Promise(() => {}),
      stop: async () => {},
    },
    name,
  };
};

/** What a site needs before anyone comes: its row, its keys, projections of the form this code writes, the published tables, and everything that may
 *  change written down in its log. */
const fillSite = async (siteName: string): Promise<void> => {
  // A new site begins in the zone of the machine it is on.
  const { timeZone } = new Intl.DateTimeFormat().resolvedOptions();
  await insertSite(database(), { name: siteName, unit: 'N.m', timeZone, schools: DEFAULT_SCHOOLS });
  await moveKeyOut();
  for (const { job, sequence } of await bringProjectionsUpToDate())
    console.error(
      `job ${job}: its events break at number ${sequence}. It takes and seals nothing until that is mended.`,
    );
  await shipPublishedTables();
  await restateUnlogged(database());
};

/** Names the files that lie beside the database, for this process and the application that it starts, where they are not named yet. Answers what forgets
 *  those that it named. */
const nameFiles = (folder: string): (() => void) => {
  const files = {
    JENTIK_SEALING_KEYS: 'sealing-keys.json',
    JENTIK_WITNESS: 'witness.ndjson',
    JENTIK_BACKUPS: 'backups',
  };
  const named = Object.entries(files).filter(([name]) => process.env[name] === undefined);
  for (const [name, file] of named) process.env[name] = join(folder, file);
  return () => {
    for (const [name] of named) delete process.env[name];
  };
};

/** A database ready for the application: a private server in the folder, or the one JENTIK_DATABASE_URL names; migrated, with the
 *  site's row. Leaves the process connected as the application. */
export const openSiteDatabase = async (
  folder: string,
  siteName: string,
  restored: Restored | null = null,
): Promise<SiteDatabase> => {
  mkdirSync(folder, { recursive: true });
  const forgetFiles = nameFiles(folder);
  const given = givenServer();
  const hadUrl = process.env['JENTIK_APP_DATABASE_URL'] !== undefined;
  let server = given?.server ?? (await startPrivateDatabase(folder));
  try {
    const appUrl = await migrate(
      server.ownerUrl,
      given?.name ?? 'jentik',
      async (url) => {
        process.env['JENTIK_APP_DATABASE_URL'] = url;
        await fillSite(siteName);
      },
      // A server of this folder's own was started just now, by whoever has the folder.
      { restored, isAlone: given === null },
    );
    const stop = async (): Promise<void> => {
      await closeDatabase();
      await server.stop();
      // What comes after in this process opens a database and files of its own.
      forgetFiles();
      if (!hadUrl) delete process.env['JENTIK_APP_DATABASE_URL'];
    };
    return {
      appUrl,
      ownerUrl: server.ownerUrl,
      pid: () => server.pid,
      get exited() {
        return server.exited;
      },
      startAgain: async () => {
        server = await startPrivateDatabase(folder, [], server.port);
      },
      stop,
    };
  } catch (error) {
    await closeDatabase();
    await server.stop();
    forgetFiles();
    throw error;
  }
};

export type Application = Running & { readonly address: string };

/** Where the application says that it listens, by its id: whoever answers at its address may be another site. */
const listeningFile = (folder: string): string => join(folder, 'listening');

const listens = (folder: string, { pid }: Running): boolean =>
  existsSync(listeningFile(folder)) && readFileSync(listeningFile(folder), 'utf8') === String(pid);

const untilItAnswers = async (
  folder: string,
  address: string,
  server: Running,
  log: string,
): Promise<void> => {
  let hasExited = false;
  void server.exited.then(() => {
    hasExited = true;
  });
  const giveUpAt = Date.now() + ANSWER_TIMEOUT_MS;
  for (;;) {
    const answer = listens(folder, server) ? await fetch(`${address}/api/v1/people`).catch(() => null) : null;
    if (answer?.ok) return;
    if (hasExited || Date.now() > giveUpAt)
      throw new Error(`the application did not start; its log is ${log}`);
    await new Promise((resolve) => setTimeout(resolve, POLL_MS));
  }
};

const startDevicesAt = (folder: string, env: Readonly<Record<string, string>>): Running =>
  startChild(process.execPath, ['--import', 'tsx', inProject('gateway', 'devices.ts')], {
    log: join(folder, 'devices.log'),
    cwd: inProject(),
    env: { ...process.env, ...env },
  });

/** Starts the simulated devices on two free ports of loopback, and answers what the application must know of it. */
const startDevices = async (
  folder: string,
): Promise<{ readonly gateway: Running; readonly env: Readonly<Record<string, string>> }> => {
  const env = {
    ...siteMark(folder),
    JENTIK_DEVICES_PORT: String(await freePort()),
    JENTIK_DEVICES_HAND_PORT: String(await freePort()),
  };
  return { gateway: startDevicesAt(folder, env), env };
};

/** Where this machine finds the application that it starts. */
const listenedHost = (): string => {
  const listen = process.env['JENTIK_LISTEN'] ?? '127.0.0.1';
  if (listen === '0.0.0.0' || listen === '::') return '127.0.0.1';
  return isIPv6(listen) ? `[${listen}]` : listen;
};

/** Starts the built application, on loopback unless JENTIK_LISTEN says otherwise, and waits until it answers. */
export const startApplication = async (
  folder: string,
  appUrl: string,
  port: number,
  setupCode: string | null = null,
): Promise<Application> => {
  const log = join(folder, 'application.log');
  rmSync(listeningFile(folder), { force: true });
  const devices = await startDevices(folder);
  const server = startChild(process.execPath, [inProject('scripts', 'site', 'serve.mjs'), folder], {
    log,
    env: {
      ...process.env,
      ...devices.env,
      ...siteMark(folder),
      NODE_ENV: 'production',
      JENTIK_ROOT: inProject(),
      JENTIK_STATEMENT_SECONDS: '12',
      ...(setupCode === null ? {} : { JENTIK_SETUP_CODE: setupCode }),
      JENTIK_APP_DATABASE_URL: appUrl,
      PORT: String(port),
    },
  });
  let { gateway } = devices;
  let isOver = false;
  // However the server ends, its devices must not outlive it.
  void server.exited.then(() => {
    isOver = true;
    return gateway.stop();
  });
  void keepRunning({
    name: 'The devices',
    log: join(folder, 'devices.log'),
    exited: () => gateway.exited,
    startAgain: async () => {
      gateway = startDevicesAt(folder, devices.env);
    },
    isOver: () => isOver || isEnding(),
  });
  const address = `http://${listenedHost()}:${port}`;
  const stop = async (): Promise<void> => {
    await server.stop();
    await gateway.stop();
  };
  try {
    await untilItAnswers(folder, address, server, log);
  } catch (error) {
    await stop();
    throw error;
  }
  return { ...server, stop, address };
};
