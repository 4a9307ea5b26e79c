// What the two commands need of the machine, installed where that is allowed and named where it is not.
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const has = (program) => spawnSync('sh', ['-c', `command -v ${program}`], { stdio: 'ignore' }).status === 0;
// a Debian server package puts its program where an ordinary user's path does not look
process.env.PATH = `${process.env.PATH}:/usr/sbin:/sbin`;

const isRoot = () => process.getuid?.() === 0;

/** Installs Debian packages whose programs are missing; says what to install where it may not. */
export function needPrograms(wanted) {
  const missing = wanted.filter(({ program }) => !has(program)).map((w) => w.debian);
  if (missing.length === 0) return;
  const command = `apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  if (!isRoot() || !has('apt-get')) {
    console.error(`Missing: ${missing.join(', ')}. Ask somebody who may to run:\n  apt-get update && ${command}`);
    process.exit(1);
  }
  console.log(`installing ${missing.join(', ')} …`);
  // the package would start a system-wide database; a policy file keeps it from doing so
  const policy = '/usr/sbin/policy-rc.d';
  const own = !existsSync(policy);
  if (own) writeFileSync(policy, '#!/bin/sh\nexit 101\n', { mode: 0o755 });
  try {
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    execFileSync('sh', ['-c', `apt-get update -qq && ${command} >/dev/null`], {
      stdio: ['ignore', 'inherit', 'inherit'],
      env,
    });
  } finally {
    if (own) rmSync(policy, { force: true });
  }
}

export const mariadb = { program: 'mariadbd', debian: 'mariadb-server' };
export const chromium = { program: 'chromium-headless-shell', debian: 'chromium-headless-shell' };

/** Installs the npm packages of the lock file where it changed since they were last installed. */
export function needPackages() {
  const stamp = join(root, 'node_modules', '.wire-trail-lock');
  const lock = readFileSync(join(root, 'package-lock.json'), 'utf8');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.log('installing npm packages …');
  execFileSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  writeFileSync(stamp, lock);
}

const newestIn = (paths) => {
  const out = execFileSync('find', [...paths, '-type', 'f', '-printf', '%T@\\n'], {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 1e8,
  });
  return Math.max(0, ...out.split('\n').filter(Boolean).map(Number)) * 1000;
};

const isFresh = (built, sources) =>
  existsSync(join(root, built)) && statSync(join(root, built)).mtimeMs > newestIn(sources);

/** Builds the web application where its sources are newer than what was built. */
export function needWeb() {
  if (
    isFresh('web/dist/index.html', [
      'web/src',
      'web/index.html',
      'web/vite.config.ts',
      'web/public',
      'core/src',
      'package-lock.json',
    ])
  )
    return;
  console.log('building the web application …');
  execFileSync('npx', ['vite', 'build', '--logLevel', 'error'], {
    cwd: join(root, 'web'),
    stdio: ['ignore', 'ignore', 'inherit'],
  });
}

/** Bundles a TypeScript entry into one file that Node runs as it is. */
export async function needServer(entry = 'server/src/main.ts', out = 'server/dist/main.js') {
  if (isFresh(out, ['server/src', 'cli/src', 'core/src', 'package-lock.json'])) return join(root, out);
  const { build } = await import('esbuild');
  mkdirSync(dirname(join(root, out)), { recursive: true });
  await build({
    entryPoints: [join(root, entry)],
    outfile: join(root, out),
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    packages: 'external',
    alias: {
      '@wire-trail/core': join(root, 'core/src/index.ts'),
      '@wire-trail/server': join(root, 'server/src/index.ts'),
    },
    logLevel: 'error',
  });
  return join(root, out);
}
