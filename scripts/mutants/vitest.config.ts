import { defineConfig } from 'vitest/config';

/** Only the tests of the room whose mutants are tried, told by `mutants.mjs`. */
const include = JSON.parse(process.env.MUTANTS_TESTS ?? '["core/src/**/*.test.ts"]');

export default defineConfig({
  test: {
    include,
    // the copy that is tried stands in a folder that is left out by itself
    // what measures at length says little of one change, and takes a hundred times as long while every branch is counted
    exclude: ['**/node_modules/**', '**/*.long.test.ts'],
    environment: process.env.MUTANTS_ENVIRONMENT ?? 'node',
    isolate: false,
    setupFiles: ['core/src/testing/seed.ts'],
    testTimeout: 60_000,
  },
});
