import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

const isRoot = (): boolean => process.getuid?.() === 0;

const maySudo = (): boolean => spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0;

const aptGet = (args: readonly string[]): boolean => {
  const [command, ...rest] = isRoot() ? ['apt-get', ...args] : ['sudo', '-n', 'apt-get', ...args];
  const run = spawnSync(command as string, rest, {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive', RUNLEVEL: '1' },
  });
  return run.status === 0;
};

/** Makes sure a Debian package is there, by the program it brings; prints one clear sentence and ends the process when it
 *  can't be had. */
export const ensureDebianPackage = (name: string, program: string): void => {
  if (existsSync(program)) return;
  const byHand = `sudo apt-get update && sudo apt-get install -y --no-install-recommends ${name}`;
  if (!existsSync('/usr/bin/apt-get') || !(isRoot() || maySudo())) {
    console.error(`Jentik needs ${program}, and may not install it here. Run: ${byHand}`);
    process.exit(1);
  }
  console.error(`Installing the Debian package ${name} …`);
  const install = ['install', '-y', '-q', '--no-install-recommends', name];
  // A fresh machine has no package lists, and an old one has lists that name versions since removed.
  if (!(aptGet(['update', '-q']) && aptGet(install) && existsSync(program))) {
    console.error(`Installing ${name} failed; apt's message stands above. Run: ${byHand}`);
    process.exit(1);
  }
};
