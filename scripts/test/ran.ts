import { spawn } from 'node:child_process';
import { inProject } from '../site/paths.ts';

/** How a command ended, and the last of what it said: whoever reads only the end of a long log still learns what failed. */
export type Ran = { readonly hasPassed: boolean; readonly lastLines: readonly string[] };

const KEPT_LINES = 40;
const KEPT_LETTERS = 20_000;

/** Runs a command of the test line. What it says is passed on as it comes; all of it at its end where others run `beside` it. */
export const ran = (
  command: string,
  args: readonly string[],
  {
    environment = {},
    isBeside = false,
  }: Partial<{
    readonly environment: Readonly<Record<string, string>>;
    readonly isBeside: boolean;
  }> = {},
): Promise<Ran> =>
  new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: inProject(),
      stdio: ['ignore', 'pipe', 'pipe'],
      // The site's own patience, not that of a command.
      env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', JENTIK_STATEMENT_SECONDS: '12', ...environment },
    });
    let said = '';
    const held: (() => void)[] = [];
    const passOn = (text: string, to: NodeJS.WriteStream): void => {
      if (isBeside) held.push(() => to.write(text));
      else to.write(text);
      said = (said + text).slice(-KEPT_LETTERS);
    };
    child.stdout.setEncoding('utf8').on('data', (text: string) => passOn(text, process.stdout));
    child.stderr.setEncoding('utf8').on('data', (text: string) => passOn(text, process.stderr));
    child.once('error', (error) => resolve({ hasPassed: false, lastLines: [String(error)] }));
    child.once('close', (code) => {
      for (const say of held) say();
      resolve({ hasPassed: code === 0, lastLines: said.trimEnd().split('\n').slice(-KEPT_LINES) });
    });
  });
