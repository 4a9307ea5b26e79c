// npm run bench: one table of measurements, ratios within one run. `-- --json` prints JSON alone, `-- --only PREFIX` a part.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { chromium, mariadb, needPackages, needPrograms, needServer, needWeb, root } from './machine.mjs';

needPackages();
needPrograms([mariadb, chromium]);
// what is built on the way is told on the other stream, so that --json prints nothing but JSON
console.log = console.error;
needWeb();
await needServer();
const { status } = spawnSync(
  join(root, 'node_modules/.bin/tsx'),
  [join(root, 'scripts/bench/main.ts'), ...process.argv.slice(2)],
  { stdio: 'inherit', cwd: root, env: { ...process.env, NODE_OPTIONS: '--expose-gc' } },
);
process.exit(status ?? 1);
