import { fileURLToPath } from 'node:url';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';
import { compiledAtOnce } from './scripts/site/compiled-at-once.mjs';
import { heartChunk } from './scripts/site/heart-chunk.mjs';
import { leanZod } from './scripts/site/lean-zod.mjs';
import { offlineBuild } from './scripts/site/offline-build.mjs';
import { packedAssets } from './scripts/site/packed-assets.mjs';
import { swcMinify } from './scripts/site/swc-minify.mjs';
import { writeSymbolsFont } from './scripts/site/symbols-font.mjs';

await writeSymbolsFont(fileURLToPath(new URL('.', import.meta.url)));

/** The framework's own server application, without what the usual adapter puts around it (docs/adr/0008). */
const serverAdapter = {
  name: 'jentik-server',
  hooks: {
    'astro:config:done': ({ setAdapter }) =>
      setAdapter({
        name: 'jentik-server',
        serverEntrypoint: fileURLToPath(new URL('./src/server/http/app-handler.ts', import.meta.url)),
        exports: ['handler', 'nowhere', 'headers', 'runInBackground'],
        supportedAstroFeatures: { serverOutput: 'stable' },
      }),
  },
};

export default defineConfig({
  output: 'server',
  adapter: serverAdapter,
  integrations: [react(), packedAssets(), offlineBuild()],
  devToolbar: { enabled: false },
  telemetry: false,
  server: { host: '127.0.0.1' },
  experimental: { csp: true },
  // Origin and content type are checked in server/http/endpoint, for JSON too.
  security: { checkOrigin: false },
  vite: {
    plugins: [tailwindcss(), leanZod(), swcMinify(), compiledAtOnce()],
    // Where the project lies at a path that the build can't take, it is built through another name for it (scripts/site/build).
    resolve: { preserveSymlinks: process.env.JENTIK_PRESERVE_SYMLINKS === '1' },
    build: {
      assetsInlineLimit: 0,
      target: 'es2022',
    },
    worker: { format: 'es' },
    environments: {
      // Made small by swc instead.
      client: {
        build: { minify: false, cssMinify: true, rollupOptions: { output: { manualChunks: heartChunk() } } },
      },
    },
  },
});
