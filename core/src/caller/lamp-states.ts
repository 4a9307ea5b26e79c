import type { SignId } from '../base/ids.ts';
import type { LampColour } from '../model/lamp.ts';
import type { SeenLamp } from '../model/look.ts';
import type { CallerWord, SaidState } from './word.ts';

/** What was said of a lamp. */
export type SaidOfLamp = Readonly<{ state: SeenLamp | null; colour: LampColour | null }>;

const stateOf: Readonly<Record<SaidState, SeenLamp>> = {
  on: 'lit',
  lit: 'lit',
  off: 'dark',
  blinks: 'slow',
  slow: 'slow',
  fast: 'fast',
  dim: 'dim',
  unsure: 'unsure',
};

/** What further words add: on and blinking is blinking, blinking and quickly is quick. */
export function withState(was: SeenLamp | null, word: SaidState): SeenLamp {
  const next = stateOf[word];
  if (was === null) return next;
  if (word === 'blinks' && (was === 'fast' || was === 'slow')) return was;
  if (word === 'on' && was !== 'dark') return was;
  return next;
}

/** What was said, clause by clause; the end of a sentence stands by itself. */
export function clausesOf(words: readonly CallerWord[]): CallerWord[][] {
  const clauses: CallerWord[][] = [[]];
  for (const word of words) {
    if (word.kind === 'stop') clauses.push([]);
    else if (word.kind === 'end') clauses.push([word], []);
    else clauses.at(-1)?.push(word);
  }
  return clauses.filter((c) => c.length > 0);
}

/** Lamps told one after the other without a name: "on, off, off, on" of four in a row. Null where it is no such list. */
export function inOrder(said: readonly CallerWord[], signs: readonly SignId[]): ReadonlyMap<SignId, SaidOfLamp> | null {
  const parts = clausesOf(said).filter(([first]) => first?.kind !== 'end');
  const plain = parts.flat();
  if (plain.length === 0 || !plain.every((w) => w.kind === 'state' || w.kind === 'colour')) return null;
  // without commas each word is a lamp, where none adds to the one before
  const each =
    parts.length === 1 && plain.every((w) => w.kind === 'colour' || isPlain(w)) ? plain.map((w) => [w]) : parts;
  if (signs.length < 2 || each.length !== signs.length) return null;
  return new Map(
    signs.map((sign, i) => {
      let state: SeenLamp | null = null;
      let colour: LampColour | null = null;
      for (const word of each[i] ?? []) {
        if (word.kind === 'state') state = withState(state, word.state);
        if (word.kind === 'colour') colour = word.colour;
      }
      return [sign, { state, colour }] as const;
    }),
  );
}

const isPlain = (word: CallerWord): boolean =>
  word.kind === 'state' && (word.state === 'on' || word.state === 'lit' || word.state === 'off');
