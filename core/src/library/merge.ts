import { diff3MergeRegions } from 'node-diff3';
import { canonicalJson, sameJson } from '../base/json.ts';
import type { Path } from '../base/path.ts';
import { isPlain, nameOf, own } from './diff.ts';

/**
 * A place of which two people made two things: what stood there before them, and what each has there now; undefined
 * where nothing does. `key` tells one such place from another.
 */
export type Clash = Readonly<{ key: string; at: Path; before: unknown; mine: unknown; theirs: unknown }>;
/** Both in one; where they clash it is mine, but where theirs was chosen. */
export type Merged = Readonly<{ value: unknown; clashes: readonly Clash[] }>;

/**
 * What two people made of one thing, in one: whatever only one of them changed is as that one has it; elements of lists
 * are known by their names, others by what stands around them. `theirs` of `picks` are the keys of clashes to settle for
 * them.
 */
export function merge(before: unknown, mine: unknown, theirs: unknown, picks: ReadonlySet<string> = new Set()): Merged {
  const clashes: Clash[] = [];
  const value = new Merge(picks, clashes).both({ before, mine, theirs }, [], '');
  return { value, clashes };
}

type Three = Readonly<{ before: unknown; mine: unknown; theirs: unknown }>;
type Lists = Readonly<{ before: readonly unknown[]; mine: readonly unknown[]; theirs: readonly unknown[] }>;
/** A stretch of three lists: of which what stands there is known, or of which each has its own. */
type Region = Readonly<
  | { stable: true; buffer: 'a' | 'o' | 'b'; bufferStart: number; bufferLength: number }
  | { stable: false; aStart: number; aLength: number; oStart: number; oLength: number; bStart: number; bLength: number }
>;
const regionsOf = (mine: readonly string[], before: readonly string[], theirs: readonly string[]): readonly Region[] =>
  diff3MergeRegions([...mine], [...before], [...theirs]) as readonly Region[];

/** What both agree on: at most one of them changed it, or both to the same; null where that is not so. */
function agreed({ before, mine, theirs }: Three): Readonly<{ value: unknown }> | null {
  if (sameJson(mine, theirs) || sameJson(before, theirs)) return { value: mine };
  return sameJson(before, mine) ? { value: theirs } : null;
}

class Merge {
  private readonly picks: ReadonlySet<string>;
  private readonly clashes: Clash[];
  constructor(picks: ReadonlySet<string>, clashes: Clash[]) {
    this.picks = picks;
    this.clashes = clashes;
  }

  both(three: Three, at: Path, key: string): unknown {
    const { before, mine, theirs } = three;
    const one = agreed(three);
    if (one) return one.value;
    if (isPlain(mine) && isPlain(theirs)) return this.fields(isPlain(before) ? before : {}, mine, theirs, at, key);
    if (Array.isArray(mine) && Array.isArray(theirs))
      return this.lists({ before: Array.isArray(before) ? before : [], mine, theirs }, at, key);
    return this.clash(three, at, key);
  }

  private clash(three: Three, at: Path, key: string): unknown {
    this.clashes.push({ key, at, ...three });
    return this.picks.has(key) ? three.theirs : three.mine;
  }

  private fields(
    before: Record<string, unknown>,
    mine: Record<string, unknown>,
    theirs: Record<string, unknown>,
    at: Path,
    key: string,
  ): unknown {
    // kinds of one thing with fields of their own are no mixture of both
    if (['kind', 'of'].some((k) => own(mine, k) !== own(theirs, k)))
      return this.clash({ before, mine, theirs }, at, key);
    const names = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])];
    const entries = names.flatMap((name): Array<[string, unknown]> => {
      const [b, m, t] = [own(before, name), own(mine, name), own(theirs, name)];
      const value = this.both({ before: b, mine: m, theirs: t }, [...at, name], `${key}/${name}`);
      return value === undefined ? [] : [[name, value]];
    });
    return Object.fromEntries(entries);
  }

  private lists(lists: Lists, at: Path, key: string): readonly unknown[] {
    const names = [lists.before, lists.mine, lists.theirs].map((list) => list.map(nameOf));
    const areNamed = names.every((own) => own.every((n) => n !== null) && new Set(own).size === own.length);
    return areNamed ? this.named(lists, at, key) : this.rows(lists, at, key);
  }

  /** Elements by their names: what each is, and then in which order they stand. */
  private named({ before, mine, theirs }: Lists, at: Path, key: string): unknown[] {
    const by = (list: readonly unknown[]) => new Map(list.map((x, i) => [nameOf(x) ?? '', { x, i }] as const));
    const [b, m, t] = [by(before), by(mine), by(theirs)];
    const kept = new Map<string, unknown>();
    for (const name of new Set([...m.keys(), ...t.keys()])) {
      const place = m.get(name)?.i ?? t.get(name)?.i ?? 0;
      const three = { before: b.get(name)?.x, mine: m.get(name)?.x, theirs: t.get(name)?.x };
      const value = this.both(three, [...at, place], `${key}/${name}`);
      if (value !== undefined) kept.set(name, value);
    }
    const lists: [string[], string[]] = [[...m.keys()], [...t.keys()]];
    const order = this.order([...b.keys()], ...lists, at, key);
    // what not all three have stands behind what it stands behind in its own list; what both put in one place, mine first
    for (const list of lists)
      list.forEach((name, i) => {
        if (order.includes(name) || !kept.has(name)) return;
        const ahead = list.slice(0, i).findLast((n) => order.includes(n));
        let to = ahead === undefined ? 0 : order.indexOf(ahead) + 1;
        while (to < order.length && !list.includes(order[to] ?? '')) to += 1;
        order.splice(to, 0, name);
      });
    return order.flatMap((name) => (kept.has(name) ? [kept.get(name)] : []));
  }

  /** Those that all three have, in the order one of them changed; where both changed it, that is a clash. */
  private order(before: string[], mine: string[], theirs: string[], at: Path, key: string): string[] {
    const [b, m, t] = [before, mine, theirs].map((list) =>
      list.filter((n) => before.includes(n) && mine.includes(n) && theirs.includes(n)),
    ) as [string[], string[], string[]];
    const three = { before: b, mine: m, theirs: t };
    return (agreed(three)?.value ?? this.clash(three, at, `${key}/order`)) as string[];
  }

  /** Elements without names, by what stands around them; where both changed one stretch, element by element if it has as many. */
  private rows({ before, mine, theirs }: Lists, at: Path, key: string): unknown[] {
    const out: unknown[] = [];
    const texts = (list: readonly unknown[]) => list.map(canonicalJson);
    for (const region of regionsOf(texts(mine), texts(before), texts(theirs))) {
      if (region.stable) {
        const list = { a: mine, o: before, b: theirs }[region.buffer];
        out.push(...list.slice(region.bufferStart, region.bufferStart + region.bufferLength));
        continue;
      }
      const m = mine.slice(region.aStart, region.aStart + region.aLength);
      const b = before.slice(region.oStart, region.oStart + region.oLength);
      const t = theirs.slice(region.bStart, region.bStart + region.bLength);
      if (sameJson(m, t)) out.push(...m);
      else if (m.length === b.length && t.length === b.length)
        b.forEach((x, i) => {
          const three = { before: x, mine: m[i], theirs: t[i] };
          out.push(this.both(three, [...at, region.aStart + i], `${key}/${region.oStart + i}`));
        });
      else {
        const three = { before: b, mine: m, theirs: t };
        out.push(...(this.clash(three, at, `${key}/${region.oStart}+`) as unknown[]));
      }
    }
    return out;
  }
}
