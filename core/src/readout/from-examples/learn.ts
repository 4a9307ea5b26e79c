import type { SignId } from '../../base/ids.ts';
import { shapesOf, type TextShape, textOf, valuesIn } from './shape.ts';

/** A code somebody is sure of, as its text, and which lamps are lit for it: a look for each part, in order. */
export type Example = Readonly<{ text: string; looks: ReadonlyArray<readonly SignId[]> }>;

/** How a row of lamps says a code: what each of them counts, and which of them only marks the part that is shown. */
export type LampWay = Readonly<{
  shape: TextShape;
  /** The lamp that tells the parts apart, and in which looks it is lit; null where none does. */
  marker: Readonly<{ lamp: SignId; litIn: readonly number[] }> | null;
  weights: ReadonlyMap<SignId, number>;
}>;

export type Learned =
  /** `written` holds how a number below ten may be written, where that is still open: `M5`, `M05`. */
  | Readonly<{ is: 'found'; way: LampWay; shows: readonly string[]; written: readonly string[] }>
  /** Several ways fit; the code that tells most of them apart, where one can. */
  | Readonly<{ is: 'open'; ways: readonly LampWay[]; next: string | null }>
  /** Two examples cannot both be so: the same look of two codes, one code with two looks, or other numbers of looks. */
  | Readonly<{ is: 'contradiction'; examples: readonly [number, number] }>
  /** Each may be so, but no way of adding up fits all of them. */
  | Readonly<{ is: 'none' }>;

/** The most lamps in a row that are tried; each of them in every place. */
export const mostLearned = 8;
/** More ways than this say no more than that nothing is known. */
const mostWays = 400;

/** What the lamps of a row may count, by how many count. */
const setsOf = (count: number): ReadonlyArray<readonly number[]> => {
  const doubling = Array.from({ length: count }, (_, i) => 2 ** i);
  const coins = [1, 2, 5, 10, 20, 50, 100, 200].slice(0, count);
  const figures = [1, 2, 4, 8, 10, 20, 40, 80].slice(0, count);
  return [doubling, coins, figures].filter(
    (set, i, all) => all.findIndex((other) => other.join() === set.join()) === i,
  );
};

/** Looks as one text, whatever order their lamps are told in. */
export const looksKey = (looks: ReadonlyArray<readonly SignId[]> | null): string =>
  JSON.stringify(looks?.map((lit) => [...lit].sort()) ?? null);

const noLooks = looksKey(null);

function contradiction(examples: readonly Example[]): readonly [number, number] | null {
  const looks = examples.map(({ looks }) => looksKey(looks));
  for (const [b, example] of examples.entries())
    for (let a = 0; a < b; a += 1) {
      const other = examples[a];
      if (!other) continue;
      const isSame = other.text === example.text;
      if (other.looks.length !== example.looks.length || isSame !== (looks[a] === looks[b])) return [a, b];
    }
  return null;
}

/** Lamps that may only mark the part: lit in some looks and dark in the others, of every example alike. */
function markersOf(lamps: readonly SignId[], examples: readonly Example[]): Array<LampWay['marker']> {
  const [first] = examples;
  const markers: Array<LampWay['marker']> = [null];
  for (const lamp of lamps) {
    const litIn = (first?.looks ?? []).flatMap((lit, i) => (lit.includes(lamp) ? [i] : []));
    const isMarker =
      litIn.length > 0 &&
      litIn.length < (first?.looks.length ?? 0) &&
      examples.every((e) => e.looks.every((lit, i) => lit.includes(lamp) === litIn.includes(i)));
    if (isMarker) markers.push({ lamp, litIn });
  }
  return markers;
}

type Sum = Readonly<{ lit: readonly SignId[]; value: number }>;

