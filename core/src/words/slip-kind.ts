import type { Aid, SlipKind } from '../success/hands.ts';

/** What people do wrong, as the subject of a sentence. */
export const slipKindWords: Readonly<Record<SlipKind, string>> = {
  pace: 'going too slow or too quick',
  count: 'losing the count',
  key: 'taking one key for another',
  way: 'turning the wrong way',
  step: 'forgetting a step',
  hold: 'letting go too soon',
};

/** What helps against it. */
export const aidWords: Readonly<Record<Aid, string>> = {
  beat: 'a beat to go by',
  counter: 'a counter',
  labels: 'the key pointed out on the drawing',
  cards: 'one card a step',
};
