/** Words of a library with the numbers of what holds them; finds a word whole, by its beginning, or with one slip. */
export type Vocabulary = Readonly<{
  words: readonly string[];
  /** Rising numbers of what holds the word, by the word's place in `words`. */
  holders: ReadonlyArray<Uint32Array>;
  places: ReadonlyMap<string, number>;
  /** Places of words from which one letter was taken away. */
  shortened: ReadonlyMap<string, readonly number[]>;
}>;

/** How a typed word met a known one; 0 whole, then by its beginning, then with a slip. */
export type WordMatch = Readonly<{ place: number; word: string; how: 'whole' | 'beginning' | 'slip' }>;

const accents = /\p{Diacritic}/gu;

/** Splits a text into words as they are kept: lower case, without accents. */
export function wordsOf(text: string): string[] {
  return (
    text
      .normalize('NFD')
      .replace(accents, '')
      .toLowerCase()
      .match(/[\p{L}\p{N}]+/gu) ?? []
  );
}

/** Every form of a word with one letter left out. */
export function withoutOne(word: string): string[] {
  const forms = new Set<string>();
  for (let i = 0; i < word.length; i++) forms.add(word.slice(0, i) + word.slice(i + 1));
  return [...forms];
}

const leastForSlip = 5;

export function makeVocabulary(holdersByWord: ReadonlyMap<string, readonly number[]>): Vocabulary {
  const words = [...holdersByWord.keys()].sort();
  const places = new Map(words.map((word, i) => [word, i]));
  const shortened = new Map<string, number[]>();
  words.forEach((word, i) => {
    if (word.length < leastForSlip) return;
    for (const form of withoutOne(word)) {
      const list = shortened.get(form);
      if (list) list.push(i);
      else shortened.set(form, [i]);
    }
  });
  return { words, holders: words.map((w) => Uint32Array.from(holdersByWord.get(w) ?? [])), places, shortened };
}

/** Whether two words are one letter left out, put in, changed or swapped apart. */
function isOneSlip(a: string, b: string): boolean {
  if (a.length > b.length) return isOneSlip(b, a);
  let i = 0;
  while (i < a.length && a[i] === b[i]) i++;
  if (b.length === a.length + 1) return a.slice(i) === b.slice(i + 1);
  if (b.length !== a.length) return false;
  return (
    a.slice(i + 1) === b.slice(i + 1) || (a[i] === b[i + 1] && a[i + 1] === b[i] && a.slice(i + 2) === b.slice(i + 2))
  );
}

const endings = /(?:ings?|ed|es|s|er|ers|ly|n't)$/;
/** A word without its ending, where enough is left of it: `heating` is `heat`. */
export const stemOf = (word: string): string => {
  const stem = word
    .replace(endings, '')
    .replace(/([a-z])\1$/, '$1')
    .replace(/e$/, '');
  return stem.length >= 4 ? stem : word;
};

/** Known words a typed one may mean: the word itself, else words it begins, else words one slip away. */
export function matchWord(vocabulary: Vocabulary, typed: string, most = 40): WordMatch[] {
  const { words, places, shortened } = vocabulary;
  const found: WordMatch[] = [];
  const whole = places.get(typed);
  if (whole !== undefined) found.push({ place: whole, word: typed, how: 'whole' });
  const stem = stemOf(typed);
  const own = places.get(stem);
  if (stem !== typed && own !== undefined) found.push({ place: own, word: stem, how: 'whole' });
  if (typed.length >= 3) {
    let low = 0;
    let high = words.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((words[middle] ?? '') < stem) low = middle + 1;
      else high = middle;
    }
    for (let i = low; i < words.length && found.length < most; i++) {
      const word = words[i] ?? '';
      if (!word.startsWith(stem)) break;
      // of a word with an ending only what is the same word in another form
      if (word === typed || (stem !== typed && !word.startsWith(typed) && stemOf(word) !== stem)) continue;
      if (word !== stem || stem === typed) found.push({ place: i, word, how: 'beginning' });
    }
  }
  if (found.length > 0 || typed.length < leastForSlip - 1) return found;
  const near = new Set<number>(shortened.get(typed) ?? []);
  for (const form of withoutOne(typed)) {
    const place = places.get(form);
    if (place !== undefined && form.length >= leastForSlip - 1) near.add(place);
    for (const p of shortened.get(form) ?? []) near.add(p);
  }
  for (const place of near) {
    const word = words[place] ?? '';
    if (isOneSlip(typed, word)) found.push({ place, word, how: 'slip' });
  }
  return found.slice(0, most);
}
