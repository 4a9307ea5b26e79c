import { defineConfig } from 'vitest/config';

// a busy machine may be ten times slower than a desk: no test here is about time
const patience = { testTimeout: 300_000, hookTimeout: 300_000 };
const setupFiles = ['core/src/testing/seed.ts'];

export default defineConfig({
  test: {
    // a file is made ready once for all kinds of tests and all workers
    experimental: { fsModuleCache: true },
    projects: [
      { test: { name: 'core', include: ['core/src/**/*.test.ts'], isolate: false, setupFiles, ...patience } },
      {
        test: {
          name: 'web',
          include: ['web/*.test.ts', 'web/src/**/*.test.{ts,tsx}'],
          environment: 'jsdom',
          isolate: false,
          setupFiles: [...setupFiles, 'web/src/testing-setup.ts'],
          ...patience,
        },
      },
      {
        test: {
          name: 'server',
          include: ['server/src/**/*.test.ts', 'cli/src/**/*.test.ts', 'scripts/**/*.test.ts'],
          globalSetup: ['scripts/test-database.ts'],
          fileParallelism: false,
          isolate: false,
          ...patience,
        },
      },
    ],
  },
});
