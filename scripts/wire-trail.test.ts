import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';

const root = fileURLToPath(new URL('..', import.meta.url));

it('the command runs as it is called, with everything it needs', () => {
  const ran = spawnSync(process.execPath, ['scripts/wire-trail.mjs', 'lint', 'demo/quorrin-b2.json', '--json'], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, NODE_ENV: undefined, VITEST: undefined },
  });
  expect([ran.status, ran.stderr]).toEqual([0, '']);
  expect(Array.isArray(JSON.parse(ran.stdout))).toBe(true);
});
