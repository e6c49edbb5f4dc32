import { createServer } from 'vite';
import { galleryConfig } from './gallery/build.ts';

// `npm run gallery`: each part of the kit in every state, both themes and three sizes, for who works on it. Not in the product's build.

const server = await createServer(await galleryConfig());
await server.listen();
console.log(`Parts of the kit: ${server.resolvedUrls?.local[0] ?? ''}\nCtrl-C ends it.`);
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
  process.on(signal, () => void server.close().then(() => process.exit(0)));
