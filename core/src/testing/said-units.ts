import { readdirSync, readFileSync } from 'node:fs';
import type { Labels } from '../caller/read.ts';
import { decode, isTold, readCaller, readElsewhere } from '../index.ts';
import type { Readout } from '../model/readout.ts';
import { lampsStage, readoutOf, stageOf } from './readouts.ts';

/** A made-up readout people talk of: its labels by sign (several where badges differ), where its signs sit, its codes. */
export type SaidUnit = Readonly<{
  readout: Readout;
  listed: readonly string[];
  beside: readonly Readout[];
  labels: Labels;
}>;

const number = { kind: 'number', least: 1, most: 15 } as const;

type Names = Readonly<Record<string, readonly string[]>>;

/** Signs in a row, or one below the other. */
function unit(readout: Readout, names: Names, more: Partial<SaidUnit & { stacked: boolean }> = {}): SaidUnit {
  const { stacked = false, ...rest } = more;
  const at = new Map(
    Object.keys(names).map(
      (sign, i) => [sign, stacked ? { x: 20, y: 20 + 20 * i } : { x: 20 + 10 * i, y: 20 }] as const,
    ),
  );
  return { readout, listed: [], beside: [], labels: { names: new Map(Object.entries(names)), at }, ...rest };
}

const brew = readoutOf([
  lampsStage(
    'sum',
    ['small', 'large', 'water', 'rinse'].map((sign, i) => ({ sign, weight: 2 ** i })),
    number,
  ),
]);

const four = [1, 2, 3, 4].map((n) => ({ sign: `led-${n}`, weight: 2 ** (4 - n) }));
const six = readoutOf([
  lampsStage('tens', four, { kind: 'number', least: 0, most: 9 }),
  {
    ...lampsStage('ones', four, { kind: 'number', least: 0, most: 9 }),
    comes: { kind: 'sign', shown: { kind: 'lamp', sign: 'lock', state: 'lit' } },
  },
]);

const nine = { kind: 'number', least: 1, most: 9 } as const;
const blink = readoutOf([
  stageOf('tens', { kind: 'blinks', sign: 'service', most: 9, to: nine }),
  stageOf('ones', { kind: 'blinks', sign: 'service', most: 9, to: nine }, { kind: 'alternates', everyMs: 3000 }),
]);

const long = readoutOf([
  stageOf('run', {
    kind: 'rhythm',
    sign: 'power',
    rows: ['ss', 'sl', 'ssl', 'lss', 'lls', 'sll', 'sss'].map((pattern, i) => ({ pattern, value: `${21 + i}` })),
  }),
]);

const which = readoutOf([
  stageOf('which', {
    kind: 'which',
    lamps: ['heat', 'pump', 'door', 'fan'].map((sign) => ({ sign, value: sign[0]?.toUpperCase() })),
    most: 6,
  }),
]);

const disp = readoutOf([
  stageOf('text', {
    kind: 'text',
    sign: 'display',
    length: 3,
    shortest: 2,
    face: 'segments',
    characters: '0123456789AEFHLOPT',
    words: ['LO', 'HOT'],
  }),
]);

const pair = readoutOf([stageOf('pair', { kind: 'pair', sign: 'display' })]);

const indoor = readoutOf([stageOf('count', { kind: 'blinks', sign: 'run', most: 9, to: nine })], {
  id: 'indoor',
  compose: [
    { kind: 'literal', text: 'N' },
    { kind: 'stage', stage: 'count' },
  ],
});
const outdoor = readoutOf(
  [
    stageOf('count', {
      kind: 'blinks',
      sign: 'run',
      most: 9,
      to: nine,
      leadIn: { steadyMs: 4000, means: 'the fault sits in the outdoor unit' },
    }),
  ],
  {
    id: 'outdoor',
    compose: [
      { kind: 'literal', text: 'X' },
      { kind: 'stage', stage: 'count' },
    ],
  },
);

const table = (patterns: readonly string[], letter: string) => ({
  kind: 'table',
  rows: patterns.map((pattern, i) => ({ pattern, value: `${letter}${i + 1}` })),
});
const rates = readoutOf([
  lampsStage(
    'state',
    ['left', 'middle', 'right'].map((sign) => ({ sign })),
    table(['ldd', 'sdd', 'ldf', 'ssd', 'fff', 'dld', 'fdl'], 'C'),
  ),
]);
const colours = readoutOf([
  lampsStage(
    'state',
    ['top', 'bottom'].map((sign) => ({ sign })),
    table(['RG', 'GG', 'RR', 'Rd', 'GR', 'dR'], 'R'),
  ),
]);

