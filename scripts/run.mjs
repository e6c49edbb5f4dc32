#!/usr/bin/env node
// Runs one of the project's TypeScript commands: `node scripts/run.mjs scripts/verify.ts FILE`.
// Plain JavaScript, because on a fresh machine nothing that reads TypeScript is installed yet: it installs that first.
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
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

// From before anything is started: a signal to this process alone is handed to what it started, which decides when it is done. The terminal sends
// Ctrl-C to the whole group, so that it may come twice.
let child = null;
let isEnded = false;
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
  process.on(signal, () => {
    isEnded = true;
    child?.kill(signal);
  });
}

// Killed outright, npm hands nothing on: whoever has lost it ends as if it had. It may be gone before this line is reached: then the parent is
// neither of its group nor something that it started.
const parent = process.ppid;
const about = (pid, file) => {
  try {
    return readFileSync(`/proc/${pid}/${file}`, 'utf8');
  } catch {
    return '';
  }
};
const groupOf = (pid) => about(pid, 'stat').split(') ').at(-1)?.split(' ')[2];
if (process.env.npm_lifecycle_event) {
  const isOfGroup = groupOf(parent) === groupOf('self');
  if (!isOfGroup && !about(parent, 'environ').includes('npm_lifecycle_event=')) process.exit(1);
  setInterval(() => {
    if (process.ppid !== parent && !isEnded) process.kill(process.pid, 'SIGTERM');
  }, 1_000).unref();
}

const ran = (command, args, options) =>
  new Promise((resolve) => {
    child = spawn(command, args, { cwd: root, ...options });
    child.once('error', () => resolve(1));
    child.once('exit', (code, signal) => resolve(signal ? 1 : (code ?? 1)));
  });

if (!existsSync(stamp) || readFileSync(stamp, 'utf8') !== lock) {
  console.error('Installing packages (about two minutes the first time) …');
  rmSync(stamp, { force: true });
  const code = await ran('npm', ['ci', '--ignore-scripts', '--loglevel=error'], { stdio: ['ignore', 2, 2] });
  if (isEnded) process.exit(1);
  if (code !== 0) {
    console.error('npm ci failed; its message stands above. Mend it and run the same command again.');
    process.exit(1);
  }
  writeFileSync(stamp, lock);
}

const [script = '', ...rest] = process.argv.slice(2);
const code = await ran(process.execPath, ['--import', 'tsx', join(root, script), ...rest], {
  stdio: 'inherit',
  // A command may rebuild or restore for longer than anybody waits for a page.
  env: {
    JENTIK_STATEMENT_SECONDS: '600',
    ...process.env,
    JENTIK_CALLED_FROM: process.env.INIT_CWD ?? process.cwd(),
  },
});
process.exit(code);
