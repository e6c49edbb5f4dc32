#!/usr/bin/env node
// Runs one of the project's TypeScript commands: `node scripts/run.mjs scripts/verify.ts FILE`.
// Plain JavaScript, because on a fresh machine nothing that reads TypeScript is installed yet: it installs that first.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const stamp = join(root, 'node_modules', '.jentik-lock');
const lock = createHash('sha256')
  .update(readFileSync(join(root, 'package-lock.json')))
  .digest('hex');

const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 12)) {
  console.error(`Jentik needs Node 20.12 or newer; this is ${process.versions.node}.`);
  process.exit(1);
}

if (!existsSync(stamp) || readFileSync(stamp, 'utf8') !== lock) {
  console.error('Installing packages (about two minutes the first time) …');
  const install = spawnSync('npm', ['ci', '--ignore-scripts', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', 2, 2],
  });
  if (install.status !== 0) {
    console.error('npm ci failed; its message stands above. Mend it and run the same command again.');
    process.exit(1);
  }
  writeFileSync(stamp, lock);
}

const [script = '', ...rest] = process.argv.slice(2);
const child = spawn(process.execPath, ['--import', 'tsx', join(root, script), ...rest], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, JENTIK_CALLED_FROM: process.env.INIT_CWD ?? process.cwd() },
});
// The terminal sends Ctrl-C to the whole group; the child decides when it is done, this one only waits for it.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
  process.on(signal, () => {
    if (signal !== 'SIGINT') child.kill(signal);
  });
}
child.on('exit', (code, signal) => process.exit(signal ? 1 : (code ?? 1)));
