import { defineConfig } from 'vitest/config';

// Far more than any takes, by itself or all at once: a shared machine stalls now and then, and a check of the whole ledger looks a second time before it names
// what it found. A test that hangs is still found.
const PATIENCE_MS = 240_000;

export default defineConfig({
  test: {
    // The runner leaves one processor to itself, which of two is half of them.
    maxWorkers: 2,
    projects: [
      {
        test: {
          name: 'unit',
          testTimeout: PATIENCE_MS,
          include: ['tests/{core,wire,client,ui,scripts}/**/*.test.ts'],
          environment: 'node',
        },
      },
      {
        test: {
          name: 'database',
          include: ['tests/server/**/*.test.ts'],
          environment: 'node',
          globalSetup: 'tests/server/private-database.ts',
          fileParallelism: false,
          testTimeout: PATIENCE_MS,
          hookTimeout: PATIENCE_MS,
        },
      },
    ],
  },
});
