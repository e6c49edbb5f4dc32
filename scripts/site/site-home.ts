import { resolve } from 'node:path';
import { inProject } from './paths.ts';

/** The folder of the site that a command is asked about: ./data, the demo's with --demo, another with --folder. */
export const siteHome = (args: readonly string[]): string => {
  if (args.includes('--demo')) return inProject('.jentik', 'demo');
  const at = args.indexOf('--folder');
  const named = at < 0 ? undefined : args[at + 1];
  return named ? resolve(process.env['JENTIK_CALLED_FROM'] ?? '.', named) : inProject('data');
};
