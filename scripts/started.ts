import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
// @ts-expect-error plain JavaScript, so that it runs before anything is installed
import { freePort } from './database.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));

export type Installation = Readonly<{
  data: string;
  address: string;
  environment: Readonly<Record<string, string | undefined>>;
  remove: () => void;
}>;

/** A place for an installation of its own, with a small demo, on free ports. */
export async function newInstallation(families: readonly string[], under = tmpdir()): Promise<Installation> {
  const data = mkdtempSync(join(under, 'wire-trail-started-'));
  mkdirSync(join(data, 'demo'), { recursive: true });
  for (const family of families) cpSync(join(root, 'demo', `${family}.json`), join(data, 'demo', `${family}.json`));
  cpSync(join(root, 'demo/walks'), join(data, 'demo/walks'), { recursive: true });
  const [port, databasePort] = [String(await freePort()), String(await freePort())];
  return {
    data,
    address: `http://127.0.0.1:${port}`,
    environment: {
      ...process.env,
      WIRE_TRAIL_DATA: data,
      WIRE_TRAIL_DEMO_FOLDER: join(data, 'demo'),
      WIRE_TRAIL_PORT: port,
      WIRE_TRAIL_DB_PORT: databasePort,
      VITEST: undefined,
      NODE_ENV: undefined,
    },
    remove: () => rmSync(data, { recursive: true, force: true }),
  };
}

export type Started = Readonly<{
  printed: () => string;
  /** Whether it has ended, and how. */
  status: () => number | null;
  /** Until it serves; throws with what it printed where it ends before. */
  up: () => Promise<void>;
  /** As Ctrl-C; gives the status it ends with. */
  stop: () => Promise<number | null>;
  /** As when the machine goes down: start, server and, where it is wanted, the database are gone at once. */
  kill: (withDatabase: boolean) => Promise<void>;
}>;

/** `npm start`, or another script of the kind, on an installation. */
export function start(installation: Installation, script = 'start', args: readonly string[] = []): Started {
  const child: ChildProcess = spawn(process.execPath, [join(root, `scripts/${script}.mjs`), ...args], {
    cwd: root,
    env: installation.environment,
    stdio: ['ignore', 'pipe', 'pipe'],
    detached: true,
  });
  let printed = '';
  for (const stream of [child.stdout, child.stderr])
    stream?.on('data', (chunk: Buffer) => {
      printed += chunk.toString();
    });
  const gone = once(child, 'close');
  const signal = (name: NodeJS.Signals, pid: number) => {
    try {
      process.kill(pid, name);
    } catch {
      // it is gone already
    }
  };
  return {
    printed: () => printed,
    status: () => child.exitCode,
    async up() {
      while (!printed.includes('Wire Trail is at')) {
        if (child.exitCode !== null) throw new Error(`ended with ${child.exitCode}: ${printed}`);
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
    },
    async stop() {
      signal('SIGTERM', child.pid ?? 0);
      await gone;
      return child.exitCode;
    },
    async kill(withDatabase) {
      signal('SIGKILL', -(child.pid ?? 0));
      const pidFile = join(installation.data, 'mariadb/m.pid');
      if (withDatabase && existsSync(pidFile)) signal('SIGKILL', Number(readFileSync(pidFile, 'utf8')));
      await gone;
    },
  };
}

/** Somebody signed in: asks by path, with the cookie of the session. */
export async function signedInAt(
  address: string,
  signIn: string,
): Promise<(method: string, path: string, body?: unknown) => Promise<Response>> {
  let cookie = '';
  const ask = (method: string, path: string, body?: unknown) =>
    fetch(`${address}/api/v1${path}`, {
      method,
      headers: { cookie, 'x-wire-trail': '1', ...(body !== undefined && { 'content-type': 'application/json' }) },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    });
  const answer = await ask('POST', '/session', { signIn, password: 'orrimar-demo' });
  if (!answer.ok) throw new Error(`signing in: ${answer.status}`);
  cookie = answer.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ');
  return ask;
}
