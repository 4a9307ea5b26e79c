import { type FindFamily, seeded } from '@wire-trail/core';

const pick = <T>(random: () => number, list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;

const beginnings = 'bran mor quil tes vel hol dru fen gar lis nor pel sco tav ur wex yor zan kel ost'.split(' ');
const middles = 'de li ma no ra si ta va be co du fi go ha je ku'.split(' ');
const ends = 'wick rin dell more lund gate sten vane moss tor fell holt'.split(' ');
const things = 'pump valve sensor heater fan motor lock lamp relay board hose filter switch belt drum tank'.split(' ');
const faults = 'open shorted slow cold hot blocked loose missing noisy worn wet drifting stuck reversed'.split(' ');
const places = 'inlet outlet front rear upper lower left right main second boiler drive steering lift'.split(' ');

/** How a family spells its codes; real ones come in such few shapes. */
const shapes: ReadonlyArray<(n: number, letters: readonly string[]) => string> = [
  (n, [a = 'C']) => `${a}${String(n).padStart(2, '0')}`,
  (n, [a = 'E', b = 'H']) => `${n < 50 ? a : b}${String(n).padStart(2, '0')}`,
  (n, [a = 'F']) => `${a}-${n}`,
  (n) => String(100 + n * 3),
  (n, [a = 'A', b = 'P', c = 'U']) => `${[a, b, c][n % 3]}${(n * 7) % 10}${Math.floor(n / 3)}`,
  (n) => `${400 + Math.floor(n / 5)}.${n % 5}`,
  (n, [a = 'd']) => `${(n + 16).toString(16).toUpperCase()}${a}`,
];
const letters = 'ACDEFHLPSU'.split('');

/** A made-up library: so many families with so many codes each. */
export function madeUpFamilies(families: number, codesEach: number, seed = 20261123): FindFamily[] {
  const random = seeded(seed);
  const names = new Set<string>();
  while (names.size < families) {
    const word =
      pick(random, beginnings) +
      pick(random, middles) +
      (random() < 0.5 ? pick(random, middles) : '') +
      pick(random, ends);
    names.add(word);
  }
  return [...names].map((word, f): FindFamily => {
    const name = `${word[0]?.toUpperCase()}${word.slice(1)} ${pick(random, letters)}${1 + Math.floor(random() * 9)}`;
    const shape = pick(random, shapes);
    const own = [pick(random, letters), pick(random, letters), pick(random, letters)];
    const texts = new Set<string>();
    for (let n = 0; texts.size < codesEach; n++) texts.add(shape(n, own));
    return {
      id: `${word}-${f}`,
      name,
      otherNames: [`${pick(random, beginnings)}${pick(random, ends)}`],
      docs: [...texts].map((text, i) => ({
        kind: 'code' as const,
        id: `c${i}`,
        text,
        title: `${pick(random, places)} ${pick(random, things)} ${pick(random, faults)}`,
        saw: `${pick(random, places)} ${pick(random, things)} out of range`,
        suspects: [
          `${pick(random, places)} ${pick(random, things)}`,
          `${pick(random, things)} ${pick(random, faults)}`,
        ],
        frequency: 1 + Math.floor(random() * 50),
      })),
    };
  });
}

const confusions: ReadonlyArray<readonly [string, string]> = [
  ['0', 'ODQ'],
  ['1', 'Il7'],
  ['7', '1'],
  ['5', 'S'],
  ['S', '5'],
  ['2', 'Z'],
  ['6', 'bG'],
  ['8', 'B'],
  ['B', '8'],
  ['U', 'v'],
  ['D', '0'],
  ['O', '0'],
];
const keyRows = ['QWERTYUIOP', 'ASDFGHJKL', 'ZXCVBNM'];

/** One misread of a code, of the kinds eyes and gloves make; null where this code offers no place for the kind. */
export function misread(text: string, kind: number, random: () => number): string | null {
  const at = (places: number[]): number | null => (places.length === 0 ? null : pick(random, places));
  const replace = (i: number, by: string) => text.slice(0, i) + by + text.slice(i + 1);
  const indices = [...text].map((_, i) => i);
  switch (kind) {
    case 0: {
      const i = at(indices.filter((k) => confusions.some(([c]) => c === text[k])));
      const other = confusions.find(([c]) => i !== null && c === text[i])?.[1];
      return i === null || !other ? null : replace(i, pick(random, [...other]));
    }
    case 1:
      return /[-.]/.test(text)
        ? text.replace(/[-.]/, '')
        : /\d/.test(text)
          ? text.replace(/(\d)/, pick(random, ['-$1', ' $1']))
          : null;
    case 2: {
      const i = at(
        indices.filter((k) => /\d/.test(text[k] ?? '') && /\d/.test(text[k + 1] ?? '') && text[k] !== text[k + 1]),
      );
      return i === null ? null : text.slice(0, i) + (text[i + 1] ?? '') + (text[i] ?? '') + text.slice(i + 2);
    }
    default: {
      // one wrong letter: mostly the key beside it, as under a glove, else any
      const i = at(indices.filter((k) => /[A-Z]/.test(text[k] ?? '')));
      if (i === null) return null;
      const row = keyRows.find((r) => r.includes(text[i] ?? '')) ?? '';
      const place = row.indexOf(text[i] ?? '');
      const beside = [row[place - 1], row[place + 1]].filter((c): c is string => c !== undefined);
      const any = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].filter((c) => c !== text[i]);
      return replace(i, random() < 0.7 ? pick(random, beside) : pick(random, any));
    }
  }
}
