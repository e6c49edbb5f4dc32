import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react()],
  devToolbar: { enabled: false },
  telemetry: false,
  server: { host: '127.0.0.1' },
  experimental: { csp: true },
  // Origin and content type are checked in server/http/endpoint, for JSON too.
  security: { checkOrigin: false },
  vite: {
    plugins: [tailwindcss()],
    build: { assetsInlineLimit: 0 },
    worker: { format: 'es' },
  },
});
