import { nearest } from '../base/nearest.ts';
import type { Path } from '../base/path.ts';
import { entryAt } from '../library/accepted.ts';
import { choicesAt } from '../library/choices-at.ts';
import { lookedAt } from '../library/copy-unit.ts';
import type { Bundle } from '../model/bundle.ts';
import { type Entry, entrySchemas } from '../model/entry.ts';
import type { Finding } from '../model/finding.ts';
import { entriesOf } from '../model/select.ts';
import { entryOf, type Mend, type Menders } from './mend.ts';

type Loose = Record<string, unknown>;

/** An entry with what stands at a place changed; what the change makes undefined is taken out. */
function changedAt(value: unknown, path: Path, change: (value: unknown) => unknown): unknown {
  const [head, ...rest] = path;
  if (head === undefined) return change(value);
  if (Array.isArray(value)) {
    const at = Number(head);
    const now = changedAt(value[at], rest, change);
    return now === undefined ? value.filter((_, i) => i !== at) : value.map((v, i) => (i === at ? now : v));
  }
  if (typeof value !== 'object' || value === null) return value;
  const { [head]: own, ...others } = value as Loose;
  const now = changedAt(own, rest, change);
  return now === undefined ? others : { ...value, [head]: now };
}

function mended(f: Finding, bundle: Bundle, words: string, change: (value: unknown) => unknown): Mend[] {
  const path = f.at.slice(2);
  const entry = entryAt(bundle, f);
  // whether it is an entry still is for its schema to say, where the mend is tried
  return entry && path.length > 0 ? [{ words, entries: [changedAt(entry, path, change) as Entry] }] : [];
}

function mendedWhole(f: Finding, bundle: Bundle, words: string, change: (entry: Entry) => Entry): Mend[] {
  const entry = entryAt(bundle, f);
  return entry ? [{ words, entries: [change(entry)] }] : [];
}

const valueAt = (value: unknown, path: Path): unknown =>
  path.reduce<unknown>((v, key) => (typeof v === 'object' && v !== null ? (v as Loose)[key] : undefined), value);

/** So few that all of them can be offered. */
const few = 4;

/** What there is that a name of nothing may have meant: what is called nearly so, or all of it where that is little. */
function meant(f: Finding, bundle: Bundle, id: string): Mend[] {
  const path = f.at.slice(2);
  const entry = entryAt(bundle, f);
  if (!entry || valueAt(entry, path) !== id) return [];
  const choices = choicesAt({ schema: entrySchemas[entry.kind], value: entry, path }, bundle.entries) ?? [];
  const near = [
    nearest(
      id,
      choices.map((c) => c.id),
    ),
    nearest(
      id,
      choices.map((c) => c.name.toLowerCase()),
    ),
  ];
  const alike = choices.filter((c) => near.includes(c.id) || near.includes(c.name.toLowerCase()));
  const own = alike.length > 0 || choices.length > few ? alike : choices;
  return own.slice(0, few).flatMap((c) => mended(f, bundle, `“${c.name}” is meant`, () => c.id));
}

/** What can be done about findings of any entry: a name that names nothing, bounds the wrong way round, a code nothing clears. */
export const entryMenders: Menders = {
  'dangling-id': (f, bundle) => [
    ...meant(f, bundle, f.wanted.id),
    ...mended(f, bundle, `Take “${f.wanted.id}” out there`, () => undefined),
  ],
  'part-unknown': (f, bundle) => meant(f, bundle, f.id),
  'carried-over': (f, bundle) => mendedWhole(f, bundle, 'It is so here too', lookedAt),
  'least-over-most': (f, bundle) =>
    mended(f, bundle, 'Change the two round', (v) => {
      const own = v as { least: unknown; most: unknown };
      return { ...own, least: own.most, most: own.least };
    }),
  'bounds-upside-down': (f, bundle) =>
    mended(f, bundle, 'Change the two round', (v) => {
      const own = v as { from: unknown; to?: unknown; below?: unknown };
      return 'below' in own ? { ...own, from: own.below, below: own.from } : { ...own, from: own.to, to: own.from };
    }),
  'chart-without-clear': (f, bundle) => {
    const code = entryOf(f, bundle, 'code');
    if (!code) return [];
    return entriesOf(bundle, 'route')
      .filter((r) => r.purpose === 'clear' && (r.onlyFor.length === 0 || r.onlyFor.includes(code.id)))
      .slice(0, 4)
      .map((r) => ({ words: `It is erased by “${r.name}”`, entries: [{ ...code, clear: r.id }] }));
  },
};
