import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { arrowsOf, circlesOf, graphOf } from './graph.ts';
import { circles, readHouse, silentDefaults, unusedExports, wrongArrows, wrongPackages } from './house.ts';
import { layers } from './layers.ts';

const house = readHouse(fileURLToPath(new URL('../..', import.meta.url)));

describe('the house', () => {
  it('has no circle between files or rooms', () => expect(circles(house)).toEqual({ files: [], rooms: [] }));
  it('has no arrow its layers do not allow', () => expect(wrongArrows(house)).toEqual([]));
  it('uses only the packages it may', () => expect(wrongPackages(house)).toEqual([]));
  it('takes nothing for something without a word', () => expect(silentDefaults(house)).toEqual([]));
  it('gives nothing that nobody uses', () => {
    // declarations of what is inferred elsewhere have to name these
    expect(unusedExports(house, 'core')).toEqual([
      'BesideReading',
      'CompileError',
      'KeptLook',
      'Misread',
      'TakenCode',
      'TellsApart',
    ]);
    expect(unusedExports(house, 'server')).toEqual([]);
  });
  it('draws no component anew for whatever changes in the whole state', () => {
    const whole = /useAppSelector\(\s*\((\w+)\)\s*=>\s*\1\s*\)/;
    expect(whole.test('const { view } = useAppSelector((s) => s);')).toBe(true);
    expect(
      [...house.files].flatMap(([file, text]) => (file.startsWith('web/') && whole.test(text) ? [file] : [])),
    ).toEqual([]);
  });
  it('has its SQL in stores, and nowhere else', () => {
    const sql = /\b(?:db|trx)\(\s*'|\.(?:raw|batchInsert)\(/;
    expect(["db('walks')", "trx('walks as w')", "db.raw('SELECT 1')"].every((line) => sql.test(line))).toBe(true);
    expect(
      [...house.files].flatMap(([file, text]) =>
        /^server\/src\/(?!db\/(?:migrations|connect)|testing)/.test(file) &&
        !/(?:store|\.test)\.ts$/.test(file) &&
        sql.test(text)
          ? [file]
          : [],
      ),
    ).toEqual([]);
  });
  it('says why wherever a type is claimed that the compiler does not see', () => {
    const claim = /as (?:unknown as|never\b)/;
    const unsaid = [...house.files].flatMap(([file, text]) => {
      if (/\.test\.|\/testing\//.test(file)) return [];
      const lines = text.split('\n');
      return lines.flatMap((line, i) =>
        claim.test(line) && !lines.slice(Math.max(0, i - 3), i + 1).some((l) => l.includes('//') || l.includes('*/'))
          ? [`${file}:${i + 1}`]
          : [],
      );
    });
    expect(unsaid).toEqual([]);
  });
  it('has a place in the layers for every room', () => {
    for (const { root, rooms, forTests } of layers) {
      const own = new Set(
        [...house.files.keys()].flatMap((f) =>
          f.startsWith(`${root}/`) && f.slice(root.length + 1).includes('/')
            ? [f.slice(root.length + 1).split('/')[0]]
            : [],
        ),
      );
      expect([root, [...own].sort()]).toEqual([root, [...rooms, ...forTests].sort()]);
    }
  });
});

describe('what the check sees', () => {
  it.each([
    ["import { a } from './b.ts';", 'x/b.ts', ['a']],
    ["import type { A, B as C } from '../b.ts';", 'b.ts', ['A', 'B']],
    ["import { type A, b } from '@wire-trail/core';", '@wire-trail/core', ['A', 'b']],
    ["import D, {\n  a,\n  b,\n} from './c.tsx';", 'x/c.tsx', ['a', 'b']],
    ["import './side.css';", 'x/side.css', []],
    ["const P = lazy(() => import('./page.tsx'));", 'x/page.tsx', []],
    ["export { a as b } from './c.ts';", 'x/c.ts', ['a']],
    ["new Worker(new URL('../w.ts', import.meta.url))", 'w.ts', []],
    ["import url from './w.js?url';", 'x/w.js', []],
  ])('%s', (line, to, names) => expect(arrowsOf('x/a.ts', line)).toEqual([{ from: 'x/a.ts', to, names }]));

  it('finds a circle of three, one of types, and none where there is none', () => {
    const of = (files: Record<string, string>) =>
      circlesOf(
        graphOf(
          Object.entries(files).flatMap(([f, t]) => arrowsOf(f, t)),
          (f) => f,
        ),
      );
    expect(
      of({ 'a.ts': "import './b.ts';", 'b.ts': "import type { X } from './c.ts';", 'c.ts': "import './a.ts';" }),
    ).toEqual([['a.ts', 'b.ts', 'c.ts']]);
    expect(of({ 'a.ts': "import './b.ts';", 'b.ts': "import './c.ts';", 'c.ts': '' })).toEqual([]);
  });

  it('finds an arrow up, one from feature to feature, one out of core, a package that may not be', () => {
    const wrong = (file: string, line: string) => {
      const made = { files: new Map([[file, line]]), arrows: arrowsOf(file, line) };
      return [...wrongArrows(made), ...wrongPackages(made)].length;
    };
    expect(wrong('core/src/model/a.ts', "import { x } from '../chart/b.ts';")).toBe(1);
    expect(wrong('core/src/chart/a.ts', "import { x } from '../model/b.ts';")).toBe(0);
    expect(wrong('web/src/features/bench/A.tsx', "import { x } from '../shelf/B.tsx';")).toBe(1);
    expect(wrong('web/src/foundation/a.ts', "import { x } from '../parts/b/B.tsx';")).toBe(1);
    expect(wrong('server/src/app/a.ts', "import { x } from '../../../scripts/a.mjs';")).toBe(2);
    expect(wrong('web/src/app/a.ts', "import { x } from '@wire-trail/server';")).toBe(1);
    expect(wrong('cli/src/a.ts', "import { x } from '@wire-trail/server';")).toBe(0);
  });
});
