// Where the private installation of this checkout lives, and what its server is told.
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { passwordOf } from './database.mjs';
import { root } from './machine.mjs';

export const dataFolder = process.env.WIRE_TRAIL_DATA ?? join(root, '.data');
export const databasePort = Number(process.env.WIRE_TRAIL_DB_PORT ?? 4181);

/** The secret that signs cookies; made once and kept, so that a restart signs nobody out. */
function secret() {
  const file = join(dataFolder, 'secret');
  if (!existsSync(file)) {
    mkdirSync(dataFolder, { recursive: true, mode: 0o700 });
    writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 });
  }
  return readFileSync(file, 'utf8');
}

/** Whether a private database is wanted: not where the environment names one. */
export const ownDatabase = process.env.WIRE_TRAIL_DEMO !== '0' && process.env.WIRE_TRAIL_DB_HOST === undefined;
export const databaseFolder = join(dataFolder, 'mariadb');

/** Environment of the server that `npm start` runs; what is set outside wins. */
export function localEnvironment() {
  return {
    WIRE_TRAIL_DB_PORT: String(databasePort),
    ...(ownDatabase && { WIRE_TRAIL_DB_PASSWORD: passwordOf(databaseFolder) }),
    WIRE_TRAIL_DATA: dataFolder,
    WIRE_TRAIL_LOG_FILE: join(dataFolder, 'logs', 'server.log'),
    WIRE_TRAIL_SECRET: process.env.WIRE_TRAIL_SECRET ?? secret(),
    WIRE_TRAIL_DEMO_FOLDER: join(root, 'demo'),
    WIRE_TRAIL_WEB_FOLDER: join(root, 'web/dist'),
  };
}

/** Asks a server process to end; it gives what it is in the middle of ten seconds. */
export async function stopServer(server) {
  if (server?.exitCode !== null) return;
  const gone = new Promise((resolve) => server.once('exit', resolve));
  server.kill('SIGTERM');
  await Promise.race([gone, new Promise((resolve) => setTimeout(resolve, 15_000))]);
}
