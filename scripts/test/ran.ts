import { spawn } from 'node:child_process';
import { inProject } from '../site/paths.ts';

/** How a command ended, and the last of what it said: whoever reads only the end of a long log still learns what failed. */
export type Ran = { readonly hasPassed: boolean; readonly lastLines: readonly string[] };

const KEPT_LINES = 40;

/** Runs a command of the test line. What it says is passed on as it comes. */
export const ran = (
  command: string,
  args: readonly string[],
  environment: Readonly<Record<string, string>> = {},
): Promise<Ran> =>
  new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: inProject(),
      stdio: ['ignore', 'pipe', 'pipe'],
      // The site's own patience, not that of a command.
      env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', JENTIK_STATEMENT_SECONDS: '12', ...environment },
    });
    let said = '';
    const passOn = (stream: NodeJS.WriteStream) => (chunk: Buffer) => {
      stream.write(chunk);
      said = (said + chunk.toString()).slice(-20_000);
    };
    child.stdout.on('data', passOn(process.stdout));
    child.stderr.on('data', passOn(process.stderr));
    child.once('error', (error) => resolve({ hasPassed: false, lastLines: [String(error)] }));
    child.once('close', (code) =>
      resolve({ hasPassed: code === 0, lastLines: said.trimEnd().split('\n').slice(-KEPT_LINES) }),
    );
  });
