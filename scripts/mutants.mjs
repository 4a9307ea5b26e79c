// npm run mutants -- PATH…: small changes to the code of a room, and how many of them the room's own tests notice.
// A PATH is a folder or a beginning of files (core/src/chart/measure). --most N tries more than 150, --seed N others.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { needPackages, root } from './machine.mjs';

needPackages();
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { most: { type: 'string', default: '150' }, seed: { type: 'string', default: '1' } },
});
if (positionals.length === 0) {
  console.error('Usage: npm run mutants -- PATH… [--most 150] [--seed 1]');
  process.exit(1);
}
const cache = join(root, '.cache/mutants');
mkdirSync(cache, { recursive: true });

const isTest = (name) => /\.test\.tsx?$/.test(name);

/** Files whose mutants are tried, and the folder whose tests try them. */
function filesOf(path) {
  const clean = path.replace(/[*/]+$/, '');
  const isFolder = existsSync(join(root, clean)) && statSync(join(root, clean)).isDirectory();
  const folder = isFolder ? clean : dirname(clean);
  const beginning = isFolder ? '' : basename(clean);
  const files = readdirSync(join(root, folder), { recursive: isFolder })
    .map(String)
    .filter((name) => /\.tsx?$/.test(name) && !name.endsWith('.d.ts') && !isTest(name) && name.startsWith(beginning))
    .map((name) => `${folder}/${name}`);
  return { folder, files };
}

function run(config, env) {
  return new Promise((resolve) => {
    const child = spawn(join(root, 'node_modules/.bin/stryker'), ['run', config], {
      cwd: root,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'inherit', 'inherit'],
    });
    child.on('exit', (code) => resolve(code ?? 1));
  });
}

const rows = [];
for (const path of positionals) {
  const { folder, files } = filesOf(path);
  if (files.length === 0) throw new Error(`no code begins with ${path}`);
  const name = path.replace(/\W+/g, '-');
  const report = join(cache, `${name}.json`);
  const config = join(cache, `${name}.config.json`);
  const options = {
    testRunner: 'vitest',
    plugins: ['@stryker-mutator/vitest-runner', join(root, 'scripts/mutants/sample.mjs')],
    checkers: ['sample'],
    sample: { seed: values.seed, most: Number(values.most) },
    mutate: files,
    // there is no interface to this compiler; the code is read without it
    tsconfigFile: 'none.json',
    vitest: { configFile: 'scripts/mutants/vitest.config.ts', related: false },
    ignorePatterns: ['.data', '.cache', 'dist', 'docs/screenshots'],
    tempDirName: '.cache/mutants/copies',
    coverageAnalysis: 'perTest',
    ignoreStatic: true,
    concurrency: 2,
    timeoutMS: 20_000,
    warnings: { unknownOptions: false },
    disableTypeChecks: false,
    allowConsoleColors: false,
    reporters: ['json', 'progress-append-only'],
    jsonReporter: { fileName: report },
    thresholds: { break: null },
  };
  writeFileSync(config, JSON.stringify(options));
  const env = {
    MUTANTS_TESTS: JSON.stringify([`${folder}/**/*.test.{ts,tsx}`]),
    MUTANTS_ENVIRONMENT: folder.startsWith('web') ? 'jsdom' : 'node',
  };
  if ((await run(config, env)) !== 0) process.exit(1);
  rows.push({ path, report });
}

/** What a report adds up to. Code that no test comes to counts by its share of all there is. */
function summed({ path, report }) {
  const { files } = JSON.parse(readFileSync(report, 'utf8'));
  const all = Object.entries(files).flatMap(([file, { mutants }]) => mutants.map((mutant) => ({ file, ...mutant })));
  const of = (...status) => all.filter((mutant) => status.includes(mutant.status));
  const killed = of('Killed', 'Timeout').length;
  const survived = of('Survived');
  const tried = killed + survived.length + of('RuntimeError').length;
  const uncovered = of('NoCoverage');
  const covered = all.length - uncovered.length - of('Ignored').length;
  const share = (killed / Math.max(1, tried)) * (covered / Math.max(1, covered + uncovered.length));
  return { path, all: all.length, tried, killed, survived, uncovered, share };
}

for (const row of rows.map(summed)) {
  console.log(`\n== ${row.path}`);
  const line = ({ file, location, mutatorName, replacement }) =>
    `  ${file}:${location.start.line}:${location.start.column} ${mutatorName} → ${(replacement ?? '').replace(/\s+/g, ' ').slice(0, 90)}`;
  for (const mutant of row.survived) console.log(line(mutant));
  if (row.uncovered.length > 0) {
    console.log(`  no test comes to ${row.uncovered.length}:`);
    for (const mutant of row.uncovered.slice(0, 40)) console.log(line(mutant));
  }
  console.log(
    `${row.path}: ${(row.share * 100).toFixed(1)} % noticed (${row.killed} of ${row.tried} tried, ${row.uncovered.length} of ${row.all} no test comes to)`,
  );
}
