// npm test: everything, from a fresh clone; the last line sums it up and the exit status says the same.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, mariadb, needPackages, needPrograms, needServer, needWeb, root } from './machine.mjs';

needPackages();
needPrograms([mariadb, chromium]);
const reports = join(root, '.cache/reports');
rmSync(reports, { recursive: true, force: true });
mkdirSync(reports, { recursive: true });
let passed = 0;
let failed = 0;

/** What goes beside the browser: ended with this one. */
const besides = new Set();
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    for (const { pid } of besides) process.kill(-pid, 'SIGTERM');
    process.exit(1);
  });

/**
 * What goes beside something else takes what that leaves: a camera and taps in time do not wait. The system shares
 * processors between sessions first, and a browser is a session of its own: this one is made one as well, of low rank.
 */
function stepBack(child) {
  besides.add(child);
  child.on('close', () => besides.delete(child));
  try {
    writeFileSync(`/proc/${child.pid}/autogroup`, '19');
  } catch {
    // a system that does not share by session goes by the rank of the process
  }
}

/** Runs a command; what it says goes out as it comes, or all at once when it has ended, where something else speaks as well. */
function run(command, args, { cwd = root, env = {}, heldBack = false } = {}) {
  return new Promise((resolve) => {
    const child = spawn(...(heldBack ? ['nice', ['-n', '4', command, ...args]] : [command, args]), {
      cwd,
      env: { ...process.env, ...env },
      detached: heldBack,
      stdio: ['ignore', heldBack ? 'pipe' : 'inherit', heldBack ? 'pipe' : 'inherit'],
    });
    if (heldBack) stepBack(child);
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (piece) => said.push(piece));
    child.on('close', (code) => {
      process.stdout.write(Buffer.concat(said));
      resolve(code ?? 1);
    });
    child.on('error', () => resolve(1));
  });
}

const heldBack = { heldBack: true };
const began = Date.now();
/** How long each part took, for the report and the bench. */
const parts = [];
const ended = (name, partBegan) => parts.push({ name, seconds: Math.round((Date.now() - partBegan) / 100) / 10 });
/** The tests that took longest, worst first. */
const slow = [];
/** What failed, by name: said last, where a long run is read from its end. */
const fell = [];

const heading = (name) => console.log(`\n== ${name}`);

/** A check that holds or does not: counts as one. */
async function check(name, work) {
  heading(name);
  const partBegan = Date.now();
  let ok = false;
  try {
    ok = (await work()) !== false;
  } catch (error) {
    console.error(String(error));
  }
  console.log(ok ? 'passed' : 'FAILED');
  ended(name, partBegan);
  if (ok) passed += 1;
  else {
    failed += 1;
    fell.push(name);
  }
}

/** Tests with a report of their own. A runner that leaves no report, or fails beside its tests, counts as one failed. */
async function suite(name, report, count, work) {
  const partBegan = Date.now();
  const status = await work();
  const counted = existsSync(report) ? count(JSON.parse(readFileSync(report, 'utf8'))) : { passed: 0, failed: 0 };
  passed += counted.passed;
  failed +=
    counted.failed + (status !== 0 && counted.failed === 0 ? 1 : 0) + (status === 0 && counted.passed === 0 ? 1 : 0);
  slow.push(...(counted.took ?? []));
  fell.push(...(counted.fell ?? []));
  if (status !== 0 && counted.failed === 0) fell.push(`${name}: ended with ${status} beside its tests`);
  ended(name, partBegan);
}

/** The first lines of what went wrong, set in. */
const inShort = (message) =>
  message
    .split('\n')
    .slice(0, 24)
    .map((line) => `\n  ${line.slice(0, 300)}`)
    .join('');

/** What the pages showed when a browser test gave up: where each stood, what it complained of, what was on it. */
const pagesThen = (spec) =>
  spec.tests
    .flatMap((t) => t.results.flatMap((r) => r.attachments))
    .filter((a) => a.name === 'page-then')
    .flatMap((a) => Buffer.from(a.body, 'base64').toString().split('\n').slice(0, mostOfPage))
    .map((line) => `\n  | ${line.slice(0, 160)}`)
    .join('');
