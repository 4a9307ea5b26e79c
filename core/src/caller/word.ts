import type { SignId } from '../base/ids.ts';
import { type LampColour, lampColours } from '../model/lamp.ts';
import { numberAt, ordinalOf, timesOf } from '../spoken/numbers.ts';
import { endOf, isMiddle, type SpokenPlace } from '../spoken/places.ts';
import { plainly } from './plainly.ts';

export type SaidState = 'on' | 'lit' | 'off' | 'blinks' | 'slow' | 'fast' | 'dim' | 'unsure';

/** A word somebody says of lamps and blinks, with what it means there. */
export type CallerWord =
  | Readonly<{ kind: 'number'; n: number }>
  | Readonly<{ kind: 'ordinal'; n: number }>
  | Readonly<{ kind: 'times'; n: number }>
  | Readonly<{ kind: 'name'; signs: readonly SignId[] }>
  | Readonly<{ kind: 'place'; place: SpokenPlace }>
  /** The one beside a lamp that is named. */
  | Readonly<{ kind: 'next-to'; signs: readonly SignId[] }>
  | Readonly<{ kind: 'state'; state: SaidState }>
  | Readonly<{ kind: 'colour'; colour: LampColour }>
  | Readonly<{ kind: 'length'; length: 's' | 'l' }>
  /** Somebody sets right what was said just before. */
  | Readonly<{ kind: 'correct' }>
  /** The end of a clause; of a stage; a change to the stage that is named, or to the other one. */
  | Readonly<{ kind: 'stop' | 'end' | 'then' | 'other-stage' | 'are' }>
  | Readonly<{ kind: 'stage'; stage: number }>
  | Readonly<{ kind: 'all' | 'none' | 'except' | 'or' | 'rest' | 'ditto' | 'only' | 'with' | 'without' }>;

/** What a telling is read against: the names of the signs, and of the stages. */
export type CallerNames = Readonly<{
  /** Spellings of each sign's labels in words, in small letters, with the signs that bear them. */
  signs: ReadonlyArray<Readonly<{ words: readonly string[]; signs: readonly SignId[] }>>;
  stages: ReadonlyArray<Readonly<{ words: readonly string[]; stage: number }>>;
  /** Whether there is more than one stage to tell; whether figures are printed beside the lamps. */
  several: boolean;
  numbered: boolean;
  /** Whether there is a row of lamps to point at. */
  pointed: boolean;
}>;

const states: Readonly<Record<string, SaidState>> = Object.fromEntries(
  (
    [
      ['on', 'on'],
      ['lit', 'lit steady steadily solid glows glowing lights shines constant continuous permanent permanently'],
      ['off', 'off out dark unlit dead not'],
      [
        'blinks',
        'blinks blink blinking blinked flashes flash flashing flashed flickers flickering winks winking beep beeps beeping beeped',
      ],
      ['slow', 'slow slowly'],
      ['fast', 'fast quick quickly rapid rapidly'],
      ['dim', 'dim faint weak dimly'],
      ['unsure', 'unsure unclear'],
    ] as const
  ).flatMap(([state, forms]) => forms.split(' ').map((form) => [form, state] as const)),
);
const lengths: Readonly<Record<string, 's' | 'l'>> = Object.fromEntries(
  (
    [
      ['l', 'long longs longer dash dashes dah'],
      ['s', 'short shorts shorter dot dots di dit'],
    ] as const
  ).flatMap(([length, forms]) => forms.split(' ').map((form) => [form, length] as const)),
);

const plain: Readonly<Record<string, CallerWord>> = {
  are: { kind: 'are' },
  all: { kind: 'all' },
  both: { kind: 'all' },
  every: { kind: 'all' },
  everything: { kind: 'all' },
  none: { kind: 'none' },
  nothing: { kind: 'none' },
  except: { kind: 'except' },
  but: { kind: 'except' },
  or: { kind: 'or' },
  maybe: { kind: 'or' },
  perhaps: { kind: 'or' },
  rest: { kind: 'rest' },
  others: { kind: 'rest' },
  only: { kind: 'only' },
  just: { kind: 'only' },
  with: { kind: 'with' },
  when: { kind: 'with' },
  while: { kind: 'with' },
  without: { kind: 'without' },
  ditto: { kind: 'ditto' },
  otherwise: { kind: 'other-stage' },
};
/** Words between two parts of a telling. */
const parting: ReadonlySet<string> = new Set('then next pause pauses gap break stops waits'.split(' '));

/** Words that say nothing here. */
const fillers: ReadonlySet<string> = new Set(
  (
    'the a an and is it its it’s i see sees shows show showing says said reads read display lamp lamps light led leds ' +
    'number numbers from of at in row there was were one ones time times beep beeps left count counted now so ok okay like ' +
    'think code which who makes make goes go do does did you get gets know to for me my that this these those here um uh ' +
    'er well hmm please just also too as then whole stay stays staying have has been be being by coming comes what look ' +
    'looks looking single about around after again over twofold side far very exactly definitely sure service single them ' +
    'because yeah yes'
  ).split(' '),
);

