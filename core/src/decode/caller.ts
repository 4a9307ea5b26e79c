import type { SignId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Look, SeenLamp } from '../model/look.ts';
import type { Readout, Stage } from '../model/readout.ts';
import { isRhythmic, type ReadsOf } from '../model/reads.ts';
import { joinCode } from '../readout/encode.ts';
import { type CallerWord, charactersOf, countsOf, patternOf, wordsOf } from './caller-words.ts';
import { literalParts } from './literal.ts';

/** What the numbers somebody said may mean. */
export type CallerMeant = 'from-left' | 'from-right' | 'names' | 'weights' | 'counts' | 'characters';

/** One way of taking what was said. */
export type CallerReading = Readonly<{ as: CallerMeant; looks: readonly Look[]; literal: string | null }>;

export type Heard = Readonly<{
  /** Every way of taking it that leads anywhere, the likeliest first; looks that are the same stand once. */
  readings: readonly CallerReading[];
  /** Whether the caller must be asked which is meant, because it makes a difference. */
  ask: boolean;
  /** Words nothing was made of. */
  unread: readonly string[];
}>;

const stateOf: Readonly<Record<string, SeenLamp>> = {
  on: 'lit',
  lit: 'lit',
  steady: 'lit',
  off: 'dark',
  dark: 'dark',
  blinks: 'slow',
  slow: 'slow',
  fast: 'fast',
  dim: 'dim',
  unsure: 'unsure',
};

type Reference = Readonly<{ signs: readonly SignId[]; state: SeenLamp | null }>;

/** Which lamps a word names, if numbers are taken so; null where it names none, `undefined` where it is no name. */
function signsOf(
  word: CallerWord,
  lamps: ReadsOf<'lamps'>['lamps'],
  as: CallerMeant,
  names: ReadonlyMap<string, string>,
): SignId[] | null | undefined {
  const at = (n: number): SignId[] | null => {
    const i = as === 'from-right' ? lamps.length - n : n - 1;
    const sign = lamps[i]?.sign;
    return sign ? [sign] : null;
  };
  const named = (text: string): SignId[] =>
    lamps.flatMap((l) => (names.get(l.sign)?.toLowerCase() === text ? [l.sign] : []));
  switch (word.kind) {
    case 'all':
      return lamps.map((l) => l.sign);
    case 'ordinal':
      return at(word.n);
    case 'name': {
      const found = named(word.text);
      return found.length > 0 ? found : undefined;
    }
    case 'number': {
      if (as === 'names') return named(String(word.n)).length > 0 ? named(String(word.n)) : null;
      if (as === 'weights') {
        const sign = lamps.find((l) => l.weight === word.n)?.sign;
        return sign ? [sign] : null;
      }
      return at(word.n);
    }
    case 'except':
    case 'length':
    case 'none':
    case 'or':
    case 'sign':
    case 'state':
    case 'times':
      return undefined;
    default:
      return assertNever(word);
  }
}

/** Lamps as they were said, if numbers are taken so; null where a number then names nothing. */
function lampLook(
  stage: Stage,
  reads: ReadsOf<'lamps'>,
  words: readonly CallerWord[],
  as: CallerMeant,
  names: ReadonlyMap<string, string>,
): Look | null {
  const references: Reference[] = [];
  let open: SignId[] = [];
  let state: SeenLamp | null = null;
  let except = false;
  const close = () => {
    if (open.length > 0) references.push({ signs: open, state: except ? reads.offIs : state });
    open = [];
    state = null;
  };
  for (const word of words) {
    if (word.kind === 'state') {
      // "blinks" before the lamps is of what follows, behind them of what went before
      state = stateOf[word.state] ?? null;
      if (open.length > 0) close();
      continue;
    }
    if (word.kind === 'except') {
      close();
      except = true;
      continue;
    }
    if (word.kind === 'none') return { kind: 'lamps', stage: stage.id, lamps: allAre(reads, reads.offIs) };
    const signs = signsOf(word, reads.lamps, as, names);
    if (signs === null) return null;
    if (signs !== undefined) open = [...open, ...signs];
  }
  close();
  if (references.length === 0) return null;
  const lamps = allAre(reads, reads.offIs);
  for (const { signs, state: said } of references) for (const sign of signs) lamps[sign] = said ?? reads.onIs;
  return { kind: 'lamps', stage: stage.id, lamps };
}

const allAre = (reads: ReadsOf<'lamps'>, is: SeenLamp): Record<SignId, SeenLamp> =>
  Object.fromEntries(reads.lamps.map((l) => [l.sign, is])) as Record<SignId, SeenLamp>;

