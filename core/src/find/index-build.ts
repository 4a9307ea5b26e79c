import { classed, plainCode, squeezed } from '../code/alike.ts';
import { showsCode } from '../decode/controllers.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Code, Symptom } from '../model/code.ts';
import type { Readout } from '../model/readout.ts';
import { isRhythmic } from '../model/reads.ts';
import { entriesOf, familyEntry } from '../model/select.ts';
import { encode } from '../readout/encode.ts';
import { leadMark } from './rhythm.ts';
import { makeVocabulary, type Vocabulary, withoutOne, wordsOf } from './vocabulary.ts';

/** What is found: a code or a symptom with the words people may look for it by. */
export type FindDoc = Readonly<{
  kind: 'code' | 'symptom';
  id: string;
  /** The code as the unit shows it; empty for a symptom. */
  text: string;
  title: string;
  saw: string;
  suspects: readonly string[];
  frequency: number;
  /** How it blinks or beeps: short and long, stage by stage; null where it shows otherwise. */
  rhythm?: string | null;
}>;
export type FindFamily = Readonly<{
  id: string;
  name: string;
  /** Names it goes by beside its own: badges, what it is, how one knows it. */
  otherNames: readonly string[];
  /** What it is called by whoever stands before it: its own name and those on its badges. */
  badges?: readonly string[];
  /** Whether a number behind a code says where: which unit, which part. */
  hasSub?: boolean;
  docs: readonly FindDoc[];
}>;

/** One spelling that stands in the library, with everything that is spelled so. */
export type Spelling = Readonly<{ squeezed: string; plain: string; docs: number[] }>;
export type FindIndex = Readonly<{
  families: ReadonlyArray<Readonly<{ id: string; name: string; from: number; to: number; hasSub: boolean }>>;
  /** Families by a whole name of theirs, its words run together by blanks. */
  byName: ReadonlyMap<string, readonly number[]>;
  /** Docs by how they blink. */
  byRhythm: ReadonlyMap<string, readonly number[]>;
  docs: readonly FindDoc[];
  familyOf: Uint32Array;
  /** Place of each doc's spelling; of no use where it has no code. */
  spellingOf: Uint32Array;
  familyWords: Vocabulary;
  words: Vocabulary;
  spellings: readonly Spelling[];
  /** Places of spellings by their look-alike class, and by that with one character taken away. */
  byClass: ReadonlyMap<string, readonly number[]>;
  byShortened: ReadonlyMap<string, readonly number[]>;
}>;

/** How a code blinks on the first readout that shows it in time: `sss ssss`, or with long ones. */
function rhythmOf(code: Code, readouts: readonly Readout[]): string | null {
  for (const readout of readouts) {
    if (!showsCode(readout, code) || !readout.stages.every(({ reads }) => isRhythmic(reads))) continue;
    const shows = encode(readout, code.text);
    const led = readout.stages.some(({ reads }) => 'leadIn' in reads && reads.leadIn !== undefined);
    if (shows.ok) return [...(led ? [leadMark] : []), ...shows.value.map((s) => s.pattern ?? '')].join(' ');
  }
  return null;
}

const docOf = (entry: Code | Symptom, readouts: readonly Readout[]): FindDoc => ({
  kind: entry.kind,
  id: entry.id,
  text: entry.kind === 'code' ? entry.text : '',
  title: entry.title,
  saw: entry.saw,
  suspects: entry.suspects.map((s) => s.label),
  frequency: entry.frequency,
  rhythm: entry.kind === 'code' ? rhythmOf(entry, readouts) : null,
});

/** What the index needs of a bundle. */
export function findFamilyOf(bundle: Bundle): FindFamily {
  const family = familyEntry(bundle);
  const readouts = entriesOf(bundle, 'readout');
  return {
    id: family.id,
    name: family.name,
    badges: family.badges.map((b) => b.name),
    hasSub: readouts.some((r) => r.sub !== undefined),
    otherNames: [
      ...family.badges.map((b) => b.name),
      family.sort,
      family.summary,
      ...family.recognisedBy,
      // what people call its controls is what they know it by
      ...entriesOf(bundle, 'panel').flatMap((p) =>
        p.faces.flatMap((f) => f.controls.flatMap((c) => c.alsoCalled ?? [])),
      ),
    ],
    docs: [...entriesOf(bundle, 'code'), ...entriesOf(bundle, 'symptom')].map((entry) => docOf(entry, readouts)),
  };
}

const push = <K>(map: Map<K, number[]>, key: K, value: number): void => {
  const list = map.get(key);
  if (!list) map.set(key, [value]);
  else if (list.at(-1) !== value) list.push(value);
};

/** Builds the index over all families at once. It holds no bundle; it is made anew when one changes. */
export function buildFindIndex(families: Iterable<FindFamily>): FindIndex {
  const rows: Array<FindIndex['families'][number]> = [];
  const docs: FindDoc[] = [];
  const owners: number[] = [];
  const spelled: number[] = [];
  const familyWords = new Map<string, number[]>();
  const words = new Map<string, number[]>();
  const spellings: Array<{ squeezed: string; plain: string; docs: number[] }> = [];
  const bySpelling = new Map<string, number>();
  const byClass = new Map<string, number[]>();
  const byName = new Map<string, number[]>();
  const byRhythm = new Map<string, number[]>();
  const byShortened = new Map<string, number[]>();
  for (const family of families) {
    const number = rows.length;
    const from = docs.length;
    for (const text of [family.id, family.name, ...family.otherNames])
      for (const word of wordsOf(text)) push(familyWords, word, number);
    // a name such as "G4" is told in one word or two
    push(familyWords, wordsOf(family.name).join(''), number);
    for (const name of [family.name, ...(family.badges ?? [])]) push(byName, wordsOf(name).join(' '), number);
    for (const doc of family.docs) {
      const place = docs.length;
      docs.push(doc);
      owners.push(number);
      spelled.push(0);
      if (doc.rhythm) push(byRhythm, doc.rhythm, place);
      for (const text of [doc.title, doc.saw, ...doc.suspects])
        for (const word of wordsOf(text)) push(words, word, place);
      if (doc.kind !== 'code') continue;
      const tight = squeezed(doc.text);
      let spelling = bySpelling.get(tight);
      if (spelling === undefined) {
        spelling = spellings.length;
        bySpelling.set(tight, spelling);
        const plain = plainCode(doc.text);
        spellings.push({ squeezed: tight, plain, docs: [] });
        for (const key of new Set([classed(tight), classed(plain)])) {
          push(byClass, key, spelling);
          for (const form of withoutOne(key)) push(byShortened, form, spelling);
        }
      }
      spelled[place] = spelling;
      spellings[spelling]?.docs.push(place);
    }
    rows.push({ id: family.id, name: family.name, from, to: docs.length, hasSub: family.hasSub ?? false });
  }
  return {
    families: rows,
    byName,
    byRhythm,
    docs,
    familyOf: Uint32Array.from(owners),
    spellingOf: Uint32Array.from(spelled),
    familyWords: makeVocabulary(familyWords),
    words: makeVocabulary(words),
    spellings,
    byClass,
    byShortened,
  };
}
