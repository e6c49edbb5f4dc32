import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { Ending, isEnding, startChild } from './child.ts';
import { inProject } from './paths.ts';

const LOG = inProject('.jentik', 'build.log');
const STAMP = inProject('dist', '.sources');
const SOURCES = ['src', 'public', 'astro.config.mjs', 'package-lock.json', 'tsconfig.json'];

const filesIn = (path: string): readonly string[] => {
  if (!existsSync(path)) return [];
  try {
    return readdirSync(path, { withFileTypes: true }).flatMap((entry) =>
      entry.isDirectory() ? filesIn(join(path, entry.name)) : [join(path, entry.name)],
    );
  } catch {
    return [path];
  }
};

const sourcesHash = (): string => {
  const hash = createHash('sha256');
  for (const file of SOURCES.flatMap((source) => filesIn(inProject(source))).sort())
    hash.update(file).update(readFileSync(file));
  return hash.digest('hex');
};

/** Builds the application unless the last build was made from the same sources. Ends with everything else when that is ended. */
export const ensureBuilt = async (): Promise<void> => {
  const hash = sourcesHash();
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === hash) return;
  console.error('Building …');
  // A build that is ended in the middle must not look like the one before.
  rmSync(STAMP, { force: true });
  mkdirSync(dirname(LOG), { recursive: true });
  writeFileSync(LOG, '');
  const build = startChild(process.execPath, [inProject('node_modules', 'astro', 'astro.js'), 'build'], {
    cwd: inProject(),
    log: LOG,
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  });
  if ((await build.exited) !== 0) {
    if (isEnding()) throw new Ending('the build was ended');
    console.error(readFileSync(LOG, 'utf8'));
    throw new Error('the build failed; its messages stand above');
  }
  writeFileSync(STAMP, hash);
};
