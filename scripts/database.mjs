// A private MariaDB in a folder of its own: loopback only, own socket and port. A system-wide one is not touched.
import { execFile, spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { userInfo } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';

const run = promisify(execFile);
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** A free port on loopback. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

export function portIsFree(port) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)));
  });
}

const answers = async (socket) => {
  try {
    await run('mariadb-admin', ['--no-defaults', '-S', socket, '-uroot', 'ping'], { timeout: 5000 });
    return true;
  } catch {
    return false;
  }
};

const isAlive = (pid) => {
  try {
    process.kill(pid, 0);
    return readFileSync(`/proc/${pid}/comm`, 'utf8').startsWith('mariadbd');
  } catch {
    return false;
  }
};

/**
 * Starts the database in `folder`, making it first where it is not there yet, and waits until it answers. Left-overs of
 * one that was killed are swept up: a server still running on this folder is stopped, InnoDB recovers by itself.
 */
export async function startDatabase({ folder, port, onLine = () => {} }) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const data = join(folder, 'data');
  // a socket's path may be 107 characters long at the most
  const socket =
    join(folder, 'm.sock').length < 100 ? join(folder, 'm.sock') : `/tmp/wire-trail-${process.pid}-${port}.sock`;
  const pidFile = join(folder, 'm.pid');
  const user = userInfo().username;
  if (!existsSync(join(data, 'mysql')) || existsSync(join(folder, 'making'))) {
    onLine('making the database folder');
    rmSync(data, { recursive: true, force: true });
    writeFileSync(join(folder, 'making'), '');
    await run('mariadb-install-db', [
      '--no-defaults',
      `--user=${user}`,
      `--datadir=${data}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
      '--skip-name-resolve',
    ]);
    rmSync(join(folder, 'making'));
  }
  if (existsSync(pidFile)) {
    const pid = Number(readFileSync(pidFile, 'utf8'));
    if (pid > 0 && isAlive(pid)) {
      onLine('stopping a database left running');
      process.kill(pid, 'SIGTERM');
      for (let i = 0; i < 100 && isAlive(pid); i++) await wait(100);
      if (isAlive(pid)) process.kill(pid, 'SIGKILL');
    }
    rmSync(pidFile, { force: true });
  }
  rmSync(socket, { force: true });
  const child = spawn(
    'mariadbd',
    [
      '--no-defaults',
      `--user=${user}`,
      `--datadir=${data}`,
      `--socket=${socket}`,
      `--pid-file=${pidFile}`,
      '--bind-address=127.0.0.1',
      `--port=${port}`,
      '--skip-name-resolve',
      '--character-set-server=utf8mb4',
      '--collation-server=utf8mb4_uca1400_ai_ci',
      '--innodb-flush-log-at-trx-commit=1',
      '--max-allowed-packet=64M',
      `--log-error=${join(folder, 'err.log')}`,
    ],
    // a group of its own, so that Ctrl-C reaches the start script first and the database is stopped after the server
    { stdio: 'ignore', detached: true },
  );
  let ended = false;
  child.once('exit', () => {
    ended = true;
  });
  child.once('error', () => {
    ended = true;
  });
  for (let i = 0; i < 600; i++) {
    if (ended) throw new Error(`the database did not start; see ${join(folder, 'err.log')}`);
    if (await answers(socket))
      return { port, socket, pid: child.pid, stop: () => stopDatabase({ socket, child, hasEnded: () => ended }) };
    await wait(100);
  }
  throw new Error('the database did not answer within a minute');
}

async function stopDatabase({ socket, child, hasEnded }) {
  if (hasEnded()) return;
  spawnSync('mariadb-admin', ['--no-defaults', '-S', socket, '-uroot', 'shutdown'], { stdio: 'ignore' });
  for (let i = 0; i < 100 && !hasEnded(); i++) await wait(100);
  if (!hasEnded()) child.kill('SIGKILL');
}
