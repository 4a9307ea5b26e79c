import { defineConfig } from '@playwright/test';
// @ts-expect-error plain JavaScript, as the pictures script that shares it
import { chromiumOptions } from './chromium.mjs';

/** One school for each file of tests that goes at a time. */
const ports = (process.env.E2E_PORT ?? '4190,4191').split(',');

export default defineConfig({
  testDir: '.',
  outputDir: '../.cache/e2e',
  workers: ports.length,
  fullyParallel: false,
  // a test that passes on its second try has failed
  retries: 0,
  timeout: 600_000,
  expect: { timeout: Number(process.env.E2E_PATIENCE ?? 90_000) },
  reporter: process.env.E2E_REPORT ? [['list'], ['json', { outputFile: process.env.E2E_REPORT }]] : 'list',
  use: {
    baseURL: `http://127.0.0.1:${ports[Number(process.env.TEST_PARALLEL_INDEX ?? 0)]}`,
    viewport: { width: 1280, height: 800 },
    actionTimeout: Number(process.env.E2E_PATIENCE ?? 90_000),
    launchOptions: chromiumOptions,
  },
  webServer: ports.map((port) => ({
    command: 'node server.mjs',
    env: { E2E_PORT: port },
    url: `http://127.0.0.1:${port}/api/v1/health`,
    timeout: 300_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM' as const, timeout: 15_000 },
  })),
});
