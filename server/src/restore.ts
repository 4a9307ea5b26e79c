import { readConfig } from './config.ts';
import { restore } from './db/backup-store.ts';
import { runAsTool } from './explain.ts';

/** npm run restore -- FILE: a backup into an empty database; with --replace in place of what is there. */
await runAsTool(async () => {
  const args = process.argv.slice(2);
  const [file] = args.filter((arg) => !arg.startsWith('-'));
  if (!file) {
    console.error('Say from which file: npm run restore -- FILE [--replace]');
    return 1;
  }
  const { database } = readConfig(process.env);
  const tables = await restore(database, file, {
    replace: args.includes('--replace'),
    onTable: ({ table, rows }) => console.log(`${rows}\t${table}`),
  });
  console.log(`${tables.reduce((sum, t) => sum + t.rows, 0)} rows of ${tables.length} tables are back.`);
  return 0;
});
