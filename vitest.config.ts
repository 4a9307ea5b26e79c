import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', include: ['core/src/**/*.test.ts'] } },
      { test: { name: 'web', include: ['web/src/**/*.test.{ts,tsx}'], environment: 'jsdom' } },
      {
        test: {
          name: 'server',
          include: ['server/src/**/*.test.ts', 'cli/src/**/*.test.ts', 'scripts/**/*.test.ts'],
          globalSetup: ['server/src/testing/global-setup.ts'],
          fileParallelism: false,
          testTimeout: 30_000,
          hookTimeout: 60_000,
        },
      },
    ],
  },
});
