// npm run faults [-- --only NAME]: kills, races, a bad line, a full disk, wrong clocks and starts stopped midway, as one table.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { chromium, mariadb, needPackages, needPrograms, needServer, needWeb, root } from './machine.mjs';

needPackages();
needPrograms([mariadb, chromium]);
needWeb();
await needServer();
const { status } = spawnSync(
  join(root, 'node_modules/.bin/tsx'),
  [join(root, 'scripts/faults/main.ts'), ...process.argv.slice(2)],
  { stdio: 'inherit', cwd: root },
);
process.exit(status ?? 1);
