// A throw-away school for the end-to-end tests: own database, built application, demo data.
import { fork, spawnSync } from 'node:child_process';
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
const env = {
  ...process.env,
  WIRE_TRAIL_PORT: port,
  WIRE_TRAIL_DB_PORT: String(database.port),
  WIRE_TRAIL_DB_PASSWORD: database.password,
  WIRE_TRAIL_SECRET: 'e2e '.repeat(12),
  WIRE_TRAIL_DEMO_FOLDER: join(root, 'demo'),
  WIRE_TRAIL_WEB_FOLDER: web,
  WIRE_TRAIL_CHECK_ANSWERS: '1',
  WIRE_TRAIL_LOG: 'error',
};
// a school that begins with nothing has its first admin and no more, as docs/operations.md says
const admin = process.env.E2E_FIRST_ADMIN;
if (admin) {
  env.WIRE_TRAIL_DEMO = '0';
  const made = 'CREATE DATABASE wire_trail CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci';
  spawnSync('mariadb', ['--no-defaults', '-h', '127.0.0.1', '-P', env.WIRE_TRAIL_DB_PORT, '-uroot', '-e', made], {
    stdio: 'inherit',
    env: { ...process.env, MYSQL_PWD: database.password },
  });
  const tool = await needServer('server/src/admin-create.ts', 'server/dist/admin-create.js');
  const given = { ...env, WIRE_TRAIL_ADMIN_PASSWORD: 'orrimar-demo' };
  spawnSync(process.execPath, [tool, '--sign-in', admin, '--name', 'Head trainer'], { stdio: 'inherit', env: given });
}
const server = fork(main, [], { env });
const stop = async () => {
  server.kill('SIGTERM');
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
  rmSync(web, { recursive: true, force: true });
  process.exit(0);
};
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
