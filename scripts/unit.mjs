// npm run unit -- core/src/chart: the unit tests of a room, or of any file or folder; without one, all of core and web.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { mariadb, needPackages, needPrograms, root } from './machine.mjs';

needPackages();
const paths = process.argv.slice(2);
/** The project of the tests that a path belongs to; those of the server bring up a database. */
const projectOf = (path) =>
  /^(\.\/)?core\b/.test(path) ? 'core' : /^(\.\/)?web\b/.test(path) ? 'web' : path.startsWith('-') ? null : 'server';
const projects = paths.length === 0 ? ['core', 'web'] : [...new Set(paths.map(projectOf).filter(Boolean))];
if (projects.includes('server')) needPrograms([mariadb]);
const { status } = spawnSync(
  join(root, 'node_modules/.bin/vitest'),
  ['run', ...projects.flatMap((project) => ['--project', project]), ...paths],
  { cwd: root, stdio: 'inherit' },
);
process.exit(status ?? 1);
