import { spawn } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Random } from '../campaign/seeded.ts';
import { inProject } from '../site/paths.ts';

const SIGNALS: readonly NodeJS.Signals[] = ['SIGINT', 'SIGTERM', 'SIGHUP', 'SIGKILL'];
/** A start is over by then, on a slow machine too: signals come during it and after it. */
const LATEST_MS = 5_000;
/** A database that was being made ends when it is made: on a slow machine that takes a while. */
const GONE_MS = 60_000;
const OPEN_MS = 90_000;
const POLL_MS = 100;

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

type Process = { readonly pid: number; readonly command: string };

/** The processes that a site consists of: those that bear its mark, and the command that started them. */
const processesOf = (home: string): readonly Process[] =>
  readdirSync('/proc').flatMap((name) => {
    try {
      const isOurs = readFileSync(`/proc/${name}/environ`, 'utf8')
        .split('\0')
        .includes(`JENTIK_SITE=${home}`);
      const command = readFileSync(`/proc/${name}/cmdline`, 'utf8').replaceAll('\0', ' ');
      const isCommand = command.includes('scripts/site/start.ts') && command.includes(home);
      return isOurs || isCommand ? [{ pid: Number(name), command }] : [];
    } catch {
      // It ended while it was looked at, or is no process.
      return [];
    }
  });

const started = (home: string) => {
  const npm = spawn('npm', ['start', '--', '--folder', home], {
    cwd: inProject(),
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, JENTIK_CALLED_FROM: undefined, JENTIK_APP_DATABASE_URL: undefined },
  });
  let said = '';
  for (const stream of [npm.stdout, npm.stderr])
    stream.on('data', (chunk: Buffer) => (said += chunk.toString()));
  return { npm, said: () => said };
};

const until = async (isSo: () => boolean | Promise<boolean>, patienceMs: number): Promise<boolean> => {
  const giveUpAt = Date.now() + patienceMs;
  while (!(await isSo())) {
    if (Date.now() > giveUpAt) return false;
    await pause(POLL_MS);
  }
  return true;
};

const untilGone = async (home: string): Promise<readonly Process[]> => {
  await until(() => processesOf(home).length === 0, GONE_MS);
  return processesOf(home);
};

/** Kills what a running site consists of, one after the other, and says what did not come back by itself, or came back without a word. */
const killEachPart = async (home: string, said: () => string): Promise<readonly string[]> => {
  const problems: string[] = [];
  const address = /http:\S+/.exec(said())?.[0] ?? '';
  const answers = (): Promise<boolean> =>
    fetch(`${address}/api/v1/people`).then(
      ({ ok }) => ok,
      () => false,
    );
  for (const part of ['mariadbd', 'scripts/site/serve.mjs', 'gateway/devices.ts']) {
    const find = (): Process | undefined => processesOf(home).find(({ command }) => command.includes(part));
    const killed = find();
    const before = said().length;
    if (killed) process.kill(killed.pid, 'SIGKILL');
    const isBack = async (): Promise<boolean> => {
      const now = find();
      return now !== undefined && now.pid !== killed?.pid && (await answers());
    };
    if (!killed || !(await until(isBack, OPEN_MS))) problems.push(`${part} was killed and is not back`);
    if (!said().slice(before).includes('started again'))
      problems.push(`${part} was killed, and nothing was said`);
  }
  return problems;
};

/** Starts a site so many times in a folder whose name is awkward, sends npm alone a signal at any moment, and says what was left behind; and at the end whether the next
 *  start works, and what it consists of comes back when it is killed. */
export const endAtAnyMoment = async (times: number, random: Random): Promise<readonly string[]> => {
  const home = inProject('.jentik', "it's a #1 home %20");
  rmSync(home, { recursive: true, force: true });
  const problems: string[] = [];
  for (let count = 0; count < times; count += 1) {
    const signal = SIGNALS[count % SIGNALS.length] as NodeJS.Signals;
    if (random.chance(0.3)) rmSync(home, { recursive: true, force: true });
    const ms = random.whole(LATEST_MS);
    const { npm, said } = started(home);
    await pause(ms);
    if (npm.exitCode !== null) problems.push(`a start ended by itself: ${said().slice(-400)}`);
    npm.kill(signal);
    const still = (await untilGone(home)).map(({ pid, command }) => `${pid} ${command.slice(0, 80)}`);
    if (still.length > 0) problems.push(`${signal} after ${ms} ms left ${still.join('; ')}`);
    if (signal !== 'SIGKILL' && existsSync(join(home, 'running.json')))
      problems.push(`${signal} after ${ms} ms left a lock`);
  }
  const { npm, said } = started(home);
  if (await until(() => said().includes('Jentik is open at'), OPEN_MS))
    problems.push(...(await killEachPart(home, said)));
  else problems.push(`the next start did not work: ${said().slice(-400)}`);
  npm.kill('SIGTERM');
  await untilGone(home);
  rmSync(home, { recursive: true, force: true });
  return problems;
};
