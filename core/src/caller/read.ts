import { literalParts } from '../decode/literal.ts';
import type { Look } from '../model/look.ts';
import type { Panel } from '../model/panel.ts';
import type { Readout, Stage } from '../model/readout.ts';
import { isRhythmic } from '../model/reads.ts';
import { joinCode } from '../readout/encode.ts';
import { charactersSaid, pairSaid } from './characters.ts';
import { countsOf, leadSaid, patternOf } from './counts.ts';
import { type LampsMeant, lampLook, type Row, signsMeant } from './lamps.ts';
import { type Chunk, callerNames, chunksOf } from './stages.ts';
import { type CallerWord, callerWords, spokenWords, tells } from './word.ts';

/** What the numbers somebody said may mean. */
export type CallerMeant = LampsMeant | 'counts' | 'characters';

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

/** Where a sign sits on its face. */
export type Place = Readonly<{ x: number; y: number }>;

/** What is printed beside each sign, on every badge, and where it sits. */
export type Labels = Readonly<{
  names: ReadonlyMap<string, readonly string[]>;
  at: ReadonlyMap<string, Place>;
}>;

/** What a caller may name on these panels. */
export function labelsOf(panels: readonly Panel[]): Labels {
  const signs = panels.flatMap((p) => p.faces.flatMap((f) => f.signs));
  return {
    names: new Map(
      signs.map(
        (s) =>
          [s.id, [...new Set([s.label, ...Object.values(s.labelByBadge ?? {}), ...(s.alsoCalled ?? [])])]] as const,
      ),
    ),
    at: new Map(signs.map((s) => [s.id, s.at] as const)),
  };
}

/** The lamps of a stage in the order one counts them: from the left, or row by row where some stand above others. */
function rowOf(stage: Stage, { names, at }: Labels): Row | null {
  const { reads } = stage;
  if (reads.kind !== 'lamps' && reads.kind !== 'which') return null;
  const lamps = reads.lamps.map((lamp) => ({
    sign: lamp.sign,
    weight: 'weight' in lamp ? lamp.weight : undefined,
    place: at.get(lamp.sign),
  }));
  const xs = lamps.map((p) => p.place?.x ?? 0).sort((a, b) => a - b);
  const inOneRow = xs.every((x, i) => i === 0 || x - (xs[i - 1] ?? 0) > 1);
  if (lamps.every((p) => p.place !== undefined))
    lamps.sort((a, b) => {
      const dy = (a.place?.y ?? 0) - (b.place?.y ?? 0);
      const dx = (a.place?.x ?? 0) - (b.place?.x ?? 0);
      return inOneRow || Math.abs(dy) < 2 ? dx : dy;
    });
  const labels = new Map(lamps.map((l) => [l.sign as string, names.get(l.sign) ?? []] as const));
  return { signs: lamps.map((l) => l.sign), weights: lamps.map((l) => l.weight), labels };
}

/**
 * Whether the lamps of a row are numbered as one counts them, so that a number is a name and a place at once. What other
 * badges print does not count: nobody knows which it is.
 */
const isNumbered = ({ signs, labels }: Row): boolean =>
  signs.every((sign, i) => labels.get(sign)?.[0] === String(i + 1));

/** The ways numbers said of lamps may be taken; one where no number was said, or they are numbered anyhow. */
function waysOf(
  readout: Readout,
  rows: ReadonlyArray<Row | null>,
  words: readonly CallerWord[],
  fromRight: boolean,
): LampsMeant[] {
  if (fromRight) return ['from-right'];
  // where something else says which lamp it is, the number says how often
  const points = words.some((w) => w.kind === 'name' || w.kind === 'ordinal' || w.kind === 'place');
  const counts = readout.stages.every((s) => s.reads.kind !== 'lamps') && points;
  if (counts || !words.some((w) => w.kind === 'number')) return ['from-left'];
  if (rows.every((row) => row === null || isNumbered(row))) return ['names'];
  return ['from-left', 'names', 'weights', 'from-right'];
}

function whichLook(stage: Stage, row: Row, words: readonly CallerWord[], as: LampsMeant): Look | null {
  const numbers = words.filter((w) => w.kind === 'number' || w.kind === 'times');
  const isRef = (w: CallerWord): boolean =>
    w.kind === 'ordinal' ||
    w.kind === 'name' ||
    w.kind === 'next-to' ||
    w.kind === 'place' ||
    (w.kind === 'number' && numbers.length > 1);
  const named = words.findIndex((w) => w.kind !== 'number' && isRef(w));
  const at = named >= 0 ? named : words.findIndex(isRef);
  const word = words[at];
  const signs = word && signsMeant(word, row, as, []);
  const [sign, ...more] = signs ?? [];
  const [count, ...maybe] = countsOf(words.filter((_, i) => i !== at));
  if (!sign || more.length > 0 || count === undefined) return null;
  return { kind: 'blinks', stage: stage.id, count, sign, ...(maybe.length > 0 && { maybe }) };
}

