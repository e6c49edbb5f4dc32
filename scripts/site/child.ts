import { type ChildProcess, spawn } from 'node:child_process';
import { closeSync, openSync } from 'node:fs';

const GRACE_MS = 10_000;

export type Running = {
  readonly pid: number;
  readonly exited: Promise<number>;
  readonly stop: () => Promise<void>;
};

const running = (child: ChildProcess): Running => {
  const exited = new Promise<number>((resolve) => {
    child.once('exit', (code) => resolve(code ?? 1));
    child.once('error', () => resolve(1));
  });
  const stop = async (): Promise<void> => {
    if (child.exitCode !== null || child.signalCode !== null) return;
    child.kill('SIGTERM');
    const timer = setTimeout(() => child.kill('SIGKILL'), GRACE_MS);
    await exited;
    clearTimeout(timer);
  };
  return { pid: child.pid ?? 0, exited, stop };
};

/** Starts a program in a process group of its own, so that Ctrl-C reaches only the command that started it and the stop is in order.
 *  What it prints is added to a log file. */
export const startChild = (
  command: string,
  args: readonly string[],
  options: { readonly log: string; readonly env?: NodeJS.ProcessEnv; readonly cwd?: string },
): Running => {
  const log = openSync(options.log, 'a');
  const child = spawn(command, args, {
    detached: true,
    stdio: ['ignore', log, log],
    env: options.env ?? process.env,
    ...(options.cwd ? { cwd: options.cwd } : {}),
  });
  closeSync(log);
  return running(child);
};
