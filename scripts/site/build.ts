import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inProject } from './paths.ts';

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

/** Builds the application unless the last build was made from the same sources. */
export const ensureBuilt = (): void => {
  const hash = sourcesHash();
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === hash) return;
  console.error('Building …');
  const build = spawnSync(inProject('node_modules', '.bin', 'astro'), ['build'], {
    cwd: inProject(),
    encoding: 'utf8',
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  });
  if (build.status !== 0) {
    console.error(build.stdout, build.stderr);
    throw new Error('the build failed; its messages stand above');
  }
  writeFileSync(STAMP, hash);
};
