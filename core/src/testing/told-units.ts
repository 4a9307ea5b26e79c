import {
  advanceUnit,
  type Bundle,
  missedWords,
  parseScript,
  planUnit,
  type Route,
  readBundle,
  startForRoute,
  startUnit,
  type UnitEffect,
  type UnitEvent,
} from '../index.ts';

type Raw = Record<string, unknown>;
type Unit = Readonly<{
  id: string;
  controls: ReadonlyArray<readonly [id: string, label: string, what: string]>;
  modes: ReadonlyArray<readonly [id: string, sort: string, rest: Raw]>;
  routes: Readonly<Record<string, string>>;
}>;
const box = { x: 1, y: 1, w: 4, h: 4 };
const supply = (becomes: string, to: string) => ({ on: { kind: 'supply', becomes }, to });
const after = (seconds: number, to: string) => ({ on: { kind: 'after', afterMs: seconds * 1000 }, to });

/** How a control works, from a few words: `key`, `knob 12`, `off/acc/run/crank>run powers run crank at off`. */
function mechanism(what: string): Raw {
  if (what === 'key') return { look: 'pad', mechanism: { kind: 'push' } };
  const knob = /^(knob|jog) (\d+)$/.exec(what);
  if (knob)
    return {
      look: 'knob',
      mechanism: {
        kind: 'clicks',
        perTurn: Number(knob[2]),
        springsBack: knob[1] === 'jog',
        rests: [{ id: 'top', label: 'top', atClick: 0 }],
      },
    };
  const [places = '', rest = ''] = what.split(' powers ');
  const [list = '', start] = (rest === '' ? places : `${places} at ${rest.split(' at ')[1] ?? ''}`).split(' at ');
  const all = list.split('/').map((p) => p.split('>'));
  return {
    look: rest === '' ? 'slide' : 'key',
    powersAt: rest === '' ? [] : (rest.split(' at ')[0] ?? '').split(' '),
    mechanism: {
      kind: 'places',
      start: start ?? all[0]?.[0],
      places: all.map(([id = '', springsTo]) => ({ id, label: id, ...(springsTo && { springsTo }) })),
    },
  };
}

