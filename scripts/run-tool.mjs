// Runs a tool of the server on the database of this checkout, which is started for the moment where none runs.
import { spawnSync } from 'node:child_process';
import { startDatabase } from './database.mjs';
import { holderOf } from './hold.mjs';
import { databaseFolder, databasePort, localEnvironment, ownDatabase } from './local.mjs';
import { mariadb, needPackages, needPrograms, needServer } from './machine.mjs';

/** Runs `server/src/NAME.ts` with what stands on the command line, and ends with its status. */
export async function runTool(name) {
  needPackages();
  if (ownDatabase) needPrograms([mariadb]);
  const tool = await needServer(`server/src/${name}.ts`, `server/dist/${name}.js`);
  // one that runs serves this as well, wherever it listens
  const holder = ownDatabase ? await holderOf(databaseFolder) : null;
  const lends = ownDatabase && holder === null;
  const database = lends ? await startDatabase({ folder: databaseFolder, port: databasePort }) : null;
  const { status } = spawnSync(process.execPath, ['--enable-source-maps', tool, ...process.argv.slice(2)], {
    stdio: 'inherit',
    env: {
      ...localEnvironment(),
      ...process.env,
      ...(holder && { WIRE_TRAIL_DB_PORT: String(holder.databasePort) }),
    },
  });
  await database?.stop();
  process.exit(status ?? 1);
}
