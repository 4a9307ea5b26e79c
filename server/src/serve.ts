import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { createApp } from './app/app.ts';
import type { Config } from './config.ts';
import { connect, createDatabase, migrate } from './db/connect.ts';
import { loadDemo } from './demo.ts';
import { fillCards } from './features/bundles/check.ts';
import { keepOpen } from './http/keep-open.ts';
import type { Services } from './http/services.ts';

/** How long a stop waits for what is in flight, in ms. */
const patienceMs = 10_000;

export type Running = Readonly<{ address: string; services: Services; demoLoaded: boolean; stop: () => Promise<void> }>;

/** Connects, migrates, loads the demo into an empty database where it is wanted, and listens. */
export async function serve(config: Config): Promise<Running> {
  if (config.demo) await createDatabase(config.database);
  const db = connect(config.database);
  try {
    await migrate(db);
    await fillCards({ db, now: () => new Date() });
    const { app, services, log, closeLog } = createApp({ db, config });
    const demoLoaded = config.demo && config.demoFolder !== null ? await loadDemo(config.demoFolder, services) : false;
    const server: Server = config.tls
      ? createSecureServer(
          { cert: readFileSync(config.tls.certFile), key: readFileSync(config.tls.keyFile) },
          app.callback(),
        )
      : createServer(app.callback());
    keepOpen(server);
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject);
      server.listen(config.port, config.host, resolve);
    });
    const { port } = server.address() as AddressInfo;
    log.info({ port }, 'listening');
    const stop = async () => {
      const closed = new Promise<void>((resolve) => server.close(() => resolve()));
      server.closeIdleConnections();
      // what is in flight, jobs as well, has so long to come to its end
      const last = setTimeout(() => server.closeAllConnections(), patienceMs).unref();
      await Promise.all([closed, services.jobs.end(patienceMs)]);
      clearTimeout(last);
      await db.destroy();
      log.info('stopped');
      await closeLog();
    };
    return { address: `${config.tls ? 'https' : 'http'}://${config.host}:${port}`, services, demoLoaded, stop };
  } catch (error) {
    await db.destroy();
    throw error;
  }
}