/** Numbers said in one breath of several stages that are counted: one each, or the figures of one number. */
function sharedOut(stages: readonly Stage[], chunks: readonly Chunk[]): readonly Chunk[] {
  const [only] = chunks;
  const counted = stages.every((s) => isRhythmic(s.reads) && s.reads.kind !== 'which');
  if (chunks.length !== 1 || !only || only.stage !== 0 || stages.length < 2 || !counted) return chunks;
  const numbers = only.words.flatMap((w) => (w.kind === 'number' || w.kind === 'times' ? [w.n] : []));
  if (only.words.some((w) => w.kind === 'or')) return chunks;
  const figures = numbers.length === 1 ? [...String(numbers[0])].map(Number) : numbers;
  return figures.length === stages.length
    ? figures.map((n, stage) => ({ stage, words: [{ kind: 'number', n } as const] }))
    : chunks;
}

/** Looks at lamps and counts, if numbers are taken so; null where nothing, or not all of it, can be taken so. */
function looksIf(
  readout: Readout,
  chunks: readonly Chunk[],
  rows: ReadonlyArray<Row | null>,
  as: LampsMeant,
  lead: boolean | null,
): Look[] | null {
  const looks = chunks.map(({ stage: at, words }): Look | null => {
    const stage = readout.stages[at];
    const row = rows[at];
    if (!stage) return null;
    if (stage.reads.kind === 'lamps') return row ? lampLook(stage, stage.reads, row, words, as) : null;
    if (stage.reads.kind === 'which') return row ? whichLook(stage, row, words, as) : null;
    if (!isRhythmic(stage.reads)) return null;
    const pattern = stage.reads.kind === 'rhythm' ? patternOf(words) : null;
    if (pattern !== null) return { kind: 'rhythm', stage: stage.id, pattern };
    const [count, ...maybe] = countsOf(words);
    if (count === undefined) return null;
    return {
      kind: 'blinks',
      stage: stage.id,
      count,
      ...(maybe.length > 0 && { maybe }),
      ...(lead !== null && { lead }),
    };
  });
  return looks.length > 0 && looks.every((l) => l !== null) ? looks : null;
}

/** Looks at displays: what was said, shared out where several show in turn. */
function displayLooks(readout: Readout, said: string): Look[] {
  const displays = readout.stages.filter((s) => !isRhythmic(s.reads) && s.reads.kind !== 'lamps');
  const parted = displays.length > 1 ? said.split(/\b(?:and then|then|after that|in turn with)\b|[;\n|→]/i) : [said];
  return parted.flatMap((part, i): Look[] => {
    const stage = displays[i];
    if (!stage) return [];
    const { reads } = stage;
    const text =
      reads.kind === 'pair' ? pairSaid(part) : charactersSaid(part, reads.kind === 'text' ? reads : undefined);
    return text === '' ? [] : [{ kind: 'text', stage: stage.id, text: text.slice(0, 40) }];
  });
}

const wordText = (word: CallerWord): string => ('n' in word ? String(word.n) : word.kind);

/**
 * Makes looks of what somebody says of a readout, on the phone or typed: "one three four, then four", "the pump light
 * blinks three times", "all on but c", "eff oh five". Where the numbers may be positions from either end, names or
 * weights, and that makes a difference, every way is given and `ask` is true.
 */
export function readCaller(readout: Readout, said: string, labels: Labels): Heard {
  if (said.trim() === '') return { readings: [], ask: false, unread: [] };
  const [first] = readout.stages;
  if (first && !isRhythmic(first.reads) && first.reads.kind !== 'lamps') {
    const looks = displayLooks(readout, said);
    const literal = joinCode(readout, literalParts(readout, looks));
    return { readings: looks.length > 0 ? [{ as: 'characters', looks, literal }] : [], ask: false, unread: [] };
  }
  const counted = readout.stages.some((s) => isRhythmic(s.reads) && s.reads.kind !== 'rhythm');
  const { lead, rest } = counted ? leadSaid(said) : { lead: null, rest: said };
  const fromRight = /\b(?:(?<!\w+ )from (?:the )?right|right to (?:the )?left)\b/i.test(rest);
  const directed = rest.replace(
    /\b(?:(?:from )?(?:the )?left to (?:the )?right|(?:from )?(?:the )?right to (?:the )?left|from (?:the )?left)\b:?/gi,
    ' ',
  );
  const plain = fromRight ? directed.replace(/\bfrom (?:the )?right\b:?/gi, ' ') : directed;
  const { words, unread } = callerWords(plain, callerNames(readout, labels.names));
  const { chunks: spoken, left } = chunksOf(readout, words);
  const chunks = sharedOut(readout.stages, spoken);
  const rows = readout.stages.map((stage) => rowOf(stage, labels));
  const isLamps = rows.some((row) => row !== null);
  const readings: CallerReading[] = [];
  for (const as of waysOf(readout, rows, words, fromRight)) {
    const looks = looksIf(readout, chunks, rows, as, lead);
    if (!looks || readings.some((r) => JSON.stringify(r.looks) === JSON.stringify(looks))) continue;
    readings.push({ as: isLamps ? as : 'counts', looks, literal: joinCode(readout, literalParts(readout, looks)) });
  }
  return {
    readings,
    ask: readings.length > 1,
    unread:
      readings.length === 0
        ? spokenWords(said).filter((w) => /\w/.test(w))
        : [...unread, ...left.filter(tells).map(wordText)],
  };
}
