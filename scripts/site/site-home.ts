import { resolve } from 'node:path';
import { inProject } from './paths.ts';

const called = (path: string): string => resolve(process.env['JENTIK_CALLED_FROM'] ?? '.', path);

/** What stands behind an option; null where it was not given. */
export const optionOf = (args: readonly string[], option: string): string | null => {
  const at = args.indexOf(option);
  return at < 0 ? null : (args[at + 1] ?? '');
};

/** The folder of the site that a command is asked about: ./data, the demo's with --demo, another with --folder. */
export const siteHome = (args: readonly string[]): string => {
  if (args.includes('--demo')) return inProject('.jentik', 'demo');
  const named = optionOf(args, '--folder');
  return named ? called(named) : inProject('data');
};

/** The one file that a command is asked about; null where none or several are named. */
export const namedFile = (args: readonly string[]): string | null => {
  const files = args.filter(
    (arg, at) => !arg.startsWith('--') && !['--folder', '--key'].includes(args[at - 1] ?? ''),
  );
  return files.length === 1 ? called(files[0] as string) : null;
};
