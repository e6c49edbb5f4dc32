import { defineConfig } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from './scripts/test/chromium.ts';

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: '.jentik/test-results/browser',
  globalSetup: './tests/browser/start-site.ts',
  // One site and one database serve every test; two at a time would fight over two cores and over the same jobs.
  workers: 1,
  timeout: 240_000,
  expect: { timeout: 10_000 },
  forbidOnly: true,
  // A shared machine stalls now and then for longer than any patience here; what fails twice more has failed.
  retries: 2,
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    reducedMotion: 'reduce',
    launchOptions: { executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] },
    trace: 'off',
    actionTimeout: 10_000,
    navigationTimeout: 20_000,
  },
});
