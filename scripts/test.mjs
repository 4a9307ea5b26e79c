// npm test: everything, from a fresh clone; the last line sums it up and the exit status says the same.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, mariadb, needPackages, needPrograms, needServer, needWeb, root } from './machine.mjs';

needPackages();
needPrograms([mariadb, chromium]);
const reports = join(root, '.cache/reports');
rmSync(reports, { recursive: true, force: true });
mkdirSync(reports, { recursive: true });
let passed = 0;
let failed = 0;

function run(command, args, { cwd = root, env = {} } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'inherit', 'inherit'],
    });
    child.on('exit', (code) => resolve(code ?? 1));
    child.on('error', () => resolve(1));
  });
}

const heading = (name) => console.log(`\n== ${name}`);

/** A check that holds or does not: counts as one. */
async function check(name, work) {
  heading(name);
  let ok = false;
  try {
    ok = (await work()) !== false;
  } catch (error) {
    console.error(String(error));
  }
  console.log(ok ? 'passed' : 'FAILED');
  if (ok) passed += 1;
  else failed += 1;
}

/** Tests with a report of their own. A runner that leaves no report, or fails beside its tests, counts as one failed. */
async function suite(name, report, count, work) {
  heading(name);
  const status = await work();
  const counted = existsSync(report) ? count(JSON.parse(readFileSync(report, 'utf8'))) : { passed: 0, failed: 0 };
  passed += counted.passed;
  failed +=
    counted.failed + (status !== 0 && counted.failed === 0 ? 1 : 0) + (status === 0 && counted.passed === 0 ? 1 : 0);
}

const bin = (name) => join(root, 'node_modules/.bin', name);
await check('format and lint', async () => (await run(bin('biome'), ['check', '--error-on-warnings', '.'])) === 0);
await check('types', async () => (await run(bin('tsc'), ['-b'])) === 0);

const unit = join(reports, 'vitest.json');
await suite(
  'unit and server tests',
  unit,
  (r) => ({ passed: r.numPassedTests, failed: r.numFailedTests }),
  () => run(bin('vitest'), ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${unit}`]),
);

await check('production build', async () => {
  rmSync(join(root, 'web/dist'), { recursive: true, force: true });
  rmSync(join(root, 'server/dist'), { recursive: true, force: true });
  needWeb();
  await needServer();
});

const e2e = join(reports, 'e2e.json');
await suite(
  'end to end',
  e2e,
  (r) => ({ passed: r.stats.expected + r.stats.flaky, failed: r.stats.unexpected }),
  () => run(bin('playwright'), ['test'], { cwd: join(root, 'e2e'), env: { E2E_REPORT: e2e } }),
);

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
