import type { SignId } from '../base/ids.ts';
import { type LampColour, lampColours } from '../model/lamp.ts';
import { joinedByDash, numberAt, ordinalOf, timesOf } from '../spoken/numbers.ts';
import { endOf, isMiddle, type SpokenPlace } from '../spoken/places.ts';

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

function namedAt(words: readonly string[], at: number, names: CallerNames): Scan | null {
  for (const { words: label, stage } of names.stages) {
    // quick ones are blinks, the ones are a figure
    if (label[0] === 'ones' && words[at - 1] !== 'the') continue;
    if (label.every((w, i) => words[at + i] === w)) return { word: { kind: 'stage', stage }, used: label.length };
  }
  for (const { words: label, signs } of names.signs) {
    if (!label.every((w, i) => words[at + i] === w)) continue;
    // "a" alone is more often an article, and a figure is a number first
    if (label.length === 1 && /^\d+$/.test(label[0] ?? '')) continue;
    if (label.length === 1 && label[0] === 'a' && !endsThere(words[at + 1])) continue;
    return { word: { kind: 'name', signs }, used: label.length };
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

const durations =
  /\b(?:for |after |about |like |another |roughly )*(?:a |an |one |two |three |four |five |six |ten |few |\d+(?:[.,]\d+)? ?|couple of |half a |several |some )+(?:seconds?|secs?|minutes?|mins?)\b(?: or so| later)?/gi;

/** What was said, in plain words: corrections marked, phrases that mean one thing made one word. */
function plainly(said: string): string {
  return (
    said
      .slice(0, 400)
      .replace(/[’`]/g, "'")
      .replace(/(\w)'s\b/g, '$1 is')
      .replace(joinedByDash, '$1 ')
      .replace(/\b(?:but )?all the (?:others|rest)\b/gi, ' rest on ')
      .replace(/\b(?:um+|uh+|er+|erm)\b,?/gi, ' ')
      .replace(
        /\b(?:no,? (?:wait|sorry|hang on|make that)|hang on|hold on|sorry,?(?: no)?|wait,? no|i mean|scratch that|correction|rather)\b,?/gi,
        ' §correct ',
      )
      .replace(/([.,;] ?)no, /gi, '$1§correct ')
      .replace(durations, ' ')
      .replace(/\b(?:does not|doesn't|never|won't) (?:go|goes) (?:off|out)\b/gi, ' lit ')
      .replace(/\b(?:is not|isn't|not|aren't) (?:on|lit)\b/gi, ' off ')
      .replace(/\b(?:can ?not|can't|couldn't) (?:tell|see|be sure|say|read|make out)(?: about| of)?\b/gi, ' unsure ')
      .replace(/\bnot sure (?:about|of)?\b/gi, ' unsure ')
      .replace(/\b(?:could|might|may) (?:also )?be\b/gi, ' or ')
      .replace(/\bone of (?:them|the (?:lamps|lights|leds))\b/gi, ' ')
      // how many there are says no more than which they are
      .replace(/\b(?:two|three|four|five|six|\d) (?:lamps|lights|leds)(?: are)?(?: on| lit| up)?(?=[,:])/gi, ' ')
      .replace(/\b(?:one |a )?(?:long |short )?(?:pause|gap|break) (?:in )?between\b,?/gi, ' ')
      .replace(/\b(?:two|three|four) (red|green|amber|white|blue|yellow)s\b/gi, ' all $1 ')
      .replace(/\b(?:the )?other (?:one|two|three|four|five|ones|lamps?|lights?)\b/gi, ' rest ')
      .replace(/\bnothing else\b|\bthat is all\b|\bthe whole time\b/gi, ' ')
      .replace(/\band so (?:is|are|does|do)\b|\bsame (?:for|with)\b/gi, ' ditto ')
      .replace(/\bbefore that\b|\bthe rest of the time\b/gi, ' otherwise ')
      .replace(/\bafter that\b|\bfollowed by\b|\band then\b|\bover and over\b|\bthen again\b/gi, (m) =>
        /over/i.test(m) ? ' ' : ' then ',
      )
      .replace(/\bstays on (?:for )?longer,? like a long one\b/gi, ' long ')
      .replace(/\b(?:stays?|stayed|goes|is|are) on\b/gi, ' lit ')
      .replace(/\bthe one (?=on|in|at|next|below|above|to|for|with|of)/gi, 'the ')
      .replace(/\b(?:once|twice|\w+ times) over\b/gi, ' ')
      .replace(/\b(first|second|third|fourth|fifth|sixth|last|left|right|middle|top|bottom) one\b/gi, '$1')
      .replace(/\b(the|this|that) ((?:far |very )?[a-z0-9]+) one\b/gi, '$1 $2')
      .replace(/\b(\w+) over (red|green|amber|white|blue|yellow|dark|off)\b/gi, 'top $1, bottom $2')
      .replace(/\b(?:apart|aside) from\b|\bother than\b|\bbesides\b/gi, ' except ')
      .replace(
        /\bthe (?:whole|entire) (?:row|lot|line|panel)\b|\ball the (?:lamps|lights|leds)\b|\bthe lot\b/gi,
        ' all ',
      )
      .replace(/\ball (?:of them|two|three|four|five|six)\b|\bboth of them\b/gi, ' all ')
      .replace(/\bof them\b/gi, ' ')
  );
}

/** The words of what was said, in small letters; stops stand alone. */
export const spokenWords = (said: string): string[] =>
  said.match(/§correct|[\p{L}\p{N}][\p{L}\p{N}'’-]*|[,.;:!?]|\n|→|\|/gu)?.map((w) => w.toLowerCase()) ?? [];

/** Reads what was said of lamps and blinks as words; `unread` are those nothing is made of. */
export function callerWords(said: string, names: CallerNames): { words: CallerWord[]; unread: string[] } {
  const spoken = spokenWords(plainly(said));
  const words: CallerWord[] = [];
  const unread: string[] = [];
  for (let at = 0; at < spoken.length; ) {
    const { word, used } = wordAt(spoken, at, names);
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
    // whoever begins a thing again begins it where it was
    if (next && last >= 0) made.splice(last, made.slice(last + 1).some(tells) ? 1 : made.length - last);
  });
  return made;
}
