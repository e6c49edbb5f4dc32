import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { freePort, isFree } from './free-port.ts';
import { writeWhole } from './whole-file.ts';

const PREFERRED = 4321;
const HIGHEST = 65_535;

const kept = (file: string): number | null => {
  const port = existsSync(file) ? Number(readFileSync(file, 'utf8').trim()) : Number.NaN;
  return Number.isInteger(port) && port > 0 && port <= HIGHEST ? port : null;
};

/** The port of a site: a free one at its first start, the same ever after, because what waits in a browser belongs to the address.
 *  Throws: when another program has it, with the cure. */
export const sitePort = async (folder: string): Promise<number> => {
  const file = join(folder, 'port');
  const port = kept(file);
  if (port === null) {
    const free = await freePort(PREFERRED);
    writeWhole(file, `${free}\n`);
    return free;
  }
  if (await isFree(port)) return port;
  throw new Error(
    `Port ${port} is taken by another program, and this site has had it since its first start.\n` +
      `End that program (ss -ltnp 'sport = :${port}' names it), and start again.\n` +
      `If it must be another port: write it into ${file}. What still waits unsent in a browser stays at the old address until the site has that again.`,
  );
};
