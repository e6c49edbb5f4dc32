import { spawn } from 'node:child_process';
import { once } from 'node:events';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { isCheckDue } from '#server/sealing/nightly-check.ts';
import { keepRunning } from '../../scripts/site/keep-running.ts';
import { inProject } from '../../scripts/site/paths.ts';
import { namedFile, siteHome } from '../../scripts/site/site-home.ts';
import { noteSite, releaseSite, runningSite, takeSite } from '../../scripts/site/site-lock.ts';
import { keepPort, sitePort } from '../../scripts/site/site-port.ts';
import { clearUnfinished, markUnfinished, unmarkUnfinished } from '../../scripts/site/unfinished.ts';

let home: string;
beforeEach(() => {
  home = mkdtempSync(join(tmpdir(), "it's a site "));
});
afterEach(() => {
  vi.restoreAllMocks();
  rmSync(home, { recursive: true, force: true });
});

describe('the lock of a site', () => {
  test('one has it; it names the address once there is one, and is given back', async () => {
    expect(await takeSite(home)).toBeNull();
    expect(await takeSite(home)).toMatchObject({ pid: process.pid, address: '' });
    noteSite(home, 'http://127.0.0.1:4321', 'mysql://x');
    expect(runningSite(home)).toMatchObject({ address: 'http://127.0.0.1:4321', appUrl: 'mysql://x' });
    releaseSite(home);
    expect(runningSite(home)).toBeNull();
    expect(readdirSync(home)).toEqual([]);
  });

  test.each([
    ['empty', ''],
    ['cut in the middle', '{"pid": 12'],
    ['of another form', '{"pid":"x"}'],
    [
      'of a process that is gone',
      JSON.stringify({ pid: 2 ** 22 + 1, began: 'x', address: '', appUrl: null }),
    ],
    [
      'of an id that a stranger has now',
      JSON.stringify({ pid: 1, began: 'an earlier boot 77', address: '', appUrl: null }),
    ],
  ])('one that is %s keeps nobody out', async (_, text) => {
    writeFileSync(join(home, 'running.json'), text);
    expect(await takeSite(home)).toBeNull();
    expect(runningSite(home)?.pid).toBe(process.pid);
  });
});

describe('the port of a site', () => {
  test('is taken at the first start and kept', async () => {
    const { port, isKept } = await sitePort(home);
    expect(isKept).toBe(false);
    keepPort(home, port);
    expect(await sitePort(home)).toEqual({ port, isKept: true });
    expect(readFileSync(join(home, 'port'), 'utf8')).toBe(`${port}\n`);
  });

  test('taken by another later is an error with its cure, never another port', async () => {
    const other = createServer();
    await new Promise<void>((resolve) => other.listen(0, '127.0.0.1', resolve));
    const { port } = other.address() as { port: number };
    writeFileSync(join(home, 'port'), `${port}\n`);
    await expect(sitePort(home)).rejects.toThrow(new RegExp(`Port ${port} is taken.*End that program`, 's'));
    await new Promise((resolve) => other.close(resolve));
    expect(await sitePort(home)).toEqual({ port, isKept: true });
  });

  test('two sites that start side by side have two', async () => {
    const other = createServer();
    await new Promise<void>((resolve) => {
      other.once('error', () => resolve());
      other.listen(4321, '127.0.0.1', resolve);
    });
    expect((await sitePort(home)).port).not.toBe(4321);
    await new Promise((resolve) => other.close(resolve));
  });

  test.each(['', 'x', '0', '99999', '-1'])('a port file that says “%s” says nothing', async (text) => {
    writeFileSync(join(home, 'port'), text);
    expect((await sitePort(home)).isKept).toBe(false);
  });
});

test('a site that was left in the middle of its making is cleared away, a whole one never', () => {
  vi.spyOn(console, 'error').mockImplementation(() => {});
  const data = join(home, 'data');
  mkdirSync(data);
  clearUnfinished(home);
  expect(existsSync(data)).toBe(true);
  markUnfinished(home);
  unmarkUnfinished(home);
  clearUnfinished(home);
  expect(existsSync(data)).toBe(true);
  markUnfinished(home);
  clearUnfinished(home);
  expect(readdirSync(home)).toEqual([]);
});

test('what ends by itself is started again with a pause that grows, and it is said', async () => {
  vi.useFakeTimers();
  const said = vi.spyOn(console, 'error').mockImplementation(() => {});
  let starts = 0;
  let isOver = false;
  const running = keepRunning({
    name: 'The application',
    log: 'x.log',
    exited: async () => {},
    startAgain: async () => {
      starts += 1;
      if (starts === 2) throw new Error('it did not start');
      if (starts === 4) isOver = true;
    },
    isOver: () => isOver,
  });
  await vi.advanceTimersByTimeAsync(1_000);
  expect(starts).toBe(1);
  await vi.advanceTimersByTimeAsync(1_999);
  expect(starts).toBe(1);
  await vi.advanceTimersByTimeAsync(1 + 4_000 + 8_000);
  await running;
  vi.useRealTimers();
  expect(starts).toBe(4);
  expect(said.mock.calls.flat()).toContainEqual(expect.stringContaining('started again in 8 s'));
});

test('the folder and the file that a command is asked about', () => {
  vi.stubEnv('JENTIK_CALLED_FROM', '/somewhere');
  expect(siteHome(['--folder', 'shop'])).toBe('/somewhere/shop');
  expect(siteHome(['x.gz', '--demo'])).toMatch(/\.jentik\/demo$/);
  expect(namedFile(['x.gz', '--folder', 'shop', '--key', 'ab'])).toBe('/somewhere/x.gz');
  expect(namedFile(['a', 'b'])).toBeNull();
  vi.unstubAllEnvs();
});

test('the ledger is checked once a night, and after a night that the machine was off', () => {
  const due = (at: string, last: string | null) =>
    isCheckDue(new Date(at).toISOString(), last && new Date(last).toISOString());
  expect(due('2026-11-26T09:00:00', '2026-11-26T02:00:10')).toBe(false);
  expect(due('2026-11-26T09:00:00', '2026-11-25T09:00:00')).toBe(true);
  expect(due('2026-11-27T02:00:05', '2026-11-26T02:00:10')).toBe(true);
  // A site that began an hour before the night is not checked an hour later.
  expect(due('2026-11-26T02:00:05', '2026-11-26T01:00:00')).toBe(false);
  expect(due('2026-11-26T09:00:00', null)).toBe(false);
});

describe('a command of npm’s', () => {
  const COMMAND = '"$NODE" scripts/run.mjs scripts/check.ts --folder "$NO_SITE"';

  /** What a shell in a group of its own, and all that it starts, say until the last of them is gone. */
  const saidBy = async (script: string): Promise<string> => {
    const shell = spawn('sh', ['-c', script], {
      cwd: inProject(),
      detached: true,
      env: {
        ...process.env,
        npm_lifecycle_event: 'check',
        NODE: process.execPath,
        NO_SITE: join(home, 'none'),
      },
    });
    let said = '';
    for (const stream of [shell.stdout, shell.stderr])
      stream.on('data', (chunk: Buffer) => (said += chunk.toString()));
    await once(shell, 'close');
    return said;
  };

  test('runs while npm is there, and begins nothing where npm was killed before it was awake', async () => {
    expect(await saidBy(`${COMMAND}; true`)).toContain('There is no site');
    expect(await saidBy(`(sleep 0.5; exec ${COMMAND}) & exit`)).toBe('');
  });
});
