// npm start: everything a newcomer needs, from a fresh clone to a running application.
import { fork } from 'node:child_process';
import { join } from 'node:path';
import { portIsFree, startDatabase } from './database.mjs';
import { databasePort, dataFolder, localEnvironment, ownDatabase, stopServer } from './local.mjs';
import { mariadb, needPackages, needPrograms, needServer, needWeb } from './machine.mjs';

needPackages();
if (ownDatabase) needPrograms([mariadb]);
needWeb();
const main = await needServer();

let database = null;
let server = null;
let stopping = false;
async function stop(status) {
  if (stopping) return;
  stopping = true;
  await stopServer(server);
  await database?.stop();
  process.exit(status);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => stop(0));

if (ownDatabase) {
  try {
    database = await startDatabase({
      folder: join(dataFolder, 'mariadb'),
      port: databasePort,
      onLine: (line) => console.log(`database: ${line}`),
    });
  } catch (error) {
    const taken = !(await portIsFree(databasePort));
    console.error(
      taken ? `Port ${databasePort} is in use. Choose another with WIRE_TRAIL_DB_PORT.` : String(error.message),
    );
    process.exit(1);
  }
}

server = fork(main, [], {
  env: { ...localEnvironment(), ...process.env },
  execArgv: ['--enable-source-maps'],
  stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
});
server.on('message', ({ address, demoLoaded }) => {
  console.log(`\nWire Trail is at ${address}`);
  if (process.env.WIRE_TRAIL_DEMO === '0') return;
  console.log(demoLoaded ? 'The demo library was loaded.' : 'Your data from last time is there.');
  console.log('Demo sign-ins: technician, trainer, reviewer, admin. Password for each: orrimar-demo');
  console.log('Ctrl-C stops it.');
});
server.on('exit', (code) => {
  if (!stopping) console.error(`The server ended (${code}).`);
  stop(code ?? 1);
});
