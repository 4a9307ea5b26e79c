import type { Step } from '../model/route.ts';
import type { Doubt, Phrase } from './draft.ts';
import type { Names } from './names.ts';
import type { Memory } from './parts.ts';
import type { Stream } from './stream.ts';
import type { Token } from './tokens.ts';

/** Steps with the tokens they were made of, before they have their places. */
type Piece = { steps: Step[]; from: number; to: number; chain: boolean };

/** A telling while it is read, sentence by sentence: what was made of it so far, and what was not understood. */
export type TellingState = {
  readonly text: string;
  readonly names: Names;
  readonly memory: Memory;
  readonly pieces: Piece[];
  readonly notUnderstood: Phrase[];
  readonly doubts: Doubt[];
  /** The piece that the last sentence began with. */
  sentenceStart: number;
};

export const beginTelling = (text: string, names: Names): TellingState => ({
  text,
  names,
  memory: { controls: [], held: [], places: new Map(), was: new Map(), verb: null, doubts: [] },
  pieces: [],
  notUnderstood: [],
  doubts: [],
  sentenceStart: 0,
});

export function phraseOf(telling: TellingState, from: number, to: number): Phrase {
  return { from, to, text: telling.text.slice(from, to) };
}

export function markLost(telling: TellingState, tokens: readonly Token[]): void {
  const [first] = tokens;
  const last = tokens.at(-1);
  if (first && last) telling.notUnderstood.push(phraseOf(telling, first.from, last.to));
}

export function pushPiece(telling: TellingState, s: Stream, steps: Step[], from: number, strong: boolean): void {
  if (from === 0 || telling.pieces.length === 0) {
    telling.sentenceStart = telling.pieces.length;
  }
  const first = s.tokens[from];
  const last = s.tokens[s.i - 1];
  if (first && last) telling.pieces.push({ steps, from: first.from, to: last.to, chain: !strong });
}

export function wrapPieces(telling: TellingState, start: number, make: (steps: Step[]) => Step, from?: number): void {
  const inside = telling.pieces.splice(start);
  const [first] = inside;
  const last = inside.at(-1);
  if (!first || !last) return;
  const step = make(inside.flatMap((p) => p.steps));
  telling.pieces.push({
    steps: [step],
    from: from ?? first.from,
    to: last.to,
    chain: first.chain,
  });
}

export function extendLast(telling: TellingState, s: Stream): void {
  const piece = telling.pieces.at(-1);
  const last = s.tokens[s.i - 1];
  if (piece && last) piece.to = Math.max(piece.to, last.to);
}
