import { defineConfig } from 'vitest/config';

/**
 * Kinds of tests, told apart by their place: plain, of the pages' parts, against a real MariaDB, starting the house, and through a real
 * browser.
 */
export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          include: ['{core,contract,demo,scripts}/**/*.test.{ts,mjs}'],
          // Loading the same modules anew for each file costs more than its tests; none leaves anything behind.
          isolate: false,
          testTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'web',
          include: ['web/**/*.test.{ts,tsx}'],
          // As above: each file takes its page away when it is done.
          isolate: false,
          testTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'server',
          include: ['server/**/*.test.ts'],
          globalSetup: ['scripts/testDatabase.mjs'],
          // Each file has a house of its own; loading the server anew for each costs more than most files' tests.
          isolate: false,
          testTimeout: 90_000,
          hookTimeout: 60_000,
        },
      },
      { test: { name: 'start', include: ['e2e/**/*.start.ts'], testTimeout: 900_000, hookTimeout: 240_000 } },
      {
        test: {
          name: 'e2e',
          include: ['e2e/**/*.e2e.ts'],
          globalSetup: ['scripts/testHouse.mjs'],
          testTimeout: 120_000,
          hookTimeout: 120_000,
          fileParallelism: false,
        },
      },
    ],
  },
});
