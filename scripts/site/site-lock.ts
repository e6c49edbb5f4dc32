import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

type Held = { readonly pid: number; readonly children: readonly number[]; readonly address: string };

const isAlive = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
};

/** Whether a process still works on this folder: its id may have gone to a stranger since. */
const worksHere = (pid: number, folder: string): boolean => {
  try {
    return isAlive(pid) && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(folder);
  } catch {
    return false;
  }
};

const lockFile = (folder: string): string => join(folder, 'running.json');

const readLock = (folder: string): Held | null =>
  existsSync(lockFile(folder)) ? (JSON.parse(readFileSync(lockFile(folder), 'utf8')) as Held) : null;

/** The address of the site that runs on this folder already; null when none does. Ends what a killed run left behind. */
export const runningSite = async (folder: string): Promise<string | null> => {
  const held = readLock(folder);
  if (!held) return null;
  if (isAlive(held.pid)) return held.address;
  const left = held.children.filter((pid) => worksHere(pid, folder));
  for (const pid of left) process.kill(pid, 'SIGTERM');
  while (left.some(isAlive)) await new Promise((resolve) => setTimeout(resolve, 100));
  rmSync(lockFile(folder));
  return null;
};

/** Notes that this process runs the site on this folder. */
export const holdSite = (folder: string, address: string, children: readonly number[]): void =>
  writeFileSync(lockFile(folder), JSON.stringify({ pid: process.pid, children, address }));

/** Gives the folder free. */
export const releaseSite = (folder: string): void => rmSync(lockFile(folder), { force: true });
