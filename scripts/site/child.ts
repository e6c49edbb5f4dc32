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

// Everything this process started and that still runs, the oldest first. A child is in here from the moment it exists, so that a signal at any moment
// finds it.
const started = new Set<Running>();
let isClosed = false;

/** Thrown by whatever would start something while everything is being ended. */
export class Ending extends Error {}

/** Starts a program in a process group of its own, so that Ctrl-C reaches only the command that started it and the stop is in order.
 *  What it prints is added to a log file, or goes where this process prints where there is none. Throws: Ending. */
export const startChild = (
  command: string,
  args: readonly string[],
  options: { readonly log: string | null; readonly env?: NodeJS.ProcessEnv; readonly cwd?: string },
): Running => {
  if (isClosed) throw new Ending('everything is being ended');
  const log = options.log === null ? null : openSync(options.log, 'a');
  const child = spawn(command, args, {
    detached: true,
    stdio: ['ignore', log ?? 'inherit', log ?? 'inherit'],
    env: options.env ?? process.env,
    ...(options.cwd ? { cwd: options.cwd } : {}),
  });
  if (log !== null) closeSync(log);
  const one = running(child);
  started.add(one);
  void one.exited.then(() => started.delete(one));
  return one;
};

/** Ends everything that was started, the newest first, and lets nothing new start. */
export const endChildren = async (): Promise<void> => {
  isClosed = true;
  for (const one of [...started].reverse()) await one.stop();
};

/** Whether everything is being ended. */
export const isEnding = (): boolean => isClosed;
