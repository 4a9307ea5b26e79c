import { type Called, mentionAt } from './mentions.ts';
import type { Word } from './text.ts';

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

export const said = (words: readonly Word[], i: number, n: number): string =>
  words
    .slice(i, i + n)
    .map((w) => w.word)
    .join(' ');
export const wordsIn = (text: string): number => text.trim().split(' ').length;
export const keyAt = (words: readonly Word[], i: number, called: Called) => {
  const key = mentionAt(words, i, called.controls);
  return key?.of.mechanism.kind === 'push' ? key : null;
};
export const isStop = (raw: string | undefined): boolean => raw === undefined || /^[.,;!?\n)]$/.test(raw);
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