/** Every way of giving the lamps one of the counts each, so that all sums come out. */
function* weighings(
  lamps: readonly SignId[],
  set: readonly number[],
  sums: readonly Sum[],
): Generator<ReadonlyMap<SignId, number>> {
  const given = new Map<SignId, number>();
  const fits = (isWhole: boolean): boolean =>
    sums.every(({ lit, value }) => {
      const sum = lit.reduce((n, lamp) => n + (given.get(lamp) ?? 0), 0);
      return isWhole || lit.every((lamp) => given.has(lamp)) ? sum === value : sum <= value;
    });
  function* place(at: number, left: readonly number[]): Generator<ReadonlyMap<SignId, number>> {
    const lamp = lamps[at];
    if (lamp === undefined) {
      if (fits(true)) yield new Map(given);
      return;
    }
    for (const weight of left) {
      given.set(lamp, weight);
      if (fits(false))
        yield* place(
          at + 1,
          left.filter((w) => w !== weight),
        );
      given.delete(lamp);
    }
  }
  yield* place(0, set);
}

/** Every way in which lamps may say these codes, up to so many. */
function waysOf(lamps: readonly SignId[], examples: readonly Example[]): LampWay[] {
  const found: LampWay[] = [];
  const texts = examples.map((e) => e.text);
  for (const shape of shapesOf(texts, examples[0]?.looks.length ?? 0))
    for (const marker of markersOf(lamps, examples)) {
      const counting = lamps.filter((lamp) => lamp !== marker?.lamp);
      const sums = examples.flatMap(({ text, looks }): Sum[] => {
        const values = valuesIn(text, shape) ?? [];
        return looks.map((lit, i) => ({ lit: lit.filter((lamp) => lamp !== marker?.lamp), value: values[i] ?? -1 }));
      });
      for (const set of setsOf(counting.length))
        for (const weights of weighings(counting, set, sums)) {
          found.push({ shape, marker, weights });
          if (found.length >= mostWays) return found;
        }
    }
  return found;
}

const tables = new WeakMap<ReadonlyMap<SignId, number>, ReadonlyMap<number, readonly SignId[] | null>>();
/** The lamps that are lit for each value; null where more than one sum comes to it. */
function litFor(weights: ReadonlyMap<SignId, number>): ReadonlyMap<number, readonly SignId[] | null> {
  const known = tables.get(weights);
  if (known) return known;
  const table = new Map<number, readonly SignId[] | null>();
  const all = [...weights];
  for (let bits = 0; bits < 2 ** all.length; bits += 1) {
    const lit = all.filter((_, i) => (bits >> i) & 1);
    const value = lit.reduce((n, [, weight]) => n + weight, 0);
    table.set(value, table.has(value) ? null : lit.map(([lamp]) => lamp));
  }
  tables.set(weights, table);
  return table;
}

/** What a way shows for a code, a look for each part; null where it cannot show it. */
export function looksOf({ shape, marker, weights }: LampWay, text: string): SignId[][] | null {
  const values = valuesIn(text, shape);
  if (!values) return null;
  const looks = values.map((value, i) => {
    const lit = litFor(weights).get(value) ?? null;
    return lit && marker?.litIn.includes(i) ? [marker.lamp, ...lit] : lit && [...lit];
  });
  return looks.every((look) => look !== null) ? looks : null;
}

/** The codes a way can show, in order: all that its sums come to, up to so many. */
export function textsOf({ shape, weights }: LampWay, most = 4096): string[] {
  const values = [...litFor(weights)].flatMap(([value, lit]) => (lit === null ? [] : [value])).sort((a, b) => a - b);
  let rows: number[][] = [[]];
  for (const _ of shape.parts) rows = rows.flatMap((row) => values.map((value) => [...row, value])).slice(0, most * 4);
  return rows.flatMap((row) => textOf(row, shape) ?? []).slice(0, most);
}

const spread = <T>(list: readonly T[], most: number): T[] =>
  list.filter(
    (_, i) =>
      list.length <= most || Math.floor((i * most) / list.length) !== Math.floor(((i - 1) * most) / list.length),
  );

/** The code whose looks tell most of these ways apart, one of those that are listed where any does; null where none tells any. */
function deciding(ways: readonly LampWay[], listed: readonly string[]): string | null {
  return (
    (listed.length > 0 ? best(ways, listed) : null) ??
    best(
      ways,
      spread(ways, 6).flatMap((way) => spread(textsOf(way), 120)),
    )
  );
}

