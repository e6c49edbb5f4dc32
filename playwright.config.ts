import { defineConfig } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from './scripts/test/chromium.ts';

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: '.jentik/test-results/browser',
  globalSetup: './tests/browser/start-site.ts',
  // One site and one database serve every test; two at a time would fight over two cores and over the same jobs.
  workers: 1,
  timeout: 240_000,
  // A shared machine stalls now and then for longer than a person would wait: patience is cheap, a second try would hide what is broken.
  expect: { timeout: 20_000 },
  forbidOnly: true,
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    reducedMotion: 'reduce',
    launchOptions: { executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] },
    // A page's own worker answers for the network: only what is about that lets it (offline.spec).
    serviceWorkers: 'block',
    trace: 'off',
    actionTimeout: 20_000,
    navigationTimeout: 40_000,
  },
});
