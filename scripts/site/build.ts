import { createHash } from 'node:crypto';
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { Ending, isEnding, startChild } from './child.ts';
import { inProject } from './paths.ts';

const LOG = inProject('.jentik', 'build.log');
const STAMP = inProject('dist', '.sources');
const SOURCES = [
  'src',
  'public',
  'astro.config.mjs',
  'scripts/site/compiled-at-once.mjs',
  'scripts/site/heart-chunk.mjs',
  'scripts/site/lean-zod.mjs',
  'scripts/site/offline-build.mjs',
  'scripts/site/packed-assets.mjs',
  'scripts/site/swc-minify.mjs',
  'scripts/site/symbols-font.mjs',
  'package-lock.json',
  'tsconfig.json',
];

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

const buildIn = (folder: string, options: readonly string[], env: NodeJS.ProcessEnv): Promise<number> =>
  startChild(
    process.execPath,
    [...options, join(folder, 'node_modules', 'astro', 'astro.js'), 'build', '--root', folder],
    {
      cwd: folder,
      log: LOG,
      env: { ...process.env, ...env, ASTRO_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
    },
  ).exited;

// The framework writes paths into programs between apostrophes, and takes these for the end of a path or for something written otherwise.
const IS_ODD = /['"`#?%\\]/;

/** Builds where the sources are; from a path that the framework can't take, in a folder of a plain name that leads to the same files. */
const built = async (): Promise<number> => {
  if (!IS_ODD.test(inProject())) return buildIn(inProject(), [], {});
  const plain = mkdtempSync(join(tmpdir(), 'jentik-build-'));
  try {
    for (const name of [...SOURCES, 'package.json'])
      cpSync(inProject(name), join(plain, name), { recursive: true });
    symlinkSync(inProject('node_modules'), join(plain, 'node_modules'));
    const code = await buildIn(plain, ['--preserve-symlinks', '--preserve-symlinks-main'], {
      JENTIK_PRESERVE_SYMLINKS: '1',
    });
    if (code === 0) {
      rmSync(inProject('dist'), { recursive: true, force: true });
      cpSync(join(plain, 'dist'), inProject('dist'), { recursive: true });
    }
    return code;
  } finally {
    rmSync(plain, { recursive: true, force: true });
  }
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
  if ((await built()) !== 0) {
    if (isEnding()) throw new Ending('the build was ended');
    console.error(readFileSync(LOG, 'utf8'));
    throw new Error('the build failed; its messages stand above');
  }
  writeFileSync(STAMP, hash);
};
