import { classed, plainCode, squeezed } from '../code/alike.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Code, Symptom } from '../model/code.ts';
import { entriesOf, familyEntry } from '../model/select.ts';
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
}>;
export type FindFamily = Readonly<{
  id: string;
  name: string;
  /** Names it goes by beside its own: badges, what it is, how one knows it. */
  otherNames: readonly string[];
  docs: readonly FindDoc[];
}>;

/** One spelling that stands in the library, with everything that is spelled so. */
export type Spelling = Readonly<{ squeezed: string; plain: string; docs: number[] }>;
export type FindIndex = Readonly<{
  families: ReadonlyArray<Readonly<{ id: string; name: string; from: number; to: number }>>;
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

const docOf = (entry: Code | Symptom): FindDoc => ({
  kind: entry.kind,
  id: entry.id,
  text: entry.kind === 'code' ? entry.text : '',
  title: entry.title,
  saw: entry.saw,
  suspects: entry.suspects.map((s) => s.label),
  frequency: entry.frequency,
});

/** What the index needs of a bundle. */
export function findFamilyOf(bundle: Bundle): FindFamily {
  const family = familyEntry(bundle);
  return {
    id: family.id,
    name: family.name,
    otherNames: [...family.badges.map((b) => b.name), family.sort, family.summary, ...family.recognisedBy],
    docs: [...entriesOf(bundle, 'code'), ...entriesOf(bundle, 'symptom')].map(docOf),
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
  const byShortened = new Map<string, number[]>();
  for (const family of families) {
    const number = rows.length;
    const from = docs.length;
    for (const text of [family.id, family.name, ...family.otherNames])
      for (const word of wordsOf(text)) push(familyWords, word, number);
    // a name such as "G4" is told in one word or two
    push(familyWords, wordsOf(family.name).join(''), number);
    for (const doc of family.docs) {
      const place = docs.length;
      docs.push(doc);
      owners.push(number);
      spelled.push(0);
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
    rows.push({ id: family.id, name: family.name, from, to: docs.length });
  }
  return {
    families: rows,
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
