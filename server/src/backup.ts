import { readConfig } from './config.ts';
import { backUp } from './db/backup-store.ts';
import { runAsTool } from './explain.ts';

/** npm run backup -- FILE: everything there is, as it stands at one moment, while servers run. */
await runAsTool(async () => {
  const [file] = process.argv.slice(2).filter((arg) => !arg.startsWith('-'));
  if (!file) {
    console.error('Say into which file: npm run backup -- FILE');
    return 1;
  }
  const { database } = readConfig(process.env);
  const counted = await backUp(database, file, new Date(), ({ table, rows }) => console.log(`${rows}\t${table}`));
  console.log(`${file} holds ${counted.reduce((sum, t) => sum + t.rows, 0)} rows of ${counted.length} tables.`);
  return 0;
});
