import { defineConfig } from 'vitest/config';

/** Time limits are for what hangs: a slow machine that runs others beside takes ten times as long as a quick one alone. */
const patient = { testTimeout: 600_000, hookTimeout: 600_000 };

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
          ...patient,
        },
      },
      {
        test: {
          name: 'web',
          include: ['web/**/*.test.{ts,tsx}'],
          // As above: each file takes its page away when it is done.
          isolate: false,
          ...patient,
        },
      },
      {
        test: {
          name: 'server',
          include: ['server/**/*.test.ts'],
          globalSetup: ['scripts/testDatabase.mjs'],
          // Each file has a house of its own; loading the server anew for each costs more than most files' tests.
          isolate: false,
          ...patient,
        },
      },
      { test: { name: 'start', include: ['e2e/**/*.start.ts'], ...patient, testTimeout: 900_000 } },
      {
        test: {
          name: 'e2e',
          include: ['e2e/**/*.e2e.ts'],
          globalSetup: ['scripts/testHouse.mjs'],
          ...patient,
          fileParallelism: false,
          // As above: each file opens a browser of its own and closes it.
          isolate: false,
        },
      },
    ],
  },
});
