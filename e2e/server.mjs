// A throw-away school for the end-to-end tests: own database, built application, demo data.
import { fork } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort, startDatabase } from '../scripts/database.mjs';
import { needServer, needWeb, root } from '../scripts/machine.mjs';

needWeb();
const main = await needServer();
const folder = mkdtempSync(join(tmpdir(), 'wire-trail-e2e-'));
// a copy: a test changes it, as a new version would
const port = process.env.E2E_PORT ?? '4190';
const web = join(root, '.cache', `e2e-web-${port}`);
rmSync(web, { recursive: true, force: true });
cpSync(process.env.E2E_WEB ?? join(root, 'web/dist'), web, { recursive: true });
const database = await startDatabase({ folder, port: await freePort() });
const server = fork(main, [], {
  env: {
    ...process.env,
    WIRE_TRAIL_PORT: port,
    WIRE_TRAIL_DB_PORT: String(database.port),
    WIRE_TRAIL_DB_PASSWORD: database.password,
    WIRE_TRAIL_SECRET: 'e2e '.repeat(12),
    WIRE_TRAIL_DEMO_FOLDER: join(root, 'demo'),
    WIRE_TRAIL_WEB_FOLDER: web,
    WIRE_TRAIL_CHECK_ANSWERS: '1',
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
