import { readdirSync, readFileSync } from 'node:fs';
import { buildFindIndex, type Found, find, findFamilyOf, readBundle } from '../index.ts';

/** One line of a file of queries: what is typed, and what is meant by it. */
export type Query = Readonly<{ typed: string; means: string }>;

export const queriesIn = (file: URL): Query[] =>
  readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((line) => {
      const [, typed, means] = /^([^#].*) => (.*)$/.exec(line) ?? [];
      return typed === undefined || means === undefined ? [] : [{ typed, means }];
    });

/** The index over the demo's families. */
export function demoIndex() {
  const demo = new URL('../../../demo/', import.meta.url);
  const files = readdirSync(demo).filter((f) => f.endsWith('.json'));
  return buildFindIndex(
    files.map((file) => {
      const read = readBundle(JSON.parse(readFileSync(new URL(file, demo), 'utf8')));
      if (!read.ok) throw new Error(file);
      return findFamilyOf(read.value);
    }),
  );
}

/** Whether what is found first is what was meant: `family code`, `family symptom word`, `family family`, `nothing`. */
export function isMeant(found: readonly Found[], means: string): boolean {
  const [first] = found;
  const [family, what = '', word = ''] = means.split(' ');
  if (means === 'nothing') return first?.kind !== 'code' || first.why.some((w) => w.kind === 'misread');
  if (!first || first.family !== family) return false;
  if (what === 'family') return first.kind === 'family';
  if (what === 'symptom') return first.kind === 'symptom' && first.title.toLowerCase().includes(word.toLowerCase());
  return first.kind === 'code' && first.text === what;
}

/** Queries of some files whose first answer is not what was meant, and how many there are. */
export function missedIn(files: readonly string[]): { missed: string[]; of: number } {
  const index = demoIndex();
  const all = files.flatMap((file) => queriesIn(new URL(`../find/${file}`, import.meta.url)));
  return { missed: all.filter((q) => !isMeant(find(index, q.typed), q.means)).map((q) => q.typed), of: all.length };
}