/** What was said of one stage, if numbers are taken so. */
function lookOf(
  stage: Stage,
  words: readonly CallerWord[],
  as: CallerMeant,
  names: ReadonlyMap<string, string>,
): Look | null {
  const { reads } = stage;
  if (reads.kind === 'lamps') return lampLook(stage, reads, words, as, names);
  if (reads.kind === 'which') {
    const lamps = reads.lamps.map((l) => ({ sign: l.sign }));
    const at = words.findIndex((w) => w.kind === 'ordinal' || w.kind === 'name' || w.kind === 'number');
    const word = words[at];
    const [sign] = (word && signsOf(word, lamps, as, names)) ?? [];
    const [count] = countsOf(words.slice(at + 1));
    return sign && count !== undefined ? { kind: 'blinks', stage: stage.id, count, sign } : null;
  }
  if (isRhythmic(reads)) {
    const pattern = patternOf(words);
    if (pattern !== null) return { kind: 'rhythm', stage: stage.id, pattern };
    const [count, ...maybe] = countsOf(words);
    return count === undefined ? null : { kind: 'blinks', stage: stage.id, count, ...(maybe.length > 0 && { maybe }) };
  }
  const text = charactersOf(words);
  return text === '' ? null : { kind: 'text', stage: stage.id, text };
}

/** Where a sign sits on its face. */
export type Place = Readonly<{ x: number; y: number }>;

/** The lamps of a stage in the order one counts them: from the left, or row by row where some stand above others. */
function inSight(stage: Stage, at: ReadonlyMap<string, Place>): Stage {
  const { reads } = stage;
  if (reads.kind !== 'lamps' && reads.kind !== 'which') return stage;
  const placed = reads.lamps.map((lamp) => ({ lamp, place: at.get(lamp.sign) }));
  if (placed.some((p) => p.place === undefined)) return stage;
  const xs = placed.map((p) => p.place?.x ?? 0).sort((a, b) => a - b);
  const inOneRow = xs.every((x, i) => i === 0 || x - (xs[i - 1] ?? 0) > 1);
  const sorted = placed.sort((a, b) => {
    const dy = (a.place?.y ?? 0) - (b.place?.y ?? 0);
    const dx = (a.place?.x ?? 0) - (b.place?.x ?? 0);
    return inOneRow || Math.abs(dy) < 2 ? dx : dy;
  });
  return { ...stage, reads: { ...reads, lamps: sorted.map((p) => p.lamp) } as typeof reads };
}

const waysFor = (stage: Stage): readonly CallerMeant[] =>
  stage.reads.kind === 'lamps' || stage.reads.kind === 'which'
    ? ['from-left', 'from-right', 'names', 'weights']
    : isRhythmic(stage.reads)
      ? ['counts']
      : ['characters'];

/** Several numbers in one breath, where several stages are told by counts: one each. */
function shareOut(
  stages: readonly Stage[],
  chunks: ReadonlyArray<readonly CallerWord[]>,
): ReadonlyArray<readonly CallerWord[]> {
  const [only] = chunks;
  if (
    chunks.length !== 1 ||
    !only ||
    stages.length < 2 ||
    !stages.every((s) => isRhythmic(s.reads) && s.reads.kind !== 'which')
  )
    return chunks;
  const numbers = only.filter((w) => w.kind === 'number');
  const doubt = only.some((w) => w.kind === 'or');
  return numbers.length === stages.length && !doubt ? numbers.map((n) => [n]) : chunks;
}

/**
 * Makes looks of what somebody says of a readout, on the phone or typed: "one three four, then four", "the second one
 * blinks twice", "all on but c". Where the numbers may be positions from either end, names or weights, and that makes a
 * difference, every way is given and `ask` is true. `names`: what is printed beside each lamp; `at`: where it sits on the
 * panel, so that positions are counted as one sees them.
 */
export function readCaller(
  readout: Readout,
  said: string,
  names: ReadonlyMap<string, string>,
  at: ReadonlyMap<string, Place> = new Map(),
): Heard {
  const readoutAsSeen = { ...readout, stages: readout.stages.map((s) => inSight(s, at)) };
  const known = new Set([...names.values()].map((n) => n.toLowerCase()));
  const { chunks: spoken, unread, fromRight } = wordsOf(said, known);
  const chunks = shareOut(readout.stages, spoken);
  const ways = new Set(readout.stages.slice(0, chunks.length).flatMap(waysFor));
  const ordered = (['from-left', 'names', 'weights', 'from-right', 'counts', 'characters'] as const).filter((w) =>
    ways.has(w),
  );
  const lampWays = ordered.filter((w) => w !== 'counts' && w !== 'characters');
  const tries: readonly CallerMeant[] = fromRight ? ['from-right'] : lampWays.length > 0 ? lampWays : ordered;
  const readings: CallerReading[] = [];
  for (const as of tries) {
    const looks = chunks.map((words, i) => {
      const stage = readoutAsSeen.stages[i];
      return stage ? lookOf(stage, words, waysFor(stage).includes(as) ? as : (waysFor(stage)[0] ?? as), names) : null;
    });
    if (looks.length === 0 || !looks.every((l) => l !== null)) continue;
    if (readings.some((r) => JSON.stringify(r.looks) === JSON.stringify(looks))) continue;
    readings.push({ as, looks, literal: joinCode(readout, literalParts(readout, looks)) });
  }
  const tooMany = chunks.length > readout.stages.length ? chunks.slice(readout.stages.length).flat() : [];
  return {
    readings,
    ask: readings.length > 1,
    unread: [...unread, ...tooMany.map((w) => ('text' in w ? w.text : 'n' in w ? String(w.n) : w.kind))],
  };
}