const isPlaceWord = (word: string | undefined): boolean =>
  word !== undefined && (endOf(word) !== null || isMiddle(word) || word === 'top' || word === 'bottom');

type Scan = Readonly<{ word: CallerWord | 'filler' | null; used: number }>;

/** Whether a word can follow a name, and no thing that an article stands before. */
const endsThere = (next: string | undefined): boolean =>
  next === undefined || /^(?:[,.;:]|[a-z]|and|then|or|is|are|lit|on|off|but)$/.test(next);

/** What a figure's name stands behind, and no count of quick ones. */
const beginsThere = /^(?:|[,.;:]|the|and|then)$/;

/** What stands between a lamp and how it is. */
const isAbout: ReadonlySet<string> = new Set(['is', 'was', 'stays', 'goes', 'looks', 'does']);

function namedAt(words: readonly string[], at: number, names: CallerNames): Scan | null {
  for (const { words: label, stage } of names.stages) {
    // quick ones are blinks, the ones are a figure
    if (label[0] === 'ones' && !beginsThere.test(words[at - 1] ?? '') && words[at + 1] !== ':') continue;
    if (label.every((w, i) => words[at + i] === w)) return { word: { kind: 'stage', stage }, used: label.length };
  }
  for (const { words: label, signs } of names.signs) {
    if (!label.every((w, i) => words[at + i] === w)) continue;
    // "a" alone is more often an article, and a figure is a number first
    if (label.length === 1 && /^\d+$/.test(label[0] ?? '')) continue;
    if (label.length === 1 && label[0] === 'a' && !endsThere(words[at + 1])) continue;
    // the upper one is out: that one counts nothing
    const one = words[at + label.length] === 'one' && isAbout.has(words[at + label.length + 1] ?? '');
    return { word: { kind: 'name', signs }, used: label.length + (one ? 1 : 0) };
  }
  return null;
}

/** Skips articles and the like from a place on. */
const skip = (words: readonly string[], at: number): number => {
  let i = at;
  while (words[i] === 'the' || words[i] === 'very' || words[i] === 'far') i += 1;
  return i;
};

function placeAt(words: readonly string[], at: number, names: CallerNames): Scan | null {
  const word = words[at] ?? '';
  const put = (place: SpokenPlace, used: number): Scan => ({ word: { kind: 'place', place }, used });
  const n = ordinalOf(word);
  // the first three, the last two, the second from the right
  const many = numberAt(words, at + 1);
  if ((n === 1 || word === 'last') && many && many.value > 1 && !many.typed)
    return put({ kind: 'end', end: n === 1 ? 'first' : 'last', count: many.value }, 1 + many.words);
  if (n !== null && words[at + 1] === 'from') {
    const end = endOf(words[skip(words, at + 2)] ?? '');
    if (end) return put({ kind: 'nth', n, from: end }, skip(words, at + 2) + 1 - at);
  }
  const count = numberAt(words, at);
  if (count && count.value > 1 && ['in', 'on', 'at'].includes(words[at + count.words] ?? '')) {
    const to = skip(words, at + count.words + 1);
    const end = endOf(words[to] ?? '');
    if (isMiddle(words[to] ?? '')) return put({ kind: 'middle', count: count.value }, to + 1 - at);
    if (end) return put({ kind: 'end', end, count: count.value }, to + 1 - at);
  }
  if (word === 'outer' || word === 'outside' || word === 'inner' || word === 'inside') {
    const two = numberAt(words, at + 1);
    const used = two ? 1 + two.words : 1;
    return put(word.startsWith('out') ? { kind: 'outer' } : { kind: 'middle', count: two?.value ?? 2 }, used);
  }
  if (word === 'next' && words[at + 1] === 'to') {
    const whom = skip(words, at + 2);
    const other = namedAt(words, whom, names);
    if (other?.word !== null && other?.word !== 'filler' && other?.word.kind === 'name')
      return { word: { kind: 'next-to', signs: other.word.signs }, used: whom + other.used - at };
    return put({ kind: 'beside' }, words[at + 2] === 'it' ? 3 : 2);
  }
  // "on the left" is where, not that it is on
  const from = ['on', 'in', 'at'].includes(word) ? skip(words, at + 1) : at;
  if (from > at && !isPlaceWord(words[from])) return null;
  const end = endOf(words[from] ?? '');
  const these = numberAt(words, from + 1);
  // the right two
  if (end && these && these.value > 1 && !these.typed && words[from + 1 + these.words] !== 'times')
    return put({ kind: 'end', end, count: these.value }, from + 1 + these.words - at);
  if (end) return put({ kind: 'end', end, count: 1 }, from + 1 - at);
  return isMiddle(words[from] ?? '') ? put({ kind: 'middle', count: 1 }, from + 1 - at) : null;
}

