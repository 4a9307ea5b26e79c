import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
// @ts-expect-error plain JavaScript, so that it runs before anything is installed
import { freePort, startDatabase } from './database.mjs';

declare module 'vitest' {
  interface ProvidedContext {
    databasePort: number;
    databasePassword: string;
  }
}

/** One throw-away MariaDB for a run of the server tests; each test file makes its own databases in it. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(tmpdir(), 'wire-trail-test-'));
  const database = await startDatabase({ folder, port: await freePort() });
  project.provide('databasePort', database.port);
  project.provide('databasePassword', database.password);
  return async () => {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