function best(ways: readonly LampWay[], texts: readonly string[]): string | null {
  const some = spread(ways, 90);
  const candidates = [...new Set(texts)];
  let found: Readonly<{ text: string; left: number }> | null = null;
  for (const text of candidates) {
    const groups = new Map<string, number>();
    for (const way of some) {
      const key = looksKey(looksOf(way, text));
      groups.set(key, (groups.get(key) ?? 0) + 1);
    }
    // how many ways are left on average once it was looked at; where it cannot be shown, nothing was seen
    const unseen = groups.get(noLooks) ?? 0;
    const left = [...groups.values()].reduce(
      (n, size) => n + (size * size) / some.length,
      unseen - unseen ** 2 / some.length,
    );
    if (groups.size > 1 && (!found || left < found.left)) found = { text, left };
  }
  return found?.text ?? null;
}

/** What several ways that show the same agree on: a lamp that counts more than any code needs counts nothing that is known. */
function agreed(ways: readonly LampWay[]): LampWay | null {
  const [first] = ways;
  if (!first) return null;
  const weights = new Map([...first.weights].filter(([lamp, w]) => ways.every((way) => way.weights.get(lamp) === w)));
  const way = { ...first, weights };
  const own = textsOf(way);
  const isSame = spread(ways, 40).every(
    (other) =>
      JSON.stringify(other.marker) === JSON.stringify(first.marker) &&
      textsOf(other).join() === own.join() &&
      spread(own, 200).every((text) => looksKey(looksOf(other, text)) === looksKey(looksOf(way, text))),
  );
  return isSame ? way : null;
}

/**
 * Works out from examples how a row of lamps says a code: what each lamp counts, which of them marks the part that is shown,
 * and what always stands first. It says so where one way fits and no other; else which code to look at next, which of the
 * examples cannot both be so, or that nothing of this kind fits. What it asks to look at is one of the `listed` codes, if any
 * of these decides something.
 */
export function learnLamps(
  lamps: readonly SignId[],
  examples: readonly Example[],
  listed: readonly string[] = [],
): Learned {
  const clash = contradiction(examples);
  if (clash) return { is: 'contradiction', examples: clash };
  if (lamps.length === 0 || lamps.length > mostLearned || examples.length === 0) return { is: 'none' };
  const ways = waysOf(lamps, examples);
  if (ways.length === 0) return { is: 'none' };
  // the same lamps count the same: no more than how it is written is open
  const [first] = ways;
  const key = ({ marker, weights }: LampWay): string => JSON.stringify([marker, [...weights].sort()]);
  if (first && ways.every((way) => key(way) === key(first)) && first.shape.parts.length === 1)
    return {
      is: 'found',
      way: first,
      shows: textsOf(first),
      written: ways.length > 1 ? ways.flatMap(({ shape }) => textOf([5], shape) ?? []) : [],
    };
  const next = ways.length === 1 ? null : deciding(ways, listed);
  const way = next === null ? agreed(ways) : null;
  return way ? { is: 'found', way, shows: textsOf(way), written: [] } : { is: 'open', ways, next };
}

/** What a lamp counts in the ways that are still open: one number where they agree; none where it may mark a part. */
export const countsOpen = (
  lamps: readonly SignId[],
  ways: readonly LampWay[],
): ReadonlyArray<Readonly<{ lamp: SignId; counts: readonly number[]; maybeMarks: boolean }>> =>
  lamps.map((lamp) => ({
    lamp,
    counts: [...new Set(ways.flatMap((way) => way.weights.get(lamp) ?? []))].sort((a, b) => a - b),
    maybeMarks: ways.some((way) => way.marker?.lamp === lamp),
  }));

/** Where no way fits: the examples without which the others would fit, each for itself; one of them may have been read wrong. */
export const misfitsOf = (lamps: readonly SignId[], examples: readonly Example[]): number[] =>
  examples.length < 3
    ? []
    : examples.flatMap((_, i) => {
        const { is } = learnLamps(
          lamps,
          examples.filter((_, k) => k !== i),
        );
        return is === 'found' || is === 'open' ? [i] : [];
      });

/** A way that writes five as it was answered to be written: `5`, `05`. */
export const writtenAs = (way: LampWay, five: string): LampWay => {
  const shapes = (['figures', 2, 'letter'] as const).map((part) => ({ ...way.shape, parts: [part] }));
  const shape = way.shape.parts.length === 1 ? shapes.find((s) => textOf([5], s) === five) : undefined;
  return shape ? { ...way, shape } : way;
};
