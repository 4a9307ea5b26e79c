import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { addUser, connect, createApp, createDatabase, importBundle, migrate, readConfig } from '@wire-trail/server';
import Koa from 'koa';
// @ts-expect-error plain JavaScript, so that it runs before anything is installed
import { freePort, startDatabase } from '../database.mjs';
import { median, type Row } from './row.ts';

const rounds = 9;
const perRound = 300;

/** The bundle's GET against a bare Koa route that reads one row of the same size through the same pool, turn by turn. */
export async function benchServe(): Promise<Row[]> {
  const folder = mkdtempSync(join(tmpdir(), 'wire-trail-bench-'));
  const database = await startDatabase({ folder, port: await freePort() });
  const config = readConfig({
    WIRE_TRAIL_SECRET: 'b'.repeat(40),
    WIRE_TRAIL_DB_PORT: String(database.port),
    WIRE_TRAIL_DB_NAME: 'bench',
    WIRE_TRAIL_LOG: 'error',
  });
  await createDatabase(config.database);
  const db = connect(config.database);
  try {
    await migrate(db);
    const { app, services } = createApp({ db, config });
    await addUser({ name: 'Bench', signIn: 'bench', role: 'technician', password: 'a long password' }, services);
    const json: unknown = JSON.parse(readFileSync(new URL('../../demo/brindlewick-g4.json', import.meta.url), 'utf8'));
    await importBundle({ json, authorId: null, publish: 'bench' }, services);
    await db.raw('CREATE TABLE bare (id INT PRIMARY KEY, body LONGBLOB NOT NULL)');
    await db('bare').insert({ id: 1, body: gzipSync(JSON.stringify(json), { level: 9 }) });
    const bare = new Koa();
    bare.use(async (ctx) => {
      const row = await db('bare').where({ id: 1 }).first('body');
      ctx.type = 'application/json';
      ctx.set('Content-Encoding', 'gzip');
      ctx.body = row.body;
    });
    const servers = [app, bare].map((one) => createServer(one.callback()));
    for (const server of servers) await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const [ours, theirs] = servers.map((server) => `http://127.0.0.1:${(server.address() as AddressInfo).port}`);
    const signIn = await fetch(`${ours}/api/v1/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-wire-trail': '1' },
      body: JSON.stringify({ signIn: 'bench', password: 'a long password' }),
    });
    const cookie = signIn.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    const time = async (url: string): Promise<number> => {
      const times: number[] = [];
      for (let i = 0; i < perRound; i++) {
        const began = performance.now();
        const response = await fetch(url, { headers: { cookie } });
        await response.arrayBuffer();
        if (!response.ok) throw new Error(`${url} answered ${response.status}`);
        times.push(performance.now() - began);
      }
      return median(times);
    };
    const bundle: number[] = [];
    const row: number[] = [];
    for (let round = 0; round < rounds; round++) {
      bundle.push(await time(`${ours}/api/v1/families/brindlewick-g4/bundle`));
      row.push(await time(`${theirs}/`));
    }
    for (const server of servers) server.closeAllConnections();
    for (const server of servers) await new Promise((resolve) => server.close(resolve));
    const ratio = median(bundle) / median(row);
    return [
      { name: 'serve.bundleRatio', value: ratio, unit: '×', aim: '≤ 1.5', met: ratio <= 1.5 },
      { name: 'serve.bundleMs', value: median(bundle), unit: 'ms', aim: null, met: null },
    ];
  } finally {
    await db.destroy();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
