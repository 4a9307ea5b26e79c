import { readConfig } from './config.ts';
import { explain } from './explain.ts';
import { serve } from './serve.ts';

const start = async () => serve(readConfig(process.env));
const running = await start().catch((error: unknown) => {
  console.error(explain(error));
  process.exit(1);
});
// the start script waits for this; without one, whoever looks at the console
if (process.send) process.send({ kind: 'listening', address: running.address, demoLoaded: running.demoLoaded });
else console.log(`listening ${running.address}`);

let stopping = false;
const stop = async () => {
  if (stopping) return;
  stopping = true;
  await running.stop();
  process.exit(0);
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
process.on('disconnect', stop);
