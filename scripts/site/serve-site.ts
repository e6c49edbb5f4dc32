import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { doorsOf } from '#server/http/doors.ts';
import { ensureBuilt } from './build.ts';
import { endChildren, isEnding } from './child.ts';
import { isFree } from './free-port.ts';
import { keepRunning } from './keep-running.ts';
import { type Application, openSiteDatabase, startApplication } from './run-site.ts';
import { setupCode } from './setup-code.ts';
import { noteSite, releaseSite, takeSite } from './site-lock.ts';
import { keepPort, sitePort } from './site-port.ts';
import { clearUnfinished, markUnfinished, unmarkUnfinished } from './unfinished.ts';

export type SiteCommand = {
  /** The folder that holds everything this site writes. */
  readonly home: string;
  readonly siteName: string;
  /** Fills an empty database; called with the process connected as the application. Null for a site that people fill. */
  readonly fill: (() => Promise<void>) | null;
  readonly greeting: (address: string) => string;
};

const ended = async (home: string, code: number): Promise<never> => {
  await endChildren();
  releaseSite(home);
  process.exit(code);
};

const MOST_PORTS = 5;

/** Starts the application at the site's port. At a first start two sites may find the same port free: the one that comes second takes another. */
const startAtItsPort = async (home: string, appUrl: string, code: string | null): Promise<Application> => {
  for (let tries = 1; ; tries += 1) {
    const { port, isKept } = await sitePort(home);
    try {
      const application = await startApplication(home, appUrl, port, code);
      keepPort(home, port);
      return application;
    } catch (error) {
      if (isKept || tries === MOST_PORTS || (await isFree(port))) throw error;
    }
  }
};

/** Starts a site and keeps what it consists of running; never ends by itself. */
const run = async ({ home, siteName, fill, greeting }: SiteCommand): Promise<void> => {
  // Before anything is made: doors that can't be opened as they were set are said at once.
  doorsOf(process.env);
  clearUnfinished(home);
  await ensureBuilt();
  // Before anything is made: a port that is taken is said at once.
  await sitePort(home);
  if (fill && !existsSync(join(home, 'data'))) markUnfinished(home);
  const database = await openSiteDatabase(home, siteName);
  await fill?.();
  unmarkUnfinished(home);
  const code = await setupCode();
  let application = await startAtItsPort(home, database.appUrl, code);
  noteSite(home, application.address, database.appUrl);
  console.log(greeting(process.env['JENTIK_ADDRESS'] ?? application.address));
  if (code) console.log(`\nNobody is here yet. Set-up code for the first person: ${code}`);
  await Promise.all([
    keepRunning({
      name: 'The database',
      log: join(home, 'mariadb.log'),
      exited: () => database.exited,
      startAgain: database.startAgain,
    }),
    keepRunning({
      name: 'The application',
      log: join(home, 'application.log'),
      exited: () => application.exited,
      startAgain: async () => {
        application = await startAtItsPort(home, database.appUrl, code);
      },
    }),
  ]);
};

/** Runs a site until Ctrl-C or a signal, and then stops everything it started and nothing else. */
export const serveSite = async (command: SiteCommand): Promise<void> => {
  const { home } = command;
  // Before anything is started: whatever comes, at whatever moment, ends everything in order.
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
    process.on(signal, () => {
      if (!isEnding()) void ended(home, 0);
    });
  try {
    const already = await takeSite(home);
    if (already) {
      console.log(
        already.address
          ? `It runs already: ${already.address}`
          : `It is starting already: process ${already.pid}.`,
      );
      return;
    }
    await run(command);
  } catch (error) {
    // What fails because everything is being ended is no news.
    if (isEnding()) return;
    console.error(error instanceof Error ? error.message : error);
    await ended(home, 1);
  }
};
