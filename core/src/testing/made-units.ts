import { type Bundle, lintRoutes, parseScript, readBundle, seeded } from '../index.ts';

type Raw = Record<string, unknown>;
type Draw = Readonly<{
  number: (least: number, most: number) => number;
  one: <T>(all: readonly T[]) => T;
  chance: (share: number) => boolean;
  some: <T>(all: readonly T[], n: number) => T[];
}>;

/** Draws of a seeded source. */
export function drawing(random: () => number): Draw {
  const number = (least: number, most: number): number => least + Math.floor(random() * (most - least + 1));
  return {
    number,
    one: (all) => all[Math.floor(random() * all.length)] as (typeof all)[number],
    chance: (share) => random() < share,
    some: (all, n) =>
      [...all]
        .map((x) => [random(), x] as const)
        .sort((a, b) => a[0] - b[0])
        .slice(0, n)
        .map(([, x]) => x),
  };
}

// pairs of keys that look alike, and keys that stand alone
const pairs = [
  ['temp-up', 'temp-down'],
  ['plus', 'minus'],
  ['left', 'right'],
  ['f1', 'f2'],
  ['tens', 'ones'],
  ['time-up', 'time-down'],
] as const;
const singles = ['start', 'mode', 'fan', 'timer', 'light', 'enter', 'drain', 'mute'];

type Panel = Readonly<{
  keys: readonly string[];
  knob: boolean;
  rocker: boolean;
  selector: boolean;
  lid: boolean;
  beeper: boolean;
  power: 'breaker' | 'key' | 'plug';
  poweredAtStart: boolean;
}>;

const box = { x: 1, y: 1, w: 4, h: 4 };
const placesOf = (start: string, ...ids: Array<string | { id: string; springsTo: string }>): Raw => ({
  kind: 'places',
  start,
  places: ids.map((p) => (typeof p === 'string' ? { id: p, label: p } : { label: p.id, ...p })),
});
const control = (id: string, look: string, mechanism: Raw, rest: Raw = {}): Raw => ({
  id,
  look,
  label: id.replaceAll('-', ' '),
  at: box,
  mechanism,
  ...rest,
});

function panelOf(p: Panel, springsBack: boolean, perTurn: number): Raw {
  const supply =
    p.power === 'key'
      ? control('power', 'key', placesOf(p.poweredAtStart ? 'run' : 'off', 'off', 'acc', 'run', 'test'), {
          powersAt: ['run', 'test'],
        })
      : control('power', p.power, placesOf(p.poweredAtStart ? 'on' : 'off', 'off', 'on'), { powersAt: ['on'] });
  return {
    kind: 'panel',
    id: 'front',
    family: 'made',
    name: 'Front',
    controller: 'main',
    faces: [
      {
        id: 'front',
        label: 'Front',
        side: 'front',
        width: 60,
        height: 30,
        controls: [
          ...p.keys.map((k) => control(k, 'button', { kind: 'push' })),
          ...(p.knob
            ? [
                control('knob', 'knob', {
                  kind: 'clicks',
                  perTurn,
                  springsBack,
                  rests: [{ id: 'top', label: 'top', atClick: 0 }],
                }),
              ]
            : []),
          ...(p.rocker
            ? [
                control(
                  'rocker',
                  'rocker',
                  placesOf('rest', { id: 'up', springsTo: 'rest' }, 'rest', { id: 'down', springsTo: 'rest' }),
                ),
              ]
            : []),
          ...(p.selector ? [control('selector', 'knob', placesOf('low', 'low', 'mid', 'high', 'set'))] : []),
          ...(p.lid ? [control('lid', 'lid', placesOf('shut', 'shut', 'open'))] : []),
          supply,
        ],
        signs: [
          ...['l1', 'l2'].map((id) => ({
            kind: 'lamp',
            id,
            label: id,
            at: box,
            colours: ['green', 'red'],
            shows: ['lit', 'slow', 'fast'],
          })),
          { kind: 'beeper', id: 'beep', label: 'beeper', at: box },
        ],
      },
    ],
  };
}

/** One or two lines of a way in, of any kind this panel can do. */
function someLines(p: Panel, d: Draw): string {
  const key = (): string => d.one(p.keys);
  const held = (s: number): string => (d.chance(0.3) ? `for ${s} s` : `for ${s} s to ${s + d.number(2, 5)} s`);
  const other = (k: string): string => d.one(p.keys.filter((o) => o !== k));
  const kinds: Array<() => string> = [
    () => `press ${key()} ${d.number(1, 7)} times`,
    () => `press ${key()} ${d.number(2, 5)} times`,
    () => `hold ${key()} ${held(d.number(2, 8))}`,
    () => {
      const k = key();
      return `hold ${k} + ${other(k)} ${held(d.number(2, 6))}`;
    },
    () => {
      const s = d.number(2, 8);
      return `rest ${s} s to ${s + d.number(2, 6)} s\npress ${key()}`;
    },
    () => {
      const k = key();
      return `keep ${k}\n  press ${other(k)} ${d.number(1, 4)} times`;
    },
    () => {
      const n = d.number(3, 6);
      return `within ${n * 0.9 + d.number(2, 5)} s of step-before\n  press ${key()} ${n} times`;
    },
    () => {
      const k = key();
      return `within ${d.number(6, 10)} s of step-before\n  press ${k}\n  press ${other(k)}\n  press ${key()}`;
    },
    () => {
      const k = key();
      return `press ${k}\nsee l1 lit within 1 s to 2 s\npress ${other(k)}`;
    },
    () => `step ${key()} from 1 to ${d.number(3, 12)}`,
    () => {
      const k = key();
      return `group ${d.number(2, 4)} times\n  press ${k}\n  press ${other(k)}`;
    },
    () => `hold ${key()} until beep on #${d.number(1, 3)}`,
    ...(p.knob
      ? [
          () => `turn knob ${d.one(['right', 'left'])} ${d.number(2, 6)} clicks`,
          () => `turn knob right ${d.number(2, 5)} clicks\nturn knob left ${d.number(2, 5)} clicks`,
          () => `turn knob right ${d.number(2, 5)} clicks\nrest 2 s to 5 s\nturn knob right ${d.number(2, 4)} clicks`,
          () => `sweep knob ${d.one(['right', 'left'])} 1 turns to top`,
        ]
      : []),
    ...(p.rocker ? [() => `hold rocker ${d.one(['up', 'down'])} ${held(d.number(2, 5))}`] : []),
    ...(p.selector ? [() => `set selector ${d.one(['mid', 'high', 'set'])}`] : []),
    ...(p.lid ? [() => 'set lid open\nset lid shut'] : []),
  ];
  return d.one(kinds)();
}