const hot = readoutOf([
  lampsStage(
    'sum',
    ['hot', 'gas', 'vent', 'drain', 'lid'].map((sign, i) => ({ sign, weight: 2 ** i })),
    { kind: 'number', least: 1, most: 31, digits: 2 },
  ),
]);
const five = [...'abcde'].map((l, i) => ({ sign: `arc-${l}`, weight: 2 ** i }));
const shades = readoutOf(
  [
    {
      ...lampsStage('first', five, { kind: 'number', least: 0, most: 31 }),
      comes: { kind: 'colour', colour: 'green' },
    },
    { ...lampsStage('last', five, { kind: 'number', least: 0, most: 31 }), comes: { kind: 'colour', colour: 'red' } },
  ],
  {
    compose: [
      { kind: 'stage', stage: 'first' },
      { kind: 'literal', text: '/' },
      { kind: 'stage', stage: 'last' },
    ],
  },
);
const bleeps = readoutOf([
  stageOf('count', { kind: 'blinks', sign: 'bell', heard: true, most: 12, to: { kind: 'number', least: 1, most: 12 } }),
]);

/** The units of `caller/sayings.txt`, by their names there. */
export const saidUnits: Readonly<Record<string, SaidUnit>> = {
  brew: unit(brew, {
    small: ['Small', 'Cup'],
    large: ['Large', 'Mug'],
    water: ['Water', 'Drop'],
    rinse: ['Rinse', 'Clean'],
  }),
  six: unit(six, {
    'led-1': ['1'],
    'led-2': ['2'],
    'led-3': ['3'],
    'led-4': ['4'],
    'led-5': ['5'],
    lock: ['Lock'],
  }),
  blink: unit(blink, { service: ['Service'] }),
  long: unit(long, { power: ['Power'] }),
  which: unit(which, { heat: ['Heat'], pump: ['Pump'], door: ['Door'], fan: ['Fan'] }),
  disp: unit(
    disp,
    { display: ['Display'] },
    { listed: ['E21', 'E11', 'E17', 'E27', 'E30', 'F05', 'F04', 'PA2', 'LO', 'HOT'] },
  ),
  pair: unit(pair, { display: ['Screen'] }, { listed: ['412-7', '103-13', '96-3', '41-5'] }),
  indoor: unit(indoor, { run: ['Run'] }, { beside: [outdoor] }),
  rates: unit(rates, { left: ['Left'], middle: ['Middle'], right: ['Right'] }),
  hot: unit(hot, {
    hot: ['Hot water'],
    gas: ['Low gas'],
    vent: ['Vent'],
    drain: ['Drain pump', 'Emptying'],
    lid: ['Lid'],
  }),
  shades: unit(shades, Object.fromEntries([...'abcde'].map((l) => [`arc-${l}`, [l.toUpperCase()]]))),
  bleeps: unit(bleeps, { bell: ['Bell'] }),
  colours: unit(colours, { top: ['Top', 'Upper'], bottom: ['Bottom', 'Lower'] }, { stacked: true }),
};

/** One line of a file of sayings: of which unit, what is said, and what a careful listener takes from it. */
export type Saying = Readonly<{ unit: string; said: string; means: string }>;

/** Every file of sayings, those of the first day first. */
export function saidFiles(): URL[] {
  const folder = new URL('../caller/', import.meta.url);
  const names = readdirSync(folder).filter((name) => /^sayings(-\d+)?\.txt$/.test(name));
  return names.sort().map((name) => new URL(name, folder));
}

/** The sayings of a file such as `caller/sayings.txt`. */
export function sayingsOf(file: URL): Saying[] {
  let unit = '';
  return readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((line): Saying[] => {
      unit = /^\[(\w+)\]/.exec(line)?.[1] ?? unit;
      const [, said, means] = /^([^#].*) => (.*)$/.exec(line) ?? [];
      return said === undefined || means === undefined ? [] : [{ unit, said, means }];
    });
}

/** What is made of a saying, in the words of the file: a code, `A or B`, `maybe A B`, `other X`, `none`. */
export function takenFrom({ unit: name, said, means }: Saying): string {
  const unit = saidUnits[name];
  if (!unit) throw new Error(`no unit ${name}`);
  const { readout, beside, labels } = unit;
  const heard = readCaller(readout, said, labels);
  const listed = unit.listed.map((text) => ({ text, frequency: 1 }));
  const [only] = heard.readings;
  if (!only) return 'none';
  if (heard.ask) return heard.readings.map((r) => r.literal ?? '?').join(' or ');
  const looks = [...only.looks];
  const [other] = readElsewhere([readout, ...beside], readout, looks).filter((e) => e.fitsBetter);
  if (other) return `other ${other.reads}`;
  if (only.literal !== null) return only.literal;
  const [, ...open] = /^maybe (\S+) (\S+)$/.exec(means) ?? [];
  const decoded = decode(readout, open.length > 0 ? open.map((text) => ({ text, frequency: 1 })) : listed, {
    slot: 1,
    looks,
  });
  const fits = decoded.candidates.filter((c) => c.fit > 0.3 && c.kind === 'listed');
  if (open.length > 0 && fits.length === 2) return means;
  if (decoded.noSuchPattern && !isTold(decoded)) return 'none';
  return isTold(decoded) ? (decoded.candidates[0]?.code ?? 'none') : '?';
}
