import { readConfig } from './config.ts';
import { connect, createDatabase, migrate } from './db/connect.ts';
import { dropTables } from './db/store.ts';
import { unwatched } from './db/watch.ts';
import { loadDemo } from './demo.ts';
import { makeJobs } from './http/jobs.ts';
import { sessionCache } from './http/services.ts';

const config = readConfig(process.env);
const now = () => new Date();
if (!config.demo || config.demoFolder === null) throw new Error('the demo is switched off');
await createDatabase(config.database);
const db = connect(config.database);
try {
  await dropTables(db);
  await migrate(db);
  await loadDemo(config.demoFolder, {
    db,
    config,
    now,
    sessions: sessionCache(),
    jobs: makeJobs(now),
    watched: unwatched,
  });
  console.log('The demo is as it was. Sign in again.');
} finally {
  await db.destroy();
}
