import type { ControlFacts } from '../../unit/facts.ts';
import { mentionAt } from './mentions.ts';
import { isPush, type Reader } from './reader.ts';
import type { Word } from './text.ts';

/** A key with the words it is named by. */
export type KeyAt = Readonly<{ own: ControlFacts; at: number; end: number }>;
/** Whether a sentence ends there. */
export const isStop = (w: Word | undefined): boolean => w === undefined || /^[.!?\n;…]$/.test(w.raw);
/** What is said from one word to another, brackets left out. */
export const saidFrom = (words: readonly Word[], from: number, to: number): string =>
  words
    .slice(Math.max(0, from), to)
    .filter((w) => !/^[()]$/.test(w.raw))
    .map((w) => w.word)
    .join(' ');

/** `step up to`, `counts down`: which way, whatever key is called so. */
export function isWay(words: readonly Word[], i: number): boolean {
  const w = words[i];
  if (!w || !/^(?:up|down|on|back)$/.test(w.word) || w.raw !== w.word) return false;
  return (
    words[i + 1]?.word === 'to' ||
    /^(?:go|goes|step|steps|count|counts|run|runs|climb|climbs|creeps|move|moves|scroll|scrolls|page|keep|way|itself|further)$/.test(
      words[i - 1]?.word ?? '',
    )
  );
}

/** The keys that are named within some words. */
export function keysIn(r: Reader, words: readonly Word[], from: number, to: number): KeyAt[] {
  const keys: KeyAt[] = [];
  for (let i = Math.max(0, from); i < Math.min(to, words.length); i += 1) {
    const named = mentionAt(words, i, r.called.controls);
    if (!named || !isPush(named.of) || (named.length === 1 && isWay(words, i))) continue;
    keys.push({ own: named.of, at: i, end: i + named.length });
    i += named.length - 1;
  }
  return keys;
}

/** What stood open at a stretch is understood. */
export function fill(r: Reader, { from, to }: Readonly<{ from: number; to: number }>): void {
  r.holes.splice(
    0,
    r.holes.length,
    ...r.holes.filter((h) => h.why !== 'not-understood' || h.from >= to || h.to <= from),
  );
}

/** `with`, `using the`: what comes is what something is done with. */
export const withThem = /\b(?:with|using|by|via|on|through)(?: the)?(?: keys?| buttons?| arrows?)?$/;

/** Where some words stand in the text. */
export const placeOf = (words: readonly Word[], from: number, end: number): Readonly<{ from: number; to: number }> => ({
  from: words[from]?.from ?? 0,
  to: words[end - 1]?.to ?? 0,
});
