import { readConfig } from './config.ts';
import { NewerDatabase } from './db/connect.ts';
import { serve } from './serve.ts';

/** What went wrong at the start, in a line a person can act on; the rest of an unknown fault follows it. */
function explain(error: unknown): string {
  const { code, message, stack } = error as { code?: string; message: string; stack?: string };
  if (code === 'EADDRINUSE') return 'The port is in use. Choose another with WIRE_TRAIL_PORT.';
  if (code === 'EACCES') return 'This port may not be opened. Choose one above 1023 with WIRE_TRAIL_PORT.';
  if (code === 'ECONNREFUSED') return 'The database does not answer. Check WIRE_TRAIL_DB_HOST and WIRE_TRAIL_DB_PORT.';
  if (code === 'ER_ACCESS_DENIED_ERROR')
    return 'The database does not let this account in. Check WIRE_TRAIL_DB_USER and WIRE_TRAIL_DB_PASSWORD.';
  if (error instanceof NewerDatabase) return message;
  return message.startsWith('wrong environment') ? message : (stack ?? message);
}

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
