import { readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { brotliCompress, gzip, constants as zlib } from 'node:zlib';

const IS_TEXT = /\.(?:css|js|json|mjs|svg|txt)$/;
// The best way takes a second for 500 kB; what is larger is opened seldom (a PDF, a chart), and a build is waited for.
const BEST_MOST_BYTES = 300_000;
const QUICKER_QUALITY = 9;
const [asBrotli, asGzip] = [promisify(brotliCompress), promisify(gzip)];

const pack = async (path) => {
  const text = await readFile(path);
  const [brotli, gzipped] = await Promise.all([
    asBrotli(text, {
      params: {
        [zlib.BROTLI_PARAM_QUALITY]:
          text.length > BEST_MOST_BYTES ? QUICKER_QUALITY : zlib.BROTLI_MAX_QUALITY,
        [zlib.BROTLI_PARAM_MODE]: zlib.BROTLI_MODE_TEXT,
        [zlib.BROTLI_PARAM_LGWIN]: zlib.BROTLI_MAX_WINDOW_BITS,
      },
    }),
    asGzip(text, { level: zlib.Z_BEST_COMPRESSION }),
  ]);
  await Promise.all([writeFile(`${path}.br`, brotli), writeFile(`${path}.gz`, gzipped)]);
};

/** Packs what a browser keeps for good once, when it is built, and as small as it gets; scripts/site/serve gives it out as it lies. */
export const packedAssets = () => ({
  name: 'jentik-packed-assets',
  hooks: {
    'astro:build:done': async ({ dir }) => {
      const folder = join(fileURLToPath(dir), '_astro');
      const files = (await readdir(folder)).filter((name) => IS_TEXT.test(name));
      await Promise.all(files.map((name) => pack(join(folder, name))));
    },
  },
});