function wordAt(words: readonly string[], at: number, names: CallerNames): Scan {
  const word = words[at] ?? '';
  const one = (w: CallerWord | 'filler' | null): Scan => ({ word: w, used: 1 });
  if (word === ',' || word === '.' || word === ';' || word === ':' || word === '!' || word === '?')
    return one({ kind: word === ';' ? 'then' : word === '.' || word === '!' ? 'end' : 'stop' });
  if (word === '\n' || word === '→' || word === '|') return one({ kind: 'then' });
  if (word === '§correct') return one({ kind: 'correct' });
  const named = namedAt(words, at, names) ?? (names.pointed ? placeAt(words, at, names) : null);
  if (named) return named;
  if (word === 'number' && !names.numbered) {
    const which = numberAt(words, at + 1);
    if (which) return { word: { kind: 'ordinal', n: which.value }, used: 1 + which.words };
  }
  const often = timesOf(word);
  if (often !== null) return one({ kind: 'times', n: often });
  const number = numberAt(words, at);
  if (number) {
    const after = words[at + number.words];
    return after === 'times' || after === 'time'
      ? { word: { kind: 'times', n: number.value }, used: number.words + 1 }
      : { word: { kind: 'number', n: number.value }, used: number.words };
  }
  const n = ordinalOf(word);
  // "first" without its article is when, not which
  if (n !== null) return one(n === 1 && names.several && words[at - 1] !== 'the' ? 'filler' : { kind: 'ordinal', n });
  if (parting.has(word)) return one({ kind: names.several ? 'then' : 'stop' });
  const known = plain[word];
  if (known) return one(known);
  const state = states[word];
  if (state) return one({ kind: 'state', state });
  const length = lengths[word];
  if (length) return one({ kind: 'length', length });
  const colour = lampColours.find((c) => c === word || (word === 'orange' && c === 'amber'));
  if (colour) return one({ kind: 'colour', colour });
  return one(fillers.has(word) ? 'filler' : null);
}

/** The words of what was said, in small letters; stops stand alone. */
export const spokenWords = (said: string): string[] =>
  said.match(/§correct|[\p{L}\p{N}][\p{L}\p{N}'’-]*|[,.;:!?]|\n|→|\|/gu)?.map((w) => w.toLowerCase()) ?? [];

/** Yes or no, said of a lamp that was just named. */
function answered(before: CallerWord | undefined, word: string | undefined): Scan | null {
  if (before?.kind !== 'name' || (word !== 'yes' && word !== 'no')) return null;
  return { word: { kind: 'state', state: word === 'yes' ? 'on' : 'off' }, used: 1 };
}

/** Reads what was said of lamps and blinks as words; `unread` are those nothing is made of. */
export function callerWords(said: string, names: CallerNames): { words: CallerWord[]; unread: string[] } {
  const spoken = spokenWords(plainly(said));
  const words: CallerWord[] = [];
  const unread: string[] = [];
  for (let at = 0; at < spoken.length; ) {
    const { word, used } = answered(words.at(-1), spoken[at]) ?? wordAt(spoken, at, names);
    if (word === null) unread.push(spoken[at] ?? '');
    else if (word !== 'filler') words.push(word);
    at += Math.max(1, used);
  }
  return { words: corrected(words), unread };
}

/** Whether a word tells anything, and does not only part what was told. */
export const tells = (word: CallerWord): boolean =>
  !['stop', 'end', 'are', 'then', 'stage', 'other-stage', 'with', 'without', 'or', 'only'].includes(word.kind);

/** What a correction takes back: the last thing of the sort that follows. */
function corrected(words: readonly CallerWord[]): CallerWord[] {
  const made: CallerWord[] = [];
  const sort = (w: CallerWord | undefined): string =>
    w?.kind === 'number' || w?.kind === 'times'
      ? 'count'
      : w?.kind === 'ordinal' || w?.kind === 'place'
        ? 'name'
        : (w?.kind ?? '');
  words.forEach((word, i) => {
    if (word.kind !== 'correct') {
      made.push(word);
      return;
    }
    const next = words.slice(i + 1).find((w) => ['count', 'name', 'state', 'colour', 'length'].includes(sort(w)));
    const last = made.findLastIndex((w) => sort(w) === sort(next));
    // all of it once more, where as many follow as there were
    const lengths = (all: readonly CallerWord[]) => all.filter((w) => w.kind === 'length').length;
    if (next?.kind === 'length' && last >= 0 && lengths(words.slice(i + 1)) >= Math.max(2, lengths(made))) {
      made.length = made.findIndex((w) => w.kind === 'length' || w.kind === 'number');
      return;
    }
    // whoever begins a thing again begins it where it was
    if (next && last >= 0) made.splice(last, made.slice(last + 1).some(tells) ? 1 : made.length - last);
  });
  return made;
}
