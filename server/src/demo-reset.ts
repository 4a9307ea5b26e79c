import { readConfig } from './config.ts';
import { connect, createDatabase, migrate } from './db/connect.ts';
import { loadDemo } from './demo.ts';
import { makeJobs } from './http/jobs.ts';
import { sessionCache } from './http/services.ts';

const config = readConfig(process.env);
const now = () => new Date();
if (!config.demo || config.demoFolder === null) throw new Error('the demo is switched off');
await createDatabase(config.database);
const db = connect(config.database);
try {
  const tables = (await db.raw('SHOW TABLES'))[0].map((row: Record<string, string>) => Object.values(row)[0]);
  await db.transaction(async (trx) => {
    await trx.raw('SET FOREIGN_KEY_CHECKS = 0');
    for (const table of tables) await trx.raw('DROP TABLE IF EXISTS ??', [table]);
    await trx.raw('SET FOREIGN_KEY_CHECKS = 1');
  });
  await migrate(db);
  await loadDemo(config.demoFolder, { db, config, now, sessions: sessionCache(), jobs: makeJobs(now) });
  console.log('The demo is as it was. Sign in again.');
} finally {
  await db.destroy();
}