/** A way in the manner of real ones: perhaps a power cycle or a rest first, two or three parts, something to see. */
function someScript(p: Panel, d: Draw, from: string, to: string): string {
  const [on, off] = p.power === 'key' ? ['run', 'off'] : ['on', 'off'];
  const begin =
    from === 'off'
      ? [
          `set power ${on}`,
          ...(d.chance(0.5)
            ? [`within ${d.number(8, 15)} s of power-on\n  press ${d.one(p.keys)} ${d.number(2, 4)} times`]
            : []),
        ]
      : d.chance(0.15)
        ? [
            `set power ${off}`,
            `rest ${d.number(2, 5)} s to 20 s`,
            `set power ${p.power === 'key' && d.chance(0.5) ? 'test' : on}`,
          ]
        : d.chance(0.15)
          ? [`rest ${d.number(3, 8)} s to 30 s`]
          : [];
  const parts = Array.from({ length: d.number(1, 3) }, () => someLines(p, d));
  if (begin.at(-1)?.startsWith('rest') && parts[0]?.startsWith('rest')) begin.pop();
  return [`from ${from}`, ...begin, ...parts, 'see l2 lit', `reach ${to}`].join('\n');
}

const mode = (id: string, sort: string, rest: Raw = {}): Raw => ({
  kind: 'mode',
  id,
  family: 'made',
  controller: 'main',
  name: id,
  sort,
  ...rest,
});

/** How long the self-check of a made-up unit takes. */
export const checkMs = 60_000;

/**
 * A made-up unit nobody has seen: its keys in pairs that look alike, what else its panel has, a supply that may start at
 * off, a self-check after the supply comes, and two to five ways of any kind between its modes. Null where the draw gave
 * ways the unit could not tell apart.
 */
export function madeUnit(seed: number): Bundle | null {
  const d = drawing(seeded(seed));
  const pair = d.some(pairs, d.number(1, 2)).flat();
  const panel: Panel = {
    keys: [...pair, ...d.some(singles, d.number(1, 3))],
    knob: d.chance(0.5),
    rocker: d.chance(0.3),
    selector: d.chance(0.4),
    lid: d.chance(0.3),
    beeper: true,
    power: d.one(['breaker', 'key', 'plug']),
    poweredAtStart: d.chance(0.5),
  };
  const ends: Array<[string, string]> = [
    ['idle', 'service'],
    ['idle', 'memory'],
    ['service', 'idle'],
    ['service', 'memory'],
    ['off', 'tests'],
  ];
  const ways = d.some(ends, d.number(2, 4)).map(([from, to], n) => ({
    id: `way-${n}`,
    script: someScript(panel, d, from, to),
  }));
  const routes = ways.flatMap(({ id, script }): Raw[] => {
    const parsed = parseScript(script);
    if (parsed.problems.length > 0) throw new Error(`${script}\n${JSON.stringify(parsed.problems)}`);
    return [
      {
        kind: 'route',
        id,
        family: 'made',
        name: id,
        purpose: 'enter',
        from: parsed.from,
        to: parsed.to,
        steps: parsed.steps,
        standing: 'bench-proven',
      },
    ];
  });
  const off = { on: { kind: 'supply', becomes: 'off' }, to: 'off' };
  const read = readBundle({
    format: 'wire-trail/bundle',
    version: 1,
    family: 'made',
    entries: [
      {
        kind: 'family',
        id: 'made',
        name: 'Made up',
        sort: 'machine',
        summary: 'Made up.',
        controllers: [{ id: 'main', name: 'Main', role: 'lead', authoritative: true }],
      },
      panelOf(panel, d.chance(0.5), d.number(8, 16)),
      mode('off', 'off', { transitions: [{ on: { kind: 'supply', becomes: 'on' }, to: 'check' }] }),
      mode('check', 'running', { transitions: [off, { on: { kind: 'after', afterMs: checkMs }, to: 'idle' }] }),
      mode('idle', 'standby', { transitions: [off] }),
      mode('service', 'service', { transitions: [off] }),
      mode('memory', 'memory', { transitions: [off] }),
      mode('tests', 'tests', { transitions: [off] }),
      ...routes,
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.error, null, 1));
  const unsure = lintRoutes(read.value).some(
    (f) => f.severity === 'error' || f.code === 'fires-first' || f.code === 'routes-alike' || f.code === 'window-tight',
  );
  return unsure ? null : read.value;
}