const mostOfPage = 70;

const bin = (name) => join(root, 'node_modules/.bin', name);
await check('production build', async () => {
  rmSync(join(root, 'web/dist'), { recursive: true, force: true });
  rmSync(join(root, 'server/dist'), { recursive: true, force: true });
  needWeb();
  await needServer();
});

heading('format, types, unit and server tests, and end to end beside them');
/** One kind after the other, or a share of one: between two kinds a worker begins anew for every file. */
const unitTests = async (kind, share = '1/1') => {
  const report = join(reports, `${kind}-${share.replace('/', '-of-')}.json`);
  await suite(
    share === '1/1' ? `tests of ${kind}` : `tests of ${kind}, ${share}`,
    report,
    (r) => ({
      passed: r.numPassedTests,
      failed: r.numFailedTests,
      took: r.testResults.flatMap((file) =>
        file.assertionResults.map((t) => ({ seconds: (t.duration ?? 0) / 1000, name: t.fullName, file: file.name })),
      ),
      fell: r.testResults.flatMap((file) => [
        ...(file.assertionResults.length === 0 && file.status === 'failed' ? [`${file.name}: ${file.message}`] : []),
        ...file.assertionResults
          .filter((t) => t.status === 'failed')
          .map((t) => `${file.name}: ${t.fullName}${inShort(t.failureMessages.join('\n'))}`),
      ]),
    }),
    () =>
      run(
        bin('vitest'),
        [
          ...['run', '--project', kind, '--shard', share, '--maxWorkers=1'],
          ...['--reporter=default', '--reporter=json', `--outputFile.json=${report}`],
        ],
        heldBack,
      ),
  );
};
/** What goes beside the browser, by two hands; those that wait for processes they start and kill come first. */
const beside = [
  () => unitTests('server'),
  () => unitTests('core', '1/3'),
  () => unitTests('core', '2/3'),
  () => unitTests('core', '3/3'),
  () =>
    check(
      'format and lint',
      async () => (await run(bin('biome'), ['check', '--error-on-warnings', '.'], heldBack)) === 0,
    ),
  () => unitTests('web', '1/2'),
  () => unitTests('web', '2/2'),
  // one checker works out each type once, four of them work out most of them four times
  () => check('types', async () => (await run(bin('tsc'), ['-b', '--checkers', '1'], heldBack)) === 0),
];
const inTurn = async () => {
  for (let next = beside.shift(); next; next = beside.shift()) await next();
};
const hands = [inTurn(), inTurn()];

const e2e = join(reports, 'e2e.json');
const messages = (spec) =>
  spec.tests.flatMap((t) => t.results.flatMap((r) => r.errors.map((e) => inShort(String(e.message))))).join('');
await suite(
  'end to end',
  e2e,
  // a test that passed on its second try has failed
  (r) => ({
    passed: r.stats.expected,
    failed: r.stats.unexpected + r.stats.flaky,
    took: r.suites.flatMap((file) =>
      file.specs.map((t) => ({
        seconds: t.tests.flatMap((run) => run.results).reduce((sum, result) => sum + result.duration, 0) / 1000,
        name: t.title,
        file: file.file,
      })),
    ),
    fell: r.suites.flatMap((file) =>
      file.specs.filter((t) => !t.ok).map((t) => `${file.file}: ${t.title}${messages(t)}${pagesThen(t)}`),
    ),
  }),
  () => run(bin('playwright'), ['test'], { cwd: join(root, 'e2e'), env: { E2E_REPORT: e2e } }),
);
await Promise.all(hands);

heading('how long it took');
for (const { name, seconds } of parts) console.log(`${seconds.toFixed(1).padStart(7)} s  ${name}`);
const worst = slow.sort((a, b) => b.seconds - a.seconds).slice(0, 8);
for (const { seconds, name } of worst) console.log(`${seconds.toFixed(1).padStart(7)} s  · ${name}`);
const minutes = (Date.now() - began) / 60_000;
writeFileSync(join(reports, 'run.json'), JSON.stringify({ minutes, passed, failed, parts, worst }, null, 1));

for (const what of fell) console.log(`\nFAILED ${what}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
