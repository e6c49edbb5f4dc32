#!/usr/bin/env node
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
// Serves the built application, on loopback unless JENTIK_LISTEN says otherwise: static files, compression, and an orderly end. The node adapter does none of the three.
import compression from 'compression';
import express from 'express';
import packedStatic from 'express-static-gzip';

process.env.NODE_ENV ??= 'production';

const dist = join(fileURLToPath(import.meta.url), '..', '..', '..', 'dist');
const { handler, nowhere, headers, runInBackground } = await import(
  pathToFileURL(join(dist, 'server', 'entry.mjs')).href
);

const app = express();
app.disable('x-powered-by');
const said = headers();
app.use((_request, response, next) => {
  for (const [name, value] of said) response.setHeader(name, value);
  next();
});
app.use(compression());
// A call of a program is never a file: it goes straight to its handler, without a look at the disk.
app.use((request, response, next) => (request.url.startsWith('/api/') ? handler(request, response) : next()));
// Packed when it was built (packed-assets).
app.use(
  '/_astro',
  packedStatic(join(dist, 'client', '_astro'), {
    enableBrotli: true,
    index: false,
    orderPreference: ['br', 'gz'],
    serveStatic: { immutable: true, maxAge: '1y' },
  }),
);
app.use(express.static(join(dist, 'client'), { index: false }));
app.use((request, response) => handler(request, response));
// What can't even be read as an address (a % that stands alone) leads nowhere, and is no fault.
app.use((_error, request, response, _next) => nowhere(request, response));

const server = app.listen(Number(process.env.PORT ?? 4321), process.env.JENTIK_LISTEN ?? '127.0.0.1');
// Whoever started this knows by it that this process has the port, and not another.
server.on('listening', () => {
  if (process.argv[2]) writeFileSync(join(process.argv[2], 'listening'), String(process.pid));
});
server.on('error', (error) => {
  console.error(error);
  process.exit(1);
});

const endBackground = runInBackground();

const DRAIN_MS = 5_000;
for (const signal of ['SIGTERM', 'SIGINT']) {
  process.once(signal, () => {
    setTimeout(() => process.exit(0), DRAIN_MS).unref();
    server.close(async () => {
      await endBackground();
      process.exit(0);
    });
    server.closeIdleConnections();
  });
}
