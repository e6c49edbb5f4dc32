import { ensureBuilt } from './build.ts';
import { freePort } from './free-port.ts';
import { inProject } from './paths.ts';
import { openSiteDatabase, startApplication } from './run-site.ts';
import { holdSite, releaseSite, runningSite } from './site-lock.ts';

const PREFERRED_PORT = 4321;

export type SiteCommand = {
  /** Folder of the project that holds everything this site writes. */
  readonly folder: string;
  readonly siteName: string;
  /** Fills an empty database; called with the process connected as the application. */
  readonly fill: () => Promise<void>;
  readonly greeting: (address: string) => string;
};

/** Runs a site until Ctrl-C or a signal, and then stops everything it started and nothing else. */
export const serveSite = async ({ folder, siteName, fill, greeting }: SiteCommand): Promise<void> => {
  const home = inProject(folder);
  const already = await runningSite(home);
  if (already) {
    console.log(`It runs already: ${already}`);
    return;
  }
  ensureBuilt();
  const database = await openSiteDatabase(home, siteName);
  holdSite(home, '(starting)', database.pids);
  const stops = [database.stop];
  let isStopping = false;
  const stopAll = async (code: number): Promise<void> => {
    if (isStopping) return;
    isStopping = true;
    for (const stop of stops.reverse()) await stop();
    releaseSite(home);
    process.exit(code);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => void stopAll(0));
  try {
    await fill();
    const port = await freePort(PREFERRED_PORT);
    const application = await startApplication(home, database.appUrl, port);
    stops.push(application.stop);
    holdSite(home, application.address, [...database.pids, application.pid]);
    console.log(greeting(application.address));
    await application.exited;
    if (!isStopping) {
      console.error(`The application ended by itself; its log is in ${home}.`);
      await stopAll(1);
    }
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    await stopAll(1);
  }
};
