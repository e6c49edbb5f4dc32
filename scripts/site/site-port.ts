import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { writeWhole } from '#server/whole-file.ts';
import { freePort, isFree } from './free-port.ts';

const PREFERRED = 4321;
const HIGHEST = 65_535;

const kept = (file: string): number | null => {
  const port = existsSync(file) ? Number(readFileSync(file, 'utf8').trim()) : Number.NaN;
  return Number.isInteger(port) && port > 0 && port <= HIGHEST ? port : null;
};

const fileOf = (folder: string): string => join(folder, 'port');

/** The port of a site: the one it has had since its first start, because what waits in a browser belongs to the address; before that a free one, which is kept once
 *  the site answers there. Throws: when another program has the kept one, with the cure. */
export const sitePort = async (
  folder: string,
): Promise<{ readonly port: number; readonly isKept: boolean }> => {
  const file = fileOf(folder);
  const port = kept(file);
  if (port === null) return { port: await freePort(PREFERRED), isKept: false };
  if (await isFree(port)) return { port, isKept: true };
  throw new Error(
    `Port ${port} is taken by another program, and this site has had it since its first start.\n` +
      `End that program (ss -ltnp 'sport = :${port}' names it), and start again.\n` +
      `If it must be another port: write it into ${file}. What still waits unsent in a browser stays at the old address until the site has that again.`,
  );
};

/** Keeps the port at which a site answered. */
export const keepPort = (folder: string, port: number): void => writeWhole(fileOf(folder), `${port}\n`);
