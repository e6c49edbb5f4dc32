import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          // A shared machine stalls now and then; a test that hangs is still found.
          testTimeout: 60_000,
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
          testTimeout: 30_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
