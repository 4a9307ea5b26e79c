// npm run dev: the private database, the server with reload and the web with hot reload, on one address.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { freePort, portIsFree, startDatabase } from './database.mjs';
import { databaseFolder, databasePort, localEnvironment, ownDatabase, stopServer } from './local.mjs';
import { mariadb, needPackages, needPrograms, root } from './machine.mjs';

needPackages();
if (ownDatabase) needPrograms([mariadb]);
const host = process.env.WIRE_TRAIL_HOST ?? '127.0.0.1';
const port = Number(process.env.WIRE_TRAIL_PORT ?? 4180);
const complain = (line) => {
  console.error(line);
  process.exit(1);
};
if (!(await portIsFree(port)))
  complain(`Port ${port} is in use, by npm start perhaps. Choose another with WIRE_TRAIL_PORT.`);
if (ownDatabase && !(await portIsFree(databasePort)))
  complain(`Port ${databasePort} is in use. Choose another with WIRE_TRAIL_DB_PORT.`);

let database = null;
let server = null;
let web = null;
let stopping = false;
async function stop(status) {
  if (stopping) return;
  stopping = true;
  await web?.close();
  await stopServer(server);
  await database?.stop();
  process.exit(status);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => stop(0));

if (ownDatabase) {
  const onLine = (line) => console.log(`database: ${line}`);
  database = await startDatabase({ folder: databaseFolder, port: databasePort, onLine });
}

// the server has a port of its own behind the web's, and starts again whenever a file it uses is saved
const behind = await freePort();
server = spawn(join(root, 'node_modules/.bin/tsx'), ['watch', '--clear-screen=false', 'server/src/main.ts'], {
  cwd: root,
  env: {
    ...localEnvironment(),
    WIRE_TRAIL_CHECK_ANSWERS: '1',
    ...process.env,
    WIRE_TRAIL_HOST: '127.0.0.1',
    WIRE_TRAIL_PORT: String(behind),
  },
  stdio: ['ignore', 'inherit', 'inherit'],
});
server.on('exit', (code) => stop(code ?? 1));

const answers = async () => {
  try {
    return (await fetch(`http://127.0.0.1:${behind}/api/v1/health`)).ok;
  } catch {
    return false;
  }
};
while (!stopping && !(await answers())) await new Promise((resolve) => setTimeout(resolve, 200));

const { createServer } = await import('vite');
web = await createServer({
  root: join(root, 'web'),
  configFile: join(root, 'web/vite.config.ts'),
  clearScreen: false,
  server: {
    host,
    port,
    strictPort: true,
    // the server compares where a request comes from with where it goes to: it has to see the address of the web
    proxy: { '/api': { target: `http://127.0.0.1:${behind}`, changeOrigin: false } },
  },
});
await web.listen();
console.log(`\nWire Trail is at http://${host}:${port}, and follows what you save. Ctrl-C stops it.`);
console.log('Demo sign-ins: technician, trainer, reviewer, admin. Password for each: orrimar-demo');
