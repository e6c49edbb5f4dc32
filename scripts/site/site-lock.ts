import { linkSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { writeWhole } from '#server/whole-file.ts';

const heldSchema = z.object({
  pid: z.int().positive(),
  /** When that process began, in ticks since this machine did, and which start of the machine: an id alone may have gone to a stranger since. */
  began: z.string(),
  address: z.string(),
  /** The database as the application reaches it; null while it starts. */
  appUrl: z.string().nullable(),
});
type Held = z.infer<typeof heldSchema>;

const text = (path: string): string => {
  try {
    return readFileSync(path, 'utf8');
  } catch {
    return '';
  }
};

/** When a process began; null when there is none of that id. */
const beganAt = (pid: number): string | null => {
  // The name of the program stands in brackets and may hold anything; what is wanted is the twentieth after it.
  const ticks = text(`/proc/${pid}/stat`).split(') ').at(-1)?.split(' ')[19];
  return ticks ? `${text('/proc/sys/kernel/random/boot_id').trim()} ${ticks}` : null;
};

const lockFile = (folder: string): string => join(folder, 'running.json');

const readLock = (folder: string): Held | null => {
  try {
    const held = heldSchema.safeParse(JSON.parse(text(lockFile(folder))));
    return held.success && beganAt(held.data.pid) === held.data.began ? held.data : null;
  } catch {
    // Empty, or cut in the middle: nobody who still runs leaves it so.
    return null;
  }
};

/** Named in the environment of whatever is started for a site, so that what a killed run left behind is known from everything else. */
export const siteMark = (folder: string): Readonly<Record<string, string>> => ({ JENTIK_SITE: folder });

const leftBehind = (folder: string): readonly number[] =>
  readdirSync('/proc').flatMap((name) => {
    const pid = Number(name);
    if (!Number.isInteger(pid) || pid === process.pid) return [];
    return text(`/proc/${pid}/environ`).split('\0').includes(`JENTIK_SITE=${folder}`) ? [pid] : [];
  });

const signal = (pid: number, name: NodeJS.Signals): void => {
  try {
    process.kill(pid, name);
  } catch {
    // It ended meanwhile.
  }
};

const GRACE_MS = 15_000;
const POLL_MS = 100;

const endLeftBehind = async (folder: string): Promise<void> => {
  const giveUpAt = Date.now() + GRACE_MS;
  for (let left = leftBehind(folder); left.length > 0; left = leftBehind(folder)) {
    for (const pid of left) signal(pid, Date.now() > giveUpAt ? 'SIGKILL' : 'SIGTERM');
    await new Promise((resolve) => setTimeout(resolve, POLL_MS));
  }
};

const written = (held: Omit<Held, 'pid' | 'began'>): string =>
  JSON.stringify({ pid: process.pid, began: beganAt(process.pid) ?? '', ...held });

/** The site that runs on this folder already; null when none does. */
export const runningSite = (folder: string): Held | null => readLock(folder);

/** Takes the folder for this process; ends what a killed run left behind. Answers the site that runs on it where one does, else null. */
export const takeSite = async (folder: string): Promise<Held | null> => {
  mkdirSync(folder, { recursive: true });
  const mine = join(folder, `running.${process.pid}.json`);
  for (;;) {
    writeWhole(mine, written({ address: '', appUrl: null }));
    try {
      // A link is made whole or not at all, and by one process only.
      linkSync(mine, lockFile(folder));
      break;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
      const held = readLock(folder);
      if (held) return held;
      rmSync(lockFile(folder), { force: true });
    } finally {
      rmSync(mine, { force: true });
    }
  }
  await endLeftBehind(folder);
  return null;
};

/** Notes where the site of this process is reached, and its database for commands that look at it while it runs. */
export const noteSite = (folder: string, address: string, appUrl: string): void =>
  writeWhole(lockFile(folder), written({ address, appUrl }));

/** Gives the folder free, if it is this process that has it. */
export const releaseSite = (folder: string): void => {
  if (readLock(folder)?.pid === process.pid) rmSync(lockFile(folder), { force: true });
};
