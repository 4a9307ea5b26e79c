// A throw-away school for the end-to-end tests: own database, built application, demo data.
import { fork } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort, startDatabase } from '../scripts/database.mjs';
import { needServer, needWeb, root } from '../scripts/machine.mjs';

needWeb();
const main = await needServer();
const folder = mkdtempSync(join(tmpdir(), 'wire-trail-e2e-'));
const database = await startDatabase({ folder, port: await freePort() });
const server = fork(main, [], {
  env: {
    ...process.env,
    WIRE_TRAIL_PORT: process.env.E2E_PORT ?? '4190',
    WIRE_TRAIL_DB_PORT: String(database.port),
    WIRE_TRAIL_SECRET: 'e2e '.repeat(12),
    WIRE_TRAIL_DEMO_FOLDER: join(root, 'demo'),
    WIRE_TRAIL_WEB_FOLDER: join(root, 'web/dist'),
    WIRE_TRAIL_LOG: 'error',
  },
});
const stop = async () => {
  server.kill('SIGTERM');
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
  process.exit(0);
};
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
