import { normal } from '../base/random.ts';
import type { Hands } from '../play/perform.ts';

export const handKinds = ['bare', 'gloved', 'first'] as const;
/** Whose hands: bare and practised, gloved, or somebody's for the first time. */
export type HandKind = (typeof handKinds)[number];

/**
 * A model of hands, put together by judgement and not measured: a person has a tempo (log-normal about `tempo`), single
 * acts scatter about it, signs are answered after a reaction, times told in seconds are kept by feeling, and of every
 * count a few are miscounted by one. Recorded tries calibrate what comes of it.
 */
type Model = Readonly<{
  tempo: number;
  tempoSpread: number;
  actSpread: number;
  pressMs: number;
  reactionMs: number;
  reactionSpread: number;
  keepSpread: number;
  /** For every counted item. */
  miscount: number;
}>;

export const handModels: Readonly<Record<HandKind, Model>> = {
  bare: {
    tempo: 1,
    tempoSpread: 0.12,
    actSpread: 0.12,
    pressMs: 140,
    reactionMs: 380,
    reactionSpread: 0.25,
    keepSpread: 0.07,
    miscount: 0.002,
  },
  gloved: {
    tempo: 1.2,
    tempoSpread: 0.16,
    actSpread: 0.2,
    pressMs: 200,
    reactionMs: 500,
    reactionSpread: 0.3,
    keepSpread: 0.1,
    miscount: 0.008,
  },
  first: {
    tempo: 1.35,
    tempoSpread: 0.25,
    actSpread: 0.28,
    pressMs: 220,
    reactionMs: 850,
    reactionSpread: 0.4,
    keepSpread: 0.18,
    miscount: 0.02,
  },
};

/** One person's hands in one try; `pace` under 1 is quicker than usual. */
export function drawHands(kind: HandKind, random: () => number, pace = 1): Hands {
  const m = handModels[kind];
  const tempo = m.tempo * pace * Math.exp(m.tempoSpread * normal(random));
  const scatter = (spread: number): number => Math.max(0.2, 1 + spread * normal(random));
  return {
    pace: (usualMs) => usualMs * tempo * scatter(m.actSpread),
    pressMs: () => Math.max(40, m.pressMs * scatter(m.actSpread)),
    keep: ({ leastMs, usualMs, mostMs }) => {
      // somebody told “at least five seconds” waits a little longer, somebody told a range aims inside it
      const aim = mostMs === null ? Math.max(usualMs, leastMs) * 1.15 + 300 : usualMs;
      return Math.max(0, aim * scatter(m.keepSpread));
    },
    reaction: () => Math.max(120, m.reactionMs * scatter(m.reactionSpread)),
    count: (meant) => {
      if (meant < 2 || random() >= 1 - (1 - m.miscount) ** meant) return meant;
      return random() < 0.5 ? meant - 1 : meant + 1;
    },
  };
}