function bundleOf({ id, controls, modes, routes }: Unit): Bundle {
  const read = readBundle({
    format: 'wire-trail/bundle',
    version: 1,
    family: id,
    entries: [
      {
        kind: 'family',
        id,
        name: id,
        sort: 'machine',
        summary: id,
        controllers: [{ id: 'main', name: 'Main', role: 'lead', authoritative: true }],
      },
      {
        kind: 'panel',
        id: `${id}-front`,
        family: id,
        name: 'Front',
        controller: 'main',
        faces: [
          {
            id: 'front',
            label: 'Front',
            side: 'front',
            width: 60,
            height: 30,
            controls: controls.map(([c, label, what]) => ({ id: c, label, at: box, ...mechanism(what) })),
            signs: [
              { kind: 'lamp', id: 'lamp', label: 'lamp', at: box, colours: ['green'], shows: ['lit', 'slow', 'fast'] },
              { kind: 'beeper', id: 'beep', label: 'beeper', at: box },
            ],
          },
        ],
      },
      ...modes.map(([m, sort, rest]) => ({
        kind: 'mode',
        id: m,
        family: id,
        controller: 'main',
        name: m,
        sort,
        ...rest,
      })),
      ...Object.entries(routes).map(([name, script]) => {
        const { from, to, steps, problems } = parseScript(script);
        if (problems.length > 0) throw new Error(`${name}: ${JSON.stringify(problems)}`);
        return {
          kind: 'route',
          id: name.toLowerCase(),
          family: id,
          name,
          purpose: 'enter',
          from,
          to,
          steps,
          standing: 'bench-proven',
        };
      }),
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.error, null, 1));
  return read.value;
}

const off = supply('off', 'off');
/** Three made-up units, as they come to a trainer: a cooker, a loader with a key, a washer with a knob that springs back. */
export const toldUnits: Readonly<Record<string, Bundle>> = {
  cooker: bundleOf({
    id: 'cooker',
    controls: [
      ['plus', 'plus', 'key'],
      ['minus', 'minus', 'key'],
      ['bell', 'bell', 'key'],
      ['clock', 'clock', 'key'],
      ['light', 'light', 'key'],
      ['breaker', 'breaker', 'off/on powers on at off'],
    ],
    modes: [
      ['off', 'off', { transitions: [supply('on', 'self-test')] }],
      ['self-test', 'running', { transitions: [off, after(45, 'ready')] }],
      ['ready', 'standby', { transitions: [off], deafForMs: 3000 }],
      ['service', 'service', { transitions: [off] }],
      ['list', 'memory', { transitions: [off] }],
    ],
    routes: {
      Service: 'from ready\nhold plus + minus for 5 s to 8 s\npress bell 3 times\nsee lamp lit\nreach service',
      List: 'from service\nstep plus from 1 to 8\npress clock\nsee lamp lit\nreach list',
      Erase: 'from list\nkeep bell\n  press clock 2 times\nhold light for 4 s\nreach service',
      Back: 'from service, list\nhold light for 3 s to 4 s\nreach ready',
    },
  }),
  loader: bundleOf({
    id: 'loader',
    controls: [
      ['key', 'key', 'off/acc/run/crank>run powers run crank at off'],
      ['pedal', 'pedal', 'key'],
      ['menu-up', 'menu up', 'key'],
      ['menu-down', 'menu down', 'key'],
      ['horn', 'horn', 'key'],
      ['jumper', 'test jumper', 'out/in'],
    ],
    modes: [
      ['off', 'off', { transitions: [supply('on', 'ready')] }],
      ['ready', 'standby', { transitions: [off] }],
      ['codes', 'memory', { transitions: [off] }],
      ['trim', 'settings', { transitions: [off] }],
    ],
    routes: {
      Codes:
        'from off\nset key run\nrest 3 s to 6 s\nwithin 5 s of step-before\n  press pedal 5 times\nsee lamp slow\nreach codes',
      Trim: 'from off\nset jumper in\nset key run\nhold menu-up + horn for 6 s to 10 s\nsee lamp fast\nreach trim',
      Next: 'from codes\npress menu-down 2 times\nreach codes',
      Home: 'from trim\npress horn\npress menu-up\npress menu-down 2 times\nreach ready',
    },
  }),
  washer: bundleOf({
    id: 'washer',
    controls: [
      ['jog', 'jog wheel', 'jog 12'],
      ['start', 'start', 'key'],
      ['temp', 'temperature', 'key'],
      ['temp-half', 'half temperature', 'key'],
      ['spin', 'spin', 'key'],
      ['door', 'door', 'open/shut at open'],
      ['plug', 'plug', 'out/in powers in at in'],
    ],
    modes: [
      ['off', 'off', { transitions: [supply('on', 'idle')] }],
      ['idle', 'standby', { transitions: [off] }],
      ['service', 'service', { transitions: [off] }],
      ['motor', 'tests', { transitions: [off] }],
    ],
    routes: {
      Enter:
        'from idle\nset door shut\nwithin 9 s of step-before\n  turn jog right 3 clicks\n  turn jog left 2 clicks\n  press start\nsee lamp lit\nreach service',
      Motor: 'from service\nturn jog right 4 clicks\nrest 2 s to 5 s\nturn jog right 1 clicks\npress spin\nreach motor',
      Cold: 'from service\npress temp 2 times\nhold start until beep on #2\nreach idle',
      Reset:
        'from any\nset plug out\nrest 10 s to 60 s\nset plug in\nwithin 8 s of power-on\n  press start 4 times\nreach idle',
    },
  }),
};

/**
 * What somebody does, told shortly: `press plus 3`, `hold plus+minus 4 s`, `turn jog right 3`, `set key run`, `down bell`,
 * `up bell`, `4 s`; between two things about a third of a second.
 */
export function doing(told: string, from = 0): UnitEvent[] {
  let at = from;
  const events: UnitEvent[] = [];
  const put = (event: object): void => {
    events.push({ ...event, at } as UnitEvent);
  };
  for (const part of told.split(',').map((p) => p.trim())) {
    const [word = '', what = '', ...rest] = part.split(' ');
    if (/^[\d.]+$/.test(word)) {
      at += Number(word) * 1000;
      continue;
    }
    at += 300;
    if (word === 'press')
      for (let n = Number(rest[0] ?? 1); n > 0; n -= 1) {
        const pace = rest[1] === 'every' ? Number(rest[2]) * 1000 : 400;
        put({ kind: 'down', control: what });
        at += 130;
        put({ kind: 'up', control: what });
        at += n > 1 ? pace - 130 : 0;
      }
    if (word === 'hold') {
      for (const control of what.split('+')) put({ kind: 'down', control });
      at += Number(rest[0]) * 1000;
      for (const control of what.split('+')) put({ kind: 'up', control });
    }
    if (word === 'down' || word === 'up') put({ kind: word, control: what });
    if (word === 'set') put({ kind: 'place', control: what, to: rest[0] });
    if (word === 'turn')
      for (let n = Number(rest[1]); n > 0; n -= 1) {
        put({ kind: 'click', control: what, way: rest[0] === 'right' ? 'cw' : 'ccw' });
        at += n > 1 ? 280 : 0;
      }
  }
  return events;
}

/**
 * What a unit says of what somebody does: what was done of its ways, and else what was otherwise. From where a route
 * begins, or from how it is delivered.
 */
export function says(bundle: Bundle, route: Route | null, told: string): string {
  const plan = planUnit(bundle);
  let state = route ? startForRoute(plan, route) : startUnit(plan);
  const effects: UnitEffect[] = [];
  const take = (event: UnitEvent): void => {
    const next = advanceUnit(plan, state, event);
    state = next.state;
    effects.push(...next.effects);
  };
  // a unit stands for a while before somebody comes, and is left alone after
  for (const event of doing(told, 10_000)) take(event);
  take({ at: state.at + 12_000, kind: 'tick' });
  const done = effects.flatMap((e) => (e.kind === 'done' ? [`done: ${e.of.name}`] : []));
  const last = effects.findLast((e) => e.kind === 'missed');
  const all = last?.kind === 'missed' ? [last.nearest, ...last.others] : [];
  // whoever means a way is told of that way
  const near = all.find(({ of }) => of.kind === 'route' && of.id === route?.id) ?? all[0];
  return [...done, near ? missedWords(bundle, near.of, near.miss) : ''].join(' ');
}
