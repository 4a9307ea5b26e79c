import type { ControlId } from '../base/ids.ts';
import { normal } from '../base/random.ts';
import type { Hands } from '../play/perform.ts';
import type { UnitFacts } from '../unit/facts.ts';
import { lookAlikeControls } from '../unit/look-alike-controls.ts';

export const handKinds = ['bare', 'gloved', 'first'] as const;
/** Whose hands: bare and practised, gloved, or somebody's for the first time. */
export type HandKind = (typeof handKinds)[number];

export const slipKinds = ['pace', 'count', 'key', 'way', 'step', 'hold'] as const;
/** What people do wrong: too slow or too quick, a count lost, a key taken for another, the wrong way, a step forgotten, a time guessed short. */
export type SlipKind = (typeof slipKinds)[number];

/**
 * A model of hands, put together by judgement and not measured: a person has a tempo (log-normal about `tempo`), single
 * acts scatter about it, signs are answered after a reaction, times told in seconds are kept by feeling. Beside that
 * people slip: the rates are for every item of a count above three, for every act on a key that has one like it, for
 * every turn, every step and every time that is kept. Recorded tries calibrate what comes of it. `docs/model.md` has the
 * table.
 */
type Model = Readonly<{
  tempo: number;
  tempoSpread: number;
  actSpread: number;
  pressMs: number;
  reactionMs: number;
  reactionSpread: number;
  keepSpread: number;
  slips: Readonly<Record<Exclude<SlipKind, 'pace'>, number>>;
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
    slips: { count: 0.003, key: 0.002, way: 0.001, step: 0.001, hold: 0.002 },
  },
  gloved: {
    tempo: 1.2,
    tempoSpread: 0.16,
    actSpread: 0.2,
    pressMs: 200,
    reactionMs: 500,
    reactionSpread: 0.3,
    keepSpread: 0.1,
    slips: { count: 0.01, key: 0.01, way: 0.002, step: 0.002, hold: 0.006 },
  },
  first: {
    tempo: 1.35,
    tempoSpread: 0.25,
    actSpread: 0.28,
    pressMs: 220,
    reactionMs: 850,
    reactionSpread: 0.4,
    keepSpread: 0.18,
    slips: { count: 0.025, key: 0.02, way: 0.03, step: 0.015, hold: 0.06 },
  },
};

/** Counts up to this are seen at a glance and not lost. */
const seenAtOnce = 3;

export const aids = ['beat', 'counter', 'labels', 'cards'] as const;
/** What helps: a beat to keep pace and hold by, a counter beside the count, keys pointed out on the drawing, one card a step. */
export type Aid = (typeof aids)[number];
/** What each of them takes away. */
export const helpsAgainst: Readonly<Record<Aid, readonly SlipKind[]>> = {
  beat: ['pace', 'hold'],
  counter: ['count'],
  labels: ['key', 'way'],
  cards: ['step'],
};

/** One person's hands in one try, with what slipped in it. */
export type DrawnHands = Hands & Readonly<{ slipped: ReadonlySet<SlipKind> }>;

/** One person's hands in one try on a unit; `pace` under 1 is quicker than usual. What an aid helps against does not happen. */
export function drawHands(
  kind: HandKind,
  facts: UnitFacts,
  random: () => number,
  { pace = 1, aid = null }: Readonly<{ pace?: number; aid?: Aid | null }> = {},
): DrawnHands {
  const m = handModels[kind];
  const without = new Set<SlipKind>(aid === null ? [] : helpsAgainst[aid]);
  const calm = without.has('pace') ? 0.4 : 1;
  const tempoNow = m.tempo * Math.exp(m.tempoSpread * calm * normal(random));
  // whoever follows a beat goes by it
  const tempo = pace * (without.has('pace') ? 1 + (tempoNow - 1) * 0.4 : tempoNow);
  const scatter = (spread: number): number => Math.max(0.2, 1 + spread * calm * normal(random));
  const slipped = new Set<SlipKind>();
  const slips = (what: Exclude<SlipKind, 'pace'>, times = 1): boolean => {
    const does = random() < 1 - (1 - m.slips[what]) ** times && !without.has(what);
    if (does) slipped.add(what);
    return does;
  };
  return {
    slipped,
    pace: (usualMs) => usualMs * tempo * scatter(m.actSpread),
    pressMs: () => Math.max(40, m.pressMs * scatter(m.actSpread)),
    keep: ({ leastMs, usualMs, mostMs }) => {
      // somebody told “at least five seconds” waits a little longer, somebody told a range aims inside it
      const aim = mostMs === null ? Math.max(usualMs, leastMs) * 1.15 + 300 : usualMs;
      const guessed = slips('hold') ? 0.55 + 0.35 * random() : 1;
      return Math.max(0, aim * guessed * scatter(m.keepSpread));
    },
    reaction: () => Math.max(120, m.reactionMs * scatter(m.reactionSpread)),
    count: (meant) => {
      if (meant <= seenAtOnce || !slips('count', meant - seenAtOnce)) return meant;
      return random() < 0.5 ? meant - 1 : meant + 1;
    },
    control: (wanted: ControlId) => {
      const others = lookAlikeControls(facts, wanted);
      if (others.length === 0 || !slips('key')) return wanted;
      return others[Math.floor(random() * others.length)] ?? wanted;
    },
    way: (wanted) => (slips('way') ? (wanted === 'cw' ? 'ccw' : 'cw') : wanted),
    forgets: () => slips('step'),
  };
}
