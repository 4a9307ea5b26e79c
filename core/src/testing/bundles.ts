import { readdirSync, readFileSync } from 'node:fs';
import { type Bundle, type Entry, readBundle } from '../index.ts';

const readJson = (path: string): unknown => JSON.parse(readFileSync(new URL(path, import.meta.url), 'utf8'));

/** Nobody may change what others are given too. */
function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null && !Object.isFrozen(value)) {
    Object.freeze(value);
    for (const inner of Object.values(value)) frozen(inner);
  }
  return value;
}

const known = new Map<string, Bundle>();
/** Read once: checking a whole bundle takes a while, and hundreds of tests begin with one. */
function read(path: string): Bundle {
  const before = known.get(path);
  if (before) return before;
  const bundle = readBundle(readJson(path));
  if (!bundle.ok) throw new Error(`${path}: ${JSON.stringify(bundle.error, null, 1)}`);
  known.set(path, frozen(bundle.value));
  return bundle.value;
}

const open = new WeakMap<Bundle, Bundle>();
/** The demo glasswasher: five weighted lamps, colour says which half; with everything that was let stand open again. */
export function glasswasher(): Bundle {
  const demo = read('../../../demo/brindlewick-g4.json');
  const made =
    open.get(demo) ?? frozen({ ...demo, entries: demo.entries.map(({ accepted: _, ...e }) => e as typeof e & Entry) });
  open.set(demo, made);
  return made;
}

/** All of the demo, by file. */
export const demoBundles = (): Array<[file: string, bundle: Bundle]> =>
  readdirSync(new URL('../../../demo/', import.meta.url))
    .filter((file) => file.endsWith('.json'))
    .map((file) => [file, read(`../../../demo/${file}`)]);

/** A made-up dryer that shares no mechanics with the glasswasher: a table of three lamps, then a blink count. */
export const dryer = (): Bundle => read('./velmarrow-d1.json');

/** A bundle file as it came from disk, free to be spoilt by a test. */
export const rawGlasswasher = (): { entries: Array<Record<string, unknown>>; [key: string]: unknown } =>
  structuredClone(readJson('../../../demo/brindlewick-g4.json')) as ReturnType<typeof rawGlasswasher>;
