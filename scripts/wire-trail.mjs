// The command line, over the same core as everything else.
import { spawnSync } from 'node:child_process';
import { localEnvironment } from './local.mjs';
import { needPackages, needServer } from './machine.mjs';

needPackages();
// beside the server's own, whose packages it finds
const main = await needServer('cli/src/main.ts', 'server/dist/wire-trail.js');
const { status } = spawnSync(process.execPath, ['--enable-source-maps', main, ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...localEnvironment(), ...process.env },
});
process.exit(status ?? 2);
