import { createHash } from 'node:crypto';
import { readdir, readFile, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'vite';

// What is larger is opened seldom (a PDF): it is kept from the first time somebody needs it.
const PRECACHED_MOST_BYTES = 380_000;
const IS_PACKED = /\.(?:br|gz)$/;
const BESIDE = ['icon.svg', 'icon-192.png', 'icon-512.png', 'app.webmanifest'];

const short = (text) => createHash('sha256').update(text).digest('hex').slice(0, 16);

const precached = async (client) => {
  const named = (await readdir(join(client, '_astro'))).filter((name) => !IS_PACKED.test(name)).sort();
  const sized = await Promise.all(
    named.map(async (name) => ({ name, bytes: (await stat(join(client, '_astro', name))).size })),
  );
  // Their names say what is in them.
  const files = sized
    .filter(({ bytes }) => bytes <= PRECACHED_MOST_BYTES)
    .map(({ name }) => ({ url: `/_astro/${name}`, revision: null }));
  const beside = await Promise.all(
    BESIDE.map(async (name) => ({ url: `/${name}`, revision: short(await readFile(join(client, name))) })),
  );
  return [...files, ...beside];
};

/** Builds the worker that answers without a network, once it is known what it keeps from the start. The page for what it has not is made by the server, and is a
 *  new one with each build. */
export const offlineBuild = () => ({
  name: 'jentik-offline',
  hooks: {
    'astro:build:done': async ({ dir }) => {
      const client = fileURLToPath(dir);
      const files = await precached(client);
      // Server and browser are built of the same sources: the lock says what of others is in them.
      const server = await readFile(join(client, '..', 'server', 'entry.mjs'));
      const id = short(JSON.stringify(files) + short(server));
      await build({
        configFile: false,
        root: client,
        logLevel: 'warn',
        publicDir: false,
        define: {
          PRECACHED: JSON.stringify([...files, { url: '/offline', revision: id }]),
          BUILD: JSON.stringify(id),
          'process.env.NODE_ENV': '"production"',
        },
        build: {
          outDir: client,
          emptyOutDir: false,
          target: 'es2022',
          rollupOptions: {
            input: fileURLToPath(new URL('../../src/client/offline/service-worker.ts', import.meta.url)),
            output: { format: 'iife', entryFileNames: 'service-worker.js' },
          },
        },
      });
    },
  },
});
