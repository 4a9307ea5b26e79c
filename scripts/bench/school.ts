import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { addUser, connect, createApp, createDatabase, importBundle, migrate, readConfig } from '@wire-trail/server';
import type Koa from 'koa';
// @ts-expect-error plain JavaScript, so that it runs before anything is installed
import { freePort, startDatabase } from '../database.mjs';

export const benchPassword = 'a long password';

type School = Readonly<{ app: Koa; db: ReturnType<typeof connect> }>;

/** The built application on a database of its own, with the glasswasher published and one technician, for as long as `work` takes. */
export async function withSchool<T>(work: (school: School) => Promise<T>): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'wire-trail-bench-'));
  const database = await startDatabase({ folder, port: await freePort() });
  const config = readConfig({
    WIRE_TRAIL_SECRET: 'b'.repeat(40),
    WIRE_TRAIL_DB_PORT: String(database.port),
    WIRE_TRAIL_DB_PASSWORD: database.password,
    WIRE_TRAIL_DB_NAME: 'bench',
    WIRE_TRAIL_LOG: 'error',
    WIRE_TRAIL_WEB_FOLDER: fileURLToPath(new URL('../../web/dist', import.meta.url)),
  });
  await createDatabase(config.database);
  const db = connect(config.database);
  try {
    await migrate(db);
    const { app, services } = createApp({ db, config });
    await addUser({ name: 'Bench', signIn: 'bench', role: 'technician', password: benchPassword }, services);
    const washer: unknown = JSON.parse(
      readFileSync(new URL('../../demo/brindlewick-g4.json', import.meta.url), 'utf8'),
    );
    await importBundle({ json: washer, authorId: null, publish: 'bench' }, services);
    return await work({ app, db });
  } finally {
    await db.destroy();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** An application listening on a free port of its own, for as long as `work` takes. */
export async function listening<T>(app: Koa, work: (address: string) => Promise<T>): Promise<T> {
  const server = createServer(app.callback());
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  try {
    return await work(`http://127.0.0.1:${(server.address() as AddressInfo).port}`);
  } finally {
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
  }
}
