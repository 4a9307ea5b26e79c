// A private MariaDB in a folder of its own: loopback only, own socket and port. A system-wide one is not touched.
import { execFile, spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { userInfo } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { hold, holderOf } from './hold.mjs';

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

const answers = async (socket, password) => {
  try {
    await run('mariadb-admin', ['--no-defaults', '-S', socket, '-uroot', 'ping'], {
      timeout: 5000,
      env: { ...process.env, MYSQL_PWD: password },
    });
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

/** The root password of a private database: made once, kept beside it, readable by nobody else. */
export function passwordOf(folder) {
  const file = join(folder, 'password');
  if (!existsSync(file)) {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    writeFileSync(file, randomBytes(24).toString('hex'), { mode: 0o600 });
  }
  return readFileSync(file, 'utf8').trim();
}

/** Read by the server before anybody may connect: root by this password and from this machine only, and nobody else. */
const accounts = (password) =>
  [
    "DELETE FROM mysql.global_priv WHERE User = '' OR (User = 'root' AND Host NOT IN ('localhost', '127.0.0.1', '::1'));",
    'FLUSH PRIVILEGES;',
    ...['localhost', '127.0.0.1', '::1'].map(
      (host) => `ALTER USER IF EXISTS 'root'@'${host}' IDENTIFIED BY '${password}';`,
    ),
    '',
  ].join('\n');

/** Somebody else has this database running; `holder` is what they say of themselves. */
export class AlreadyRunning extends Error {
  constructor(folder, holder) {
    super(`A database runs on ${folder} already.`);
    this.holder = holder;
  }
}

async function makeFolder({ folder, data, user, temporary, onLine }) {
  if (existsSync(join(data, 'mysql')) && !existsSync(join(folder, 'making'))) return;
  onLine('making the database folder');
  rmSync(data, { recursive: true, force: true });
  writeFileSync(join(folder, 'making'), '');
  await run(
    'mariadb-install-db',
    [
      '--no-defaults',
      `--user=${user}`,
      `--datadir=${data}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
      '--skip-name-resolve',
    ],
    { env: { ...process.env, TMPDIR: temporary } },
  );
  rmSync(join(folder, 'making'));
}

/** Stops a server that was left running when whoever started it was killed. */
async function stopLeftOver(pidFile, onLine) {
  if (!existsSync(pidFile)) return;
  const pid = Number(readFileSync(pidFile, 'utf8'));
  if (pid > 0 && isAlive(pid)) {
    onLine('stopping a database left running');
    process.kill(pid, 'SIGTERM');
    for (let i = 0; i < 300 && isAlive(pid); i++) await wait(100);
    if (isAlive(pid)) process.kill(pid, 'SIGKILL');
    for (let i = 0; i < 50 && isAlive(pid); i++) await wait(100);
  }
  rmSync(pidFile, { force: true });
}

/**
 * Starts the database in `folder`, making it first where it is not there yet, and waits until it answers. Throws
 * `AlreadyRunning`, and touches nothing, where somebody else holds the folder. Left-overs of one that was killed are swept
 * up: a server still running is stopped, InnoDB recovers by itself. `extra` are options of the server.
 */
export async function startDatabase({ folder, port, onLine = () => {}, extra = [] }) {
  const held = await hold(folder, { databasePort: port });
  if (!held) throw new AlreadyRunning(folder, await holderOf(folder));
  try {
    return await startHeld({ folder, port, onLine, extra, held });
  } catch (error) {
    await held.release();
    throw error;
  }
}

async function startHeld({ folder, port, onLine, extra, held }) {
  const data = join(folder, 'data');
  // a socket's path may be 107 characters long at the most
  const socket =
    join(folder, 'm.sock').length < 100 ? join(folder, 'm.sock') : `/tmp/wire-trail-${process.pid}-${port}.sock`;
  const pidFile = join(folder, 'm.pid');
  const user = userInfo().username;
  const password = passwordOf(folder);
  await stopLeftOver(pidFile, onLine);
  // of its own: what lies about in a shared one is swept by others that start, while the folder is being made as well
  const temporary = join(folder, 'tmp');
  rmSync(temporary, { recursive: true, force: true });
  mkdirSync(temporary, { mode: 0o700 });
  await makeFolder({ folder, data, user, temporary, onLine });
  const initFile = join(folder, 'accounts.sql');
  writeFileSync(initFile, accounts(password), { mode: 0o600 });
  rmSync(socket, { force: true });
  const child = spawn(
    'mariadbd',
    [
      '--no-defaults',
      `--user=${user}`,
      `--datadir=${data}`,
      `--tmpdir=${temporary}`,
      `--init-file=${initFile}`,
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
      ...extra,
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
  const stop = async () => {
    await stopDatabase({ child, hasEnded: () => ended });
    await held.release();
  };
  for (let i = 0; i < 600; i++) {
    if (ended) throw new Error(`the database did not start; see ${join(folder, 'err.log')}`);
    if (await answers(socket, password)) {
      rmSync(initFile, { force: true });
      return { port, socket, password, pid: child.pid, say: held.say, stop };
    }
    await wait(100);
  }
  child.kill('SIGKILL');
  throw new Error('the database did not answer within a minute');
}

/** Asks it to end in its own time; a minute is plenty for what it still has to write. */
async function stopDatabase({ child, hasEnded }) {
  if (hasEnded()) return;
  child.kill('SIGTERM');
  for (let i = 0; i < 600 && !hasEnded(); i++) await wait(100);
  if (!hasEnded()) child.kill('SIGKILL');
}
