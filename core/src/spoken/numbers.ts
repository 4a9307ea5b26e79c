const ones = [
  'zero',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
  'sixteen',
  'seventeen',
  'eighteen',
  'nineteen',
];
const tens = ['twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];

/** Numbers in one word: `seven`, `nineteen`, `forty`. */
export const numberWords: Readonly<Record<string, number>> = Object.fromEntries([
  ...ones.map((word, n) => [word, n] as const),
  ...tens.map((word, i) => [word, (i + 2) * 10] as const),
  ['nought', 0],
  ['naught', 0],
  ['dozen', 12],
]);

const ordinalWords = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];

/** A word run together with the next by a dash, as in short-short-long; twenty-one is one number. */
export const joinedByDash = /\b(?!(?:twen|thir|for|fif|six|seven|eigh|nine)ty-)([a-z]+)-(?=[a-z])/gi;

/** Which place a word names, counted from 1: `third`, `2nd`. Null where it is none. */
export function ordinalOf(word: string): number | null {
  const at = ordinalWords.indexOf(word);
  if (at >= 0) return at + 1;
  const [, digits] = /^(\d{1,2})(?:st|nd|rd|th)$/.exec(word) ?? [];
  return digits === undefined ? null : Number(digits);
}

const timesWords: Readonly<Record<string, number>> = { once: 1, twice: 2, thrice: 3 };

/** How often, in one word: `twice`, `3x`, `×3`. Null where it is none. */
export function timesOf(word: string): number | null {
  const known = timesWords[word];
  if (known !== undefined) return known;
  const [, before, after] = /^(?:(\d{1,2})[x×]|[x×](\d{1,2}))$/.exec(word) ?? [];
  const digits = before ?? after;
  return digits === undefined ? null : Number(digits);
}

/** A number as it was said over one or more words. */
export type SpokenNumber = Readonly<{ value: number; words: number; typed: boolean }>;

/**
 * The number some words begin with: `twenty one`, `thirty-seven`, `four hundred and twelve`, `12`. Figures said one after
 * the other (`one oh three`) are numbers of their own. Null where they begin with none.
 */
export function numberAt(words: readonly string[], from = 0): SpokenNumber | null {
  const word = words[from] ?? '';
  if (/^\d{1,6}$/.test(word)) return { value: Number(word), words: 1, typed: true };
  const [ten = '', one = ''] = word.split('-');
  if (one !== '' && tens.includes(ten) && (numberWords[one] ?? 99) < 10)
    return { value: (numberWords[ten] ?? 0) + (numberWords[one] ?? 0), words: 1, typed: false };
  let value = numberWords[word];
  if (value === undefined && word === 'hundred') return { value: 100, words: 1, typed: false };
  if (value === undefined) return null;
  let used = 1;
  const next = numberWords[words[from + 1] ?? ''];
  if (tens.includes(word) && next !== undefined && next > 0 && next < 10) {
    value += next;
    used += 1;
  }
  if (words[from + used] !== 'hundred') return { value, words: used, typed: false };
  value *= 100;
  used += 1;
  const rest = numberAt(words, from + used + (words[from + used] === 'and' ? 1 : 0));
  if (!rest || rest.typed || rest.value >= 100) return { value, words: used, typed: false };
  return {
    value: value + rest.value,
    words: used + rest.words + (words[from + used] === 'and' ? 1 : 0),
    typed: false,
  };
}
