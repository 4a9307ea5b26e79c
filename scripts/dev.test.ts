import { spawn } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';
// @ts-expect-error plain JavaScript, so that it runs before anything is installed
import { freePort } from './database.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));

it('npm run dev brings up the database, the server and the web on one address', async () => {
  const data = mkdtempSync(join(tmpdir(), 'wire-trail-dev-'));
  // one small family: what is looked at is not the demo
  mkdirSync(join(data, 'demo/walks'), { recursive: true });
  cpSync(join(root, 'core/src/testing/velmarrow-d1.json'), join(data, 'demo/velmarrow-d1.json'));
  const port = await freePort();
  const dev = spawn(process.execPath, [join(root, 'scripts/dev.mjs')], {
    cwd: root,
    env: {
      ...process.env,
      WIRE_TRAIL_DATA: data,
      WIRE_TRAIL_DEMO_FOLDER: join(data, 'demo'),
      WIRE_TRAIL_PORT: String(port),
      WIRE_TRAIL_DB_PORT: String(await freePort()),
      VITEST: undefined,
      NODE_ENV: undefined,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const gone = new Promise((resolve) => dev.once('exit', resolve));
  let printed = '';
  dev.stdout.on('data', (chunk: Buffer) => {
    printed += chunk.toString();
  });
  const comes = async <T>(what: () => Promise<T | null>): Promise<T> => {
    for (;;) {
      if (dev.exitCode !== null) throw new Error(`ended with ${dev.exitCode}: ${printed}`);
      const found = await what().catch(() => null);
      if (found !== null) return found;
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
  };
  const get = async (path: string): Promise<Response | null> => {
    const response = await fetch(`http://127.0.0.1:${port}${path}`);
    return response.ok ? response : null;
  };
  try {
    const page = await comes(() => get('/'));
    expect(await page.text()).toContain('/@vite/client');
    expect(await (await comes(() => get('/api/v1/health'))).json()).toMatchObject({ ok: true });
    // signed in through the same address, as the browser does
    const signed = await fetch(`http://127.0.0.1:${port}/api/v1/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-wire-trail': '1', origin: `http://127.0.0.1:${port}` },
      body: JSON.stringify({ signIn: 'technician', password: 'orrimar-demo' }),
    });
    expect(signed.status).toBe(200);
    expect(signed.headers.get('set-cookie')).toMatch(/httponly/i);
  } finally {
    dev.kill('SIGTERM');
    await gone;
    rmSync(data, { recursive: true, force: true });
  }
});
