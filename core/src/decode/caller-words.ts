/** A word somebody says of lamps, blinks and displays. */
export type CallerWord =
  | Readonly<{ kind: 'number'; n: number; text: string }>
  | Readonly<{ kind: 'ordinal'; n: number }>
  | Readonly<{ kind: 'name'; text: string }>
  | Readonly<{ kind: 'times'; n: number }>
  | Readonly<{
      kind: 'state';
      state: 'on' | 'lit' | 'steady' | 'off' | 'dark' | 'blinks' | 'slow' | 'fast' | 'dim' | 'unsure';
    }>
  | Readonly<{ kind: 'length'; length: 's' | 'l' }>
  | Readonly<{ kind: 'sign'; text: string }>
  | Readonly<{ kind: 'all' | 'none' | 'except' | 'or' }>;

const numberWords = [
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
];
const ordinals = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];
const times: Readonly<Record<string, number>> = { once: 1, twice: 2, thrice: 3 };
type State = Extract<CallerWord, { kind: 'state' }>['state'];
const states: Readonly<Record<string, State>> = {
  on: 'on',
  lit: 'lit',
  lights: 'lit',
  steady: 'steady',
  solid: 'steady',
  off: 'off',
  out: 'off',
  dark: 'dark',
  blinks: 'blinks',
  blink: 'blinks',
  blinking: 'blinks',
  flashes: 'blinks',
  flash: 'blinks',
  flashing: 'blinks',
  slow: 'slow',
  slowly: 'slow',
  fast: 'fast',
  quick: 'fast',
  quickly: 'fast',
  dim: 'dim',
  faint: 'dim',
  unsure: 'unsure',
  unclear: 'unsure',
  maybe: 'unsure',
};
const signs: Readonly<Record<string, string>> = {
  dash: '-',
  minus: '-',
  hyphen: '-',
  dot: '.',
  point: '.',
  slash: '/',
};
/** Words that say nothing here. */
const filler = new Set(
  (
    "the a an and is are it its it's lamp lamps light led leds number numbers from of at in row there i see shows show " +
    'showing says reads display with time times beep beeps pause only just ones left both now while code letter digit ' +
    'digits character'
  ).split(' '),
);

const chunkEnd = /\b(?:and then|then|after that|next|followed by)\b|;|\n|→|\|/gi;

function wordOf(raw: string, known: ReadonlySet<string>): CallerWord | null | 'filler' {
  const word = raw.toLowerCase();
  // a label printed on the panel goes before every other sense, except that "a" alone is more often an article
  if (known.has(word) && !/^\d+$/.test(word) && word !== 'a') return { kind: 'name', text: word };
  if (/^\d{1,6}$/.test(word)) return { kind: 'number', n: Number(word), text: word };
  const n = numberWords.indexOf(word);
  if (n >= 0) return { kind: 'number', n, text: String(n) };
  const th = /^(\d{1,2})(?:st|nd|rd|th)$/.exec(word);
  if (th) return { kind: 'ordinal', n: Number(th[1]) };
  const o = ordinals.indexOf(word);
  if (o >= 0) return { kind: 'ordinal', n: o + 1 };
  if (times[word] !== undefined) return { kind: 'times', n: times[word] };
  const x = /^(\d{1,2})(?:x|×)$/.exec(word);
  if (x) return { kind: 'times', n: Number(x[1]) };
  if (states[word]) return { kind: 'state', state: states[word] };
  if (word === 'long' || word === 'longs') return { kind: 'length', length: 'l' };
  if (word === 'short' || word === 'shorts') return { kind: 'length', length: 's' };
  if (signs[word] || /^[-./=_]$/.test(word)) return { kind: 'sign', text: signs[word] ?? word };
  if (word === 'all' || word === 'every') return { kind: 'all' };
  if (word === 'none' || word === 'nothing') return { kind: 'none' };
  if (word === 'except' || word === 'but' || word === 'without') return { kind: 'except' };
  if (word === 'or') return { kind: 'or' };
  if (known.has(word)) return { kind: 'name', text: word };
  if (filler.has(word)) return 'filler';
  if (/^[a-z0-9][a-z0-9\-./]{0,11}$/i.test(raw) && (raw.length === 1 || /\d/.test(raw) || raw === raw.toUpperCase()))
    return { kind: 'name', text: word };
  return null;
}

/** Cuts what was said into stages and words. `known`: labels printed on the panel, in lower case. */
export function wordsOf(
  said: string,
  known: ReadonlySet<string>,
): { chunks: CallerWord[][]; unread: string[]; fromRight: boolean } {
  const fromRight = /\b(?:from (?:the )?right|right to left)\b/i.test(said);
  const plain = said
    .slice(0, 400)
    .replace(/\b(?:from (?:the )?(?:left|right)|(?:left to right)|(?:right to left))\b/gi, ' ')
    .replace(/\b(?:can ?not|can['’]?t) (?:tell|see|be sure of)\b|\bnot sure (?:about|of)?\b/gi, ' unsure ')
    .replace(
      /\b(\d+(?:st|nd|rd|th)|first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth|this|that|the) one\b(?! is\b)/gi,
      '$1',
    )
    .replace(/\bdouble (\w+)\b/gi, '$1 $1');
  const unread: string[] = [];
  const chunks = plain
    .split(chunkEnd)
    .map((chunk) =>
      chunk
        .split(/[\s,:()]+/)
        .map((w) => w.replace(/^[.!?"“”]+|[.!?"“”]+$/g, ''))
        .filter((w) => w !== '')
        .flatMap((raw): CallerWord[] => {
          const word = wordOf(raw, known);
          if (word === null) unread.push(raw);
          return word === null || word === 'filler' ? [] : [word];
        }),
    )
    .filter((chunk) => chunk.length > 0);
  return { chunks, unread, fromRight };
}

/** Counts as they were said, the first one first; further ones are what it may have been as well. */
export function countsOf(words: readonly CallerWord[]): number[] {
  return words.flatMap((w) => (w.kind === 'number' || w.kind === 'times' ? [w.n] : []));
}

/** Long and short as they were said: "two short, one long" as well as "short short long". Null where there is neither. */
export function patternOf(words: readonly CallerWord[]): string | null {
  let count: number | null = null;
  let pattern = '';
  for (const word of words) {
    if (word.kind === 'number') count = Math.min(word.n, 24);
    if (word.kind === 'length') {
      pattern += word.length.repeat(count ?? 1);
      count = null;
    }
  }
  return pattern === '' ? null : pattern.slice(0, 60);
}

/** What a display shows, as it was said: "E three" is E3, "four twelve dash seven" 412-7. */
export function charactersOf(words: readonly CallerWord[]): string {
  return words
    .map((w) => (w.kind === 'number' || w.kind === 'name' || w.kind === 'sign' ? w.text : ''))
    .join('')
    .toUpperCase();
}
