import { execFile } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { beforeAll, expect, it } from 'vitest';

const run = promisify(execFile);
const root = fileURLToPath(new URL('..', import.meta.url));
const tsc = join(root, 'node_modules/.bin/tsc');
const copy = join(root, '.cache/contract-copy');
/** Who answers with a walk's line, and who draws it. */
const answers = 'server/src/features/walks/store.ts';
const reads = 'web/src/features/log/LogPage.tsx';

beforeAll(() => run(tsc, ['-b', '--checkers', '1', 'core'], { cwd: root }));

/** Which of the two files the compiler refuses because of the field, which has another name in a copy of the contract. */
async function refusedWith(field: string, name: string): Promise<string[]> {
  rmSync(copy, { recursive: true, force: true });
  mkdirSync(copy, { recursive: true });
  cpSync(join(root, '.cache/types/core'), join(copy, 'core'), { recursive: true });
  const walks = join(copy, 'core/contract/walks.d.ts');
  const declared = readFileSync(walks, 'utf8');
  expect(declared).toContain(`${field}: z.Zod`);
  writeFileSync(walks, declared.replaceAll(`${field}: z.Zod`, `${name}: z.Zod`));
  const config = {
    extends: '../../tsconfig.base.json',
    compilerOptions: {
      composite: false,
      emitDeclarationOnly: false,
      noEmit: true,
      jsx: 'react-jsx',
      lib: ['ES2023', 'DOM', 'DOM.Iterable'],
      types: ['vite/client', 'node'],
      paths: { '@wire-trail/core': ['./core/index.d.ts'] },
    },
    files: [answers, reads].map((file) => join(root, file)),
  };
  writeFileSync(join(copy, 'tsconfig.json'), JSON.stringify(config));
  const said = await run(tsc, ['-p', copy, '--checkers', '1'], { cwd: root }).then(
    () => '',
    (error: { stdout: string }) => error.stdout,
  );
  const place = /^\S*?((?:server|web)\/\S+?)\(\d+,\d+\): error/;
  const lines = said.split('\n').filter((line) => line.includes(`'${field}'`));
  return [...new Set(lines.flatMap((line) => line.match(place)?.[1] ?? []))].sort();
}

it('a field of an answer that is renamed in the contract is missed by who answers and by who reads', async () => {
  expect(await refusedWith('fixedBy', 'mendedBy')).toEqual([answers, reads]);
});
