import type { SignId, StageId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { LampColour, LampState } from '../model/lamp.ts';
import { lampStates, lampTraits } from '../model/lamp.ts';
import type { Stage } from '../model/readout.ts';
import type { ReadsOf, SimpleMap, ValueMap } from '../model/reads.ts';
import { bytesOfPair, bytesText, mostMode, mostParameter } from './pair.ts';

/** What one lamp shows for a value; `either` where it does not count. */
export type Cell = Readonly<{ state: LampState; colour: LampColour | null }> | 'either';

/** Whether two cells may look the same. */
export const cellsMeet = (a: Cell, b: Cell): boolean =>
  a === 'either' ||
  b === 'either' ||
  (a.state === b.state && (a.colour === null || b.colour === null || a.colour === b.colour));

/** A cell as a word, for what is kept by it. */
export const keyOfCell = (cell: Cell): string => (cell === 'either' ? '-' : `${cell.state}${cell.colour ?? ''}`);

/** What a stage shows for one of its texts. */
export type Shape =
  | Readonly<{ kind: 'lamps'; cells: readonly Cell[] }>
  /** Short and long, one sign. A count is so many short ones. */
  | Readonly<{ kind: 'pulses'; sign: SignId; pattern: string }>
  | Readonly<{ kind: 'text'; text: string }>;

/** One thing a stage can say, with every way it may look. */
export type StageValue = Readonly<{ text: string; shapes: readonly Shape[] }>;

export type Parts = ReadonlyMap<StageId, string>;

const colours: Readonly<Record<string, LampColour>> = {
  R: 'red',
  G: 'green',
  A: 'amber',
  W: 'white',
  B: 'blue',
  Y: 'yellow',
};
const states: ReadonlyMap<string, LampState> = new Map(lampStates.map((state) => [lampTraits[state].letter, state]));

/** What a letter of a table row says of its lamp; null where it is no letter of that alphabet. */
export function cellOf(letter: string, reads: Pick<ReadsOf<'lamps'>, 'onIs' | 'offIs'>): Cell | null {
  if (letter === '-') return 'either';
  if (letter === '1') return { state: reads.onIs, colour: null };
  if (letter === '0') return { state: reads.offIs, colour: null };
  const colour = colours[letter];
  if (colour) return { state: 'lit', colour };
  const state = states.get(letter);
  return state ? { state, colour: null } : null;
}

/** The text behind a number. */
export function mapNumber(map: SimpleMap, total: number): string | null {
  switch (map.kind) {
    case 'number':
      return total >= map.least && total <= map.most ? String(total).padStart(map.digits, '0') : null;
    case 'characters':
      return [...map.characters][total - map.first] ?? null;
    case 'table':
      return map.rows.find((row) => row.pattern === String(total))?.value ?? null;
  }
}

/** The map that holds once the stages before are known; null where none does. */
export function mapAfter(map: ValueMap, earlier: Parts): SimpleMap | null {
  if (map.kind !== 'by-stage') return map;
  const said = earlier.get(map.stage);
  return map.maps.find((m) => said !== undefined && m.when.includes(said))?.to ?? map.otherwise;
}

/** Every map a stage may go by. */
export const mapsOf = (map: ValueMap): SimpleMap[] =>
  map.kind === 'by-stage' ? [...map.maps.map((m) => m.to), ...(map.otherwise ? [map.otherwise] : [])] : [map];

function lampValues(reads: ReadsOf<'lamps'>, map: SimpleMap): StageValue[] {
  const byText = new Map<string, Shape[]>();
  const add = (text: string, cells: readonly Cell[]) =>
    byText.set(text, [...(byText.get(text) ?? []), { kind: 'lamps', cells }]);
  if (map.kind === 'table') {
    for (const { pattern, value } of map.rows) {
      const cells = [...pattern].map((letter) => cellOf(letter, reads));
      if (cells.length === reads.lamps.length && cells.every((c) => c !== null)) add(value, cells);
    }
  } else {
    const counted = reads.lamps.flatMap((lamp, i) => (lamp.weight === undefined ? [] : [i]));
    for (let bits = 0; bits < 2 ** counted.length; bits++) {
      const on = new Set(counted.filter((_, k) => ((bits >> (counted.length - 1 - k)) & 1) === 1));
      const total = [...on].reduce((sum, i) => sum + (reads.lamps[i]?.weight ?? 0), 0);
      const text = mapNumber(map, total);
      if (text !== null)
        add(
          text,
          reads.lamps.map(
            (lamp, i): Cell =>
              lamp.weight === undefined ? 'either' : { state: on.has(i) ? reads.onIs : reads.offIs, colour: null },
          ),
        );
    }
  }
  return [...byText].map(([text, shapes]) => ({ text, shapes }));
}

function countValues(reads: ReadsOf<'blinks'>, map: SimpleMap): StageValue[] {
  const byText = new Map<string, Shape[]>();
  for (let count = 1; count <= reads.most; count++) {
    const text = mapNumber(map, count);
    const shape: Shape = { kind: 'pulses', sign: reads.sign, pattern: 's'.repeat(count) };
    if (text !== null) byText.set(text, [...(byText.get(text) ?? []), shape]);
  }
  return [...byText].map(([text, shapes]) => ({ text, shapes }));
}

function made(stage: Stage, earlier: Parts): StageValue[] {
  const { reads } = stage;
  switch (reads.kind) {
    case 'lamps':
    case 'blinks': {
      const map = mapAfter(reads.to, earlier);
      if (!map) return [];
      return reads.kind === 'lamps' ? lampValues(reads, map) : countValues(reads, map);
    }
    case 'rhythm':
      return reads.rows.map(({ pattern, value }) => ({
        text: value,
        shapes: [{ kind: 'pulses', sign: reads.sign, pattern }],
      }));
    case 'which':
      return reads.lamps.flatMap(({ sign, value }) =>
        Array.from(
          { length: reads.most },
          (_, i): StageValue => ({
            text: `${value}${i + 1}`,
            shapes: [{ kind: 'pulses', sign, pattern: 's'.repeat(i + 1) }],
          }),
        ),
      );
    case 'bytes':
    case 'pair':
    case 'text':
    case 'value':
      return [];
    default:
      return assertNever(reads);
  }
}

const cache = new WeakMap<Stage, Map<string, ReadonlyMap<string, StageValue>>>();

/**
 * Everything a stage can say once the stages before are known, by text; made once for each stage. Empty for stages that
 * show free text: ask `stageValue` for those.
 */
export function valuesOf(stage: Stage, earlier: Parts): ReadonlyMap<string, StageValue> {
  const { reads } = stage;
  const context = 'to' in reads && reads.to.kind === 'by-stage' ? (earlier.get(reads.to.stage) ?? '') : '';
  const known = cache.get(stage) ?? new Map<string, ReadonlyMap<string, StageValue>>();
  cache.set(stage, known);
  const before = known.get(context);
  if (before) return before;
  const values = new Map(made(stage, earlier).map((v) => [v.text, v] as const));
  known.set(context, values);
  return values;
}

const pairPattern = /^(\d{1,6})-(\d{1,2})/;

/** Whether a display can show a text: a word of its own, or characters it has, not fewer and not more than it may. */
export function canShowText(reads: ReadsOf<'text'>, text: string): boolean {
  if (reads.words.includes(text)) return true;
  const least = reads.shortest ?? reads.length;
  return text.length >= least && text.length <= reads.length && [...text].every((c) => reads.characters.includes(c));
}

/** Every beginning of a text that a stage of free text can show, the longest first. */
export function freeTextsOf(stage: Stage, rest: string): string[] {
  const { reads } = stage;
  switch (reads.kind) {
    case 'text': {
      const longest = Math.max(reads.length, ...reads.words.map((w) => w.length));
      return Array.from({ length: Math.min(longest, rest.length) }, (_, i) => rest.slice(0, i + 1))
        .filter((text) => canShowText(reads, text))
        .reverse();
    }
    case 'pair':
    case 'bytes': {
      const [text, parameter, mode] = pairPattern.exec(rest) ?? [];
      return text !== undefined && Number(parameter) <= mostParameter && Number(mode) <= mostMode ? [text] : [];
    }
    case 'blinks':
    case 'lamps':
    case 'rhythm':
    case 'value':
    case 'which':
      return [];
    default:
      return assertNever(reads);
  }
}

/** What one text of a stage looks like, once the stages before are known; null where it cannot show it. */
export function stageValue(stage: Stage, text: string, earlier: Parts): StageValue | null {
  const { reads } = stage;
  const free = (shown: string): StageValue => ({ text, shapes: [{ kind: 'text', text: shown }] });
  switch (reads.kind) {
    case 'text':
      return freeTextsOf(stage, text).includes(text) ? free(text) : null;
    case 'pair':
      return freeTextsOf(stage, text).includes(text) ? free(text.replace('-', reads.between)) : null;
    case 'bytes': {
      if (!freeTextsOf(stage, text).includes(text)) return null;
      const [parameter, mode] = text.split('-').map(Number);
      return free(bytesText(bytesOfPair({ parameter: parameter ?? 0, mode: mode ?? 0, count: 1 })));
    }
    case 'value':
      return free(text);
    case 'blinks':
    case 'lamps':
    case 'rhythm':
    case 'which':
      return valuesOf(stage, earlier).get(text) ?? null;
    default:
      return assertNever(reads);
  }
}
