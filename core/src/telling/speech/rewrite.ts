import { type Called, mentionAt } from './mentions.ts';
import { type Word, wordsOf } from './text.ts';

/** Where one is among the words: what comes, what was put down so far, and what the unit calls its places. */
export type Spot = Readonly<{
  words: readonly Word[];
  i: number;
  w: Word;
  out: readonly Word[];
  called: Called;
  places: ReadonlySet<string>;
}>;
/** A way of saying that stands for a plainer one: how many words it takes, what is put in their place; null where it is not said there. */
export type Rewrite = (at: Spot) => Readonly<{ takes: number; puts: readonly Word[]; drops?: number }> | null;

/** Some words from a place on, as they are said; a place before the first is the first. */
export function said(words: readonly Word[], i: number, n: number): string {
  let text = '';
  const end = Math.min(i + n, words.length);
  for (let k = Math.max(0, i); k < end; k += 1) text += text === '' ? words[k]?.word : ` ${words[k]?.word}`;
  return text;
}
export const wordsIn = (text: string): number => text.trim().split(' ').length;
export const keyAt = (words: readonly Word[], i: number, called: Called) => {
  const key = mentionAt(words, i, called.controls);
  return key?.of.mechanism.kind === 'push' ? key : null;
};
export const isStop = (raw: string | undefined): boolean => raw === undefined || /^[.,;!?\n)]$/.test(raw);
/** Where a name may begin: behind *the*, where that stands there. */
export const pastThe = (words: readonly Word[], i: number): number => (words[i]?.word === 'the' ? i + 1 : i);
/** Whether a clause begins behind what was put down so far. */
export const begins = (out: readonly Word[]): boolean =>
  isStop(out.at(-1)?.raw) || /^(?:and|then|now)$/.test(out.at(-1)?.word ?? '');
/** Where the clause from a place on comes to its stop. */
export function stopAt(words: readonly Word[], from: number): number {
  let k = from;
  while (!isStop(words[k]?.raw)) k += 1;
  return k;
}
/** Where the sentence from a place on ends. */
export function endOf(words: readonly Word[], from: number): number {
  const end = words.findIndex((x, k) => k >= from && /^[.!?\n]$/.test(x.raw));
  return end < 0 ? words.length : end;
}
/** A word nobody said, at the place of one somebody did. */
export const added = (word: string, { from }: Word): Word => ({
  word,
  raw: word,
  value: null,
  span: 1,
  from,
  to: from,
});
export const goes = (takes: number) => (takes > 0 ? { takes, puts: [] } : null);
/** What a control or a sign is called, said at the place of a word. */
export const labelled = (label: string, at: Word): Word[] =>
  wordsOf(label.toLowerCase()).map(({ word }) => added(word, at));
/** *Let go of*, said at the place of a word, with what it is let go of. */
export const letGo = (at: Word, ...of: readonly Word[]): readonly Word[] => [
  added('let', at),
  added('go', at),
  ...(of.length > 0 ? [added('of', at), ...of] : []),
];
/** How often a word is said in a row, a comma between: `beep, beep, beep`. */
export function timesSaid(words: readonly Word[], i: number): number {
  let n = 1;
  while (words[i + 2 * n - 1]?.raw === ',' && words[i + 2 * n]?.word === words[i]?.word) n += 1;
  return n;
}
/** Whether two keys follow, with or without a comma between. */
export function areTwoKeys(words: readonly Word[], i: number, called: Called): boolean {
  const one = keyAt(words, i, called);
  const next = i + (one?.length ?? 0);
  return one !== null && keyAt(words, words[next]?.raw === ',' ? next + 1 : next, called) !== null;
}
/** How many keys follow one after the other, commas between. */
export function keysInRow(words: readonly Word[], from: number, called: Called): number {
  let [k, n] = [from, 0];
  for (let key = keyAt(words, k, called); key; key = keyAt(words, k, called)) {
    n += 1;
    k += key.length;
    if (words[k]?.raw === ',') k += 1;
  }
  return n;
}
/** Whether something stands in a place, and is no key: `put on the main switch`. */
export const standsAt = ({ words, called }: Spot, i: number) => {
  const own = mentionAt(words, i, called.controls);
  return own?.of.mechanism.kind === 'places' ? own : null;
};
/** How many keys stand right before, one after the other, commas and *and* between. */
export function keysBefore(out: readonly Word[], called: Called): number {
  let [k, keys] = [out.length - 1, 0];
  while (k >= 0 && (/^(?:,|and|then)$/.test(out[k]?.raw ?? '') || keyAt(out, k, called))) {
    if (keyAt(out, k, called)) keys += 1;
    k -= 1;
  }
  return keys;
}
