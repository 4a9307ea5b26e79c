import { actOf, clickWords, unitMs } from './lexicon.ts';
import { type Called, mentionAt } from './mentions.ts';
import { oddsBy } from './odds.ts';
import { added } from './rewrite.ts';
import { bias, weights } from './stops-learnt.ts';
import type { Word } from './text.ts';

/** What a word does in a sentence, as far as that says where one begins. */
const kinds: ReadonlyMap<string, string> = new Map(
  Object.entries({
    det: 'the a an my your his her its our their this these those each every any some both all no another which what',
    prep: 'of at with by from for into onto under behind beside above below over near between through during without within until till inside',
    place: 'in on out off up down back again open shut closed away together there here',
    joins: 'and but or so because if when while once after before as than that who where how unless since',
    is: "is are was were be been being am has have had will can must should may do does did don't doesn't won't can't could would isn't it's that's there's you're you've i'm i've we're let's",
    who: 'i you we he she it they one nobody somebody everybody nothing',
    whom: 'me him them us yourself',
    how: 'then now just only not never always first also still even very quite really about next please',
    talk: 'okay ok right well alright anyway yes no good thank thanks hello hi dear sorry',
  }).flatMap(([kind, words]) => words.split(' ').map((word) => [word, kind] as const)),
);

/** What a word is for the unit: the name of a key, of what is put somewhere or of a sign, or a word within such a name. */
type Name = 'key' | 'put' | 'sign' | 'within' | '';
type Parts = Readonly<{ words: readonly Word[]; starts: readonly Name[]; ends: readonly Name[] }>;

/** The words with what is named by them. */
export function partsOf(words: readonly Word[], called: Called): Parts {
  const starts: Name[] = words.map(() => '');
  const ends: Name[] = words.map(() => '');
  for (let i = 0; i < words.length; ) {
    const control = mentionAt(words, i, called.controls);
    const named = control ?? mentionAt(words, i, called.signs);
    const name = control ? (control.of.mechanism.kind === 'push' ? 'key' : 'put') : named ? 'sign' : '';
    const length = named?.length ?? 1;
    for (let k = i; k < i + length; k += 1) {
      starts[k] = k === i ? name : 'within';
      ends[k] = k === i + length - 1 ? name : 'within';
    }
    i += length;
  }
  return { words, starts, ends };
}

function kindOf({ words }: Parts, i: number, name: Name): string {
  const w = words[i];
  if (!w) return 'none';
  if (name !== '') return name;
  const own = kinds.get(w.word);
  if (own !== undefined) return own;
  if (actOf.has(w.word)) return 'act';
  if (w.word in unitMs) return 'unit';
  if (clickWords.has(w.word) || /^times?$/.test(w.word)) return 'times';
  if (w.value !== null) return 'number';
  return /(?:ly|ing|s)$/.exec(w.word)?.[0] ?? 'other';
}

/** What speaks for or against a sentence beginning at a word: that word, those around it, and what they are. */
export function cluesAt(parts: Parts, i: number): string[] {
  const { words, starts, ends } = parts;
  const word = (k: number): string => words[k]?.word ?? '';
  const [p, w, q] = [word(i - 1), word(i), word(i + 1)];
  const before = (k: number): string => kindOf(parts, k, ends[k] ?? '');
  const from = (k: number): string => kindOf(parts, k, starts[k] ?? '');
  const [bb, b, o, n] = [before(i - 2), before(i - 1), from(i), from(i + 1)];
  return [
    `< ${p}`,
    `| ${w}`,
    `> ${q}`,
    `| ${w} ${q}`,
    `< ${word(i - 2)} ${p}`,
    `<< ${b}`,
    `|| ${o}`,
    `>> ${n}`,
    `<<|| ${b} ${o}`,
    `||>> ${o} ${n}`,
    `<<>> ${b} ${n}`,
    `<<||>> ${b} ${o} ${n}`,
    `<<<|| ${bb} ${b} ${o}`,
    `<|| ${p} ${o}`,
    `<<| ${b} ${w}`,
  ];
}

/** How much speaks for a sentence beginning at a word, as the logarithm of the odds. */
const oddsOfStop = oddsBy(bias, weights, 10);

/** From which odds on a stop is put, and a comma. */
const [stopAt, commaAt] = [1, 0];

/** What never begins a sentence. */
const belongs = /^(?:slowly|quickly|fast|steadily|twice|thrice|times|together|of)$/;
const looks = /^(?:white|red|green|yellow|amber|blue|black|grey|little|small|big|the|a|an|your|my)$/;
/** `hit it four times`, `one two three four`, `this white step button`: how often, what is counted along, and what belongs to a name. */
function goesWith(words: readonly Word[], i: number): boolean {
  const [before, w] = [words[i - 1], words[i]];
  if (!before || !w) return false;
  const isTimes = w.value !== null && /^(?:times|presses|clicks|taps|beeps)$/.test(words[i + w.span]?.word ?? '');
  const isAlong = w.value !== null && before.value !== null && w.value === before.value + 1;
  return (isTimes && /^(?:it|that|them|those|this|both)$/.test(before.word)) || isAlong || looks.test(before.word);
}
const goesOn = /^(?:and|then|so|now|okay|ok)$/;
/** Somebody who speaks freely says *and then* where he goes on, one word in nine; somebody who reads aloud, one in sixteen. */
const joinsLittle = (words: readonly Word[]): boolean =>
  words.length > 100 && words.filter((w) => goesOn.test(w.word)).length < words.length * 0.078;

/**
 * What is read aloud and taken down without stops, with stops and commas where a sentence likely begins: what was learnt
 * from the stops of tellings that have them. A stop stands at the place of the word behind it and takes up no letter. What
 * is joined by *and then* is left as it is.
 */
export function withStops(words: readonly Word[], called: Called): readonly Word[] {
  if (!joinsLittle(words)) return words;
  const parts = partsOf(words, called);
  return words.flatMap((w, i) => {
    if (i === 0 || i + 1 === words.length || belongs.test(w.word) || goesWith(words, i)) return [w];
    const odds = oddsOfStop(cluesAt(parts, i));
    return odds > stopAt ? [added('.', w), w] : odds > commaAt ? [added(',', w), w] : [w];
  });
}
