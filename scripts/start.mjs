// npm start: everything a newcomer needs, from a fresh clone to a running application.
import { fork } from 'node:child_process';
import { AlreadyRunning, portIsFree, startDatabase } from './database.mjs';
import { hold, holderOf } from './hold.mjs';
import { databaseFolder, databasePort, dataFolder, localEnvironment, ownDatabase, stopServer } from './local.mjs';
import { mariadb, needPackages, needPrograms, needServer, needWeb } from './machine.mjs';

const port = process.env.WIRE_TRAIL_PORT ?? '4180';
const complain = (...lines) => {
  for (const line of lines) console.error(line);
  process.exit(1);
};
/** What is said where another one runs; nothing of it is touched. */
const runs = (holder) =>
  complain(
    `Wire Trail runs already${holder?.address ? ` at ${holder.address}` : ', and is starting'} (process ${holder?.pid ?? 'unknown'}), on the data in ${dataFolder}.`,
    'Stop that one first, or give this one data of its own with WIRE_TRAIL_DATA and other ports.',
  );

const held = await hold(dataFolder);
if (!held) runs(await holderOf(dataFolder));

needPackages();
if (ownDatabase) needPrograms([mariadb]);
needWeb();
const main = await needServer();
if (port !== '0' && !(await portIsFree(Number(port))))
  complain(`Port ${port} is in use. Choose another with WIRE_TRAIL_PORT.`);

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
      folder: databaseFolder,
      port: databasePort,
      onLine: (line) => console.log(`database: ${line}`),
    });
  } catch (error) {
    if (error instanceof AlreadyRunning) runs(error.holder);
    const taken = !(await portIsFree(databasePort));
    complain(taken ? `Port ${databasePort} is in use. Choose another with WIRE_TRAIL_DB_PORT.` : String(error.message));
  }
}

server = fork(main, [], {
  env: { ...localEnvironment(), ...process.env },
  execArgv: ['--enable-source-maps'],
  // what the server logs is seen here as well; the file with all of it is named below
  stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
});
server.on('message', ({ address, demoLoaded }) => {
  held.say({ address });
  console.log(`\nWire Trail is at ${address}`);
  console.log(`What happens is logged in ${localEnvironment().WIRE_TRAIL_LOG_FILE}`);
  if (process.env.WIRE_TRAIL_DEMO === '0') return;
  console.log(demoLoaded ? 'The demo library was loaded.' : 'Your data from last time is there.');
  console.log('Demo sign-ins: technician, trainer, reviewer, admin. Password for each: orrimar-demo');
  console.log('Ctrl-C stops it.');
});
server.on('exit', (code) => {
  if (!stopping) console.error(`The server ended (${code}).`);
  stop(code ?? 1);
});
