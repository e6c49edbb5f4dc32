// The symbols of the interface, cut out of Noto Sans Math at build: the whole face is ten times as large, and the bench would wait for it.
// Plain JavaScript, because the build's own configuration reads it.
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import subsetFont from 'subset-font';

/** What a person may type or a source may print beside what the sources of the program themselves hold. */
const TYPED = 'µμΩ≤≥≈√Δθ⌀′″°±×÷·−–½¼¾⅓⅔⅛⅜⅝⅞←→↑↓⌫∅≠∞²³⁻¹';

const sources = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory()
      ? sources(join(folder, entry.name))
      : /\.(?:tsx?|astro)$/.test(entry.name)
        ? [join(folder, entry.name)]
        : [],
  );

/** Writes the subset for the sources below a folder, and answers its size in bytes. */
export const writeSymbolsFont = async (root) => {
  const used = new Set(TYPED);
  for (const file of sources(join(root, 'src')))
    for (const character of readFileSync(file, 'utf8')) if (character > '\x7f') used.add(character);
  const face = createRequire(join(root, 'package.json')).resolve(
    '@fontsource/noto-sans-math/files/noto-sans-math-latin-400-normal.woff2',
  );
  const subset = await subsetFont(readFileSync(face), [...used].sort().join(''), { targetFormat: 'woff2' });
  const target = join(root, '.jentik', 'symbols.woff2');
  mkdirSync(dirname(target), { recursive: true });
  writeFileSync(target, subset);
  return subset.length;
};
