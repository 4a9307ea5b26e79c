import { type Bundle, parseScript, readBundle } from '../index.ts';
import { advanceUnit } from '../play/advance.ts';
import { planUnit, type UnitPlan } from '../play/gestures.ts';
import type { UnitEvent } from '../play/op.ts';
import { showsNow } from '../play/shows.ts';
import { startUnit, type UnitEffect, type UnitState } from '../play/state.ts';

type Raw = Record<string, unknown>;
const box = { x: 1, y: 1, w: 4, h: 4 };
const places = (start: string, ...ids: Array<string | { id: string; springsTo: string }>) => ({
  kind: 'places',
  start,
  places: ids.map((p) => (typeof p === 'string' ? { id: p, label: p } : { label: p.id, ...p })),
});
const control = (id: string, look: string, mechanism: Raw, rest: Raw = {}): Raw => ({
  id,
  look,
  label: id,
  at: box,
  mechanism,
  ...rest,
});
const lamp = (id: string): Raw => ({
  kind: 'lamp',
  id,
  label: id,
  at: box,
  colours: ['green', 'red'],
  shows: ['lit', 'slow', 'fast'],
});

/** A made-up bench board with one of everything: three keys, a knob, a rocker that springs back, a lid, a hidden jumper. */
const panel: Raw = {
  kind: 'panel',
  id: 'board',
  family: 'bench',
  name: 'Board',
  controller: 'main',
  faces: [
    {
      id: 'front',
      label: 'Front',
      side: 'front',
      width: 60,
      height: 30,
      controls: [
        control('a', 'button', { kind: 'push' }),
        control('b', 'button', { kind: 'push' }),
        control('c', 'button', { kind: 'push' }),
        control('knob', 'knob', {
          kind: 'clicks',
          perTurn: 12,
          springsBack: false,
          rests: [
            { id: 'top', label: 'top', atClick: 0 },
            { id: 'side', label: 'side', atClick: 3 },
          ],
        }),
        control(
          'rocker',
          'rocker',
          places('rest', { id: 'up', springsTo: 'rest' }, 'rest', { id: 'down', springsTo: 'rest' }),
        ),
        control('lid', 'lid', places('shut', 'shut', 'open'), { interlock: true }),
        control('power', 'switch', places('on', 'on', 'off'), { powersAt: ['on'] }),
      ],
      signs: [
        lamp('l1'),
        lamp('l2'),
        { kind: 'beeper', id: 'beep', label: 'beeper', at: box },
        { kind: 'text', id: 'line', label: 'line', at: box, characters: 12 },
      ],
    },
    {
      id: 'inside',
      label: 'Inside',
      side: 'behind-cover',
      width: 20,
      height: 20,
      cover: { label: 'four screws', isolateFirst: true },
      controls: [control('jumper', 'jumper', places('out', 'in', 'out'))],
      signs: [],
    },
  ],
};

export type BoardRoute = Readonly<{ id: string; script: string; rest?: Raw }>;

/** A route from its script: the first line may say `from`, the last `reach`. */
export function boardRoute({ id, script, rest = {} }: BoardRoute): Raw {
  const parsed = parseScript(script);
  if (parsed.problems.length > 0) throw new Error(`${id}: ${JSON.stringify(parsed.problems)}`);
  return {
    kind: 'route',
    id,
    family: 'bench',
    name: id,
    purpose: 'enter',
    from: parsed.from ?? 'any',
    to: parsed.to,
    steps: parsed.steps,
    standing: 'bench-proven',
    ...rest,
  };
}

const mode = (id: string, sort: string, rest: Raw = {}): Raw => ({
  kind: 'mode',
  id,
  family: 'bench',
  controller: 'main',
  name: id,
  sort,
  ...rest,
});

/** The bench board's bundle with these routes, modes `idle`, `service` and `tests`, and whatever else is given. */
export function boardBundle(routes: readonly BoardRoute[], more: readonly Raw[] = [], service: Raw = {}): Bundle {
  const read = readBundle({
    format: 'wire-trail/bundle',
    version: 1,
    family: 'bench',
    entries: [
      {
        kind: 'family',
        id: 'bench',
        name: 'Bench board',
        sort: 'machine',
        summary: 'One of everything.',
        controllers: [
          { id: 'main', name: 'Main', role: 'lead', authoritative: true },
          { id: 'aux', name: 'Aux', role: 'second', authoritative: false },
        ],
        parameters: [{ id: 'count', name: 'Count', quantity: 'count', value: 3 }],
        inputs: [{ id: 'warmth', name: 'Warmth', quantity: 'temperature', least: 0, most: 100, start: 20 }],
      },
      panel,
      mode('idle', 'standby', { shows: [{ kind: 'fixed', signs: [{ kind: 'lamp', sign: 'l1', state: 'slow' }] }] }),
      mode('service', 'service', {
        shows: [{ kind: 'fixed', signs: [{ kind: 'lamp', sign: 'l2', state: 'lit' }] }],
        transitions: [{ on: { kind: 'idle', afterMs: 60_000 }, to: 'idle' }],
        ...service,
      }),
      mode('tests', 'tests'),
      ...more,
      ...routes.map(boardRoute),
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.error, null, 1));
  return read.value;
}

/** A unit on the bench, worked by hand: time goes on by itself between what is done. */
export class PlayedBoard {
  readonly plan: UnitPlan;
  state: UnitState;
  readonly happened: UnitEffect[] = [];
  constructor(bundle: Bundle, memory: readonly string[] = []) {
    this.plan = planUnit(bundle);
    this.state = startUnit(this.plan, memory);
  }
  do(event: UnitEvent): this {
    const { state, effects } = advanceUnit(this.plan, this.state, event);
    this.state = state;
    this.happened.push(...effects);
    return this;
  }
  private after(ms: number): number {
    return this.state.at + ms;
  }
  wait(ms: number): this {
    return this.do({ kind: 'tick', at: this.after(ms) });
  }
  down(id: string): this {
    return this.do({ kind: 'down', control: id as never, at: this.after(100) });
  }
  up(id: string): this {
    return this.do({ kind: 'up', control: id as never, at: this.after(20) });
  }
  press(id: string, times = 1): this {
    for (let n = 0; n < times; n += 1) this.hold(id, 120).wait(150);
    return this;
  }
  hold(id: string, ms: number): this {
    return this.down(id)
      .wait(ms - 20)
      .up(id);
  }
  set(id: string, to: string): this {
    return this.do({ kind: 'place', control: id as never, to: to as never, at: this.after(300) });
  }
  turn(id: string, way: 'cw' | 'ccw', clicks: number): this {
    for (let n = 0; n < clicks; n += 1) this.do({ kind: 'click', control: id as never, way, at: this.after(200) });
    return this;
  }
  get mode(): string {
    return this.state.controllers.get('main' as never)?.mode ?? '';
  }
  sees(sign: string): string {
    const shown = showsNow(this.plan, this.state).get(sign as never);
    return shown === undefined ? 'dark' : shown.kind === 'text' ? shown.text : shown.state;
  }
  /** What was told of tries that came to nothing: route, step, what was wrong, and by how many milliseconds. */
  get missed(): string[] {
    return this.happened.flatMap((e) =>
      e.kind === 'missed'
        ? [`${e.nearest.of.name} ${e.nearest.miss.at} ${e.nearest.miss.code} ${e.nearest.miss.byMs ?? ''}`.trim()]
        : [],
    );
  }
  get done(): string[] {
    return this.happened.flatMap((e) => (e.kind === 'done' ? [e.of.name] : []));
  }
}
