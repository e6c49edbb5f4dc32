import tailwindcss from '@tailwindcss/vite';
import type { InlineConfig } from 'vite';
import { inProject } from '../site/paths.ts';
import { writeSymbolsFont } from '../site/symbols-font.mjs';

/** How the gallery of parts is served and built: apart from the product, with the same styles. */
export const galleryConfig = async (): Promise<InlineConfig> => {
  await writeSymbolsFont(inProject());
  return {
    root: inProject('scripts', 'gallery'),
    configFile: false,
    plugins: [tailwindcss()],
    esbuild: { jsx: 'automatic' },
    build: { outDir: inProject('.jentik', 'gallery'), emptyOutDir: true },
    server: { host: '127.0.0.1', fs: { allow: [inProject()] } },
    preview: { host: '127.0.0.1' },
    logLevel: 'warn',
  };
};
