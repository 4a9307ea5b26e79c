// npm run demo:reset: drops the private database; the demo is loaded again at the next start, or now where one runs.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { portIsFree, startDatabase } from './database.mjs';
import { databasePort, dataFolder, localEnvironment, ownDatabase } from './local.mjs';
import { mariadb, needPackages, needPrograms, needServer } from './machine.mjs';

if (!ownDatabase) {
  console.error('This resets the private demo database only; the environment names another one.');
  process.exit(1);
}
needPackages();
needPrograms([mariadb]);
const reset = await needServer('server/src/demo-reset.ts', 'server/dist/demo-reset.js');
// a running start keeps the database up; else it is started for the moment
const running = !(await portIsFree(databasePort));
const database = running ? null : await startDatabase({ folder: join(dataFolder, 'mariadb'), port: databasePort });
const { status } = spawnSync(process.execPath, [reset], {
  stdio: 'inherit',
  env: { ...localEnvironment(), ...process.env },
});
await database?.stop();
process.exit(status ?? 1);
