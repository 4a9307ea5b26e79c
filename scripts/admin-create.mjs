// npm run admin:create -- --sign-in NAME --name "Full name": the first admin of a production database; asks for the password.
import { spawnSync } from 'node:child_process';
import { localEnvironment } from './local.mjs';
import { needPackages, needServer } from './machine.mjs';

needPackages();
const main = await needServer('server/src/admin-create.ts', 'server/dist/admin-create.js');
const { status } = spawnSync(process.execPath, [main, ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...localEnvironment(), ...process.env },
});
process.exit(status ?? 1);
