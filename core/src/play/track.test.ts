import { describe, expect, it } from 'vitest';
import { planUnit, type Shown, type Sign, signLimitWords } from '../index.ts';
import { controlsOf } from '../model/steps.ts';
import { cannotShow, signsOf } from '../route-lint/steps.ts';
import { stepsOf } from '../testing/routes.ts';
import { boardBundle } from '../testing/unit.ts';
import { atStart, pathOfStep, suppliedAs, track } from './track.ts';

const { facts } = planUnit(boardBundle([]));
const after = (script: string) => track(stepsOf(script), facts, atStart(facts), () => {});
const place = (script: string, control: string) => after(script).places.get(control as never);

describe('track', () => {
  it.each<[string, string, string]>([
    ['set lid open', 'lid', 'open'],
    ['set lid open\nset lid shut', 'lid', 'shut'],
    ['set rocker up', 'rocker', 'rest'],
    ['keep a\n  set lid open', 'lid', 'open'],
    ['group 2 times\n  set lid open', 'lid', 'open'],
    ['if l1 lit\n  set lid open\nelse\n  press a', 'lid', 'shut'],
    ['if l1 lit\n  press a\nelse\n  set lid open', 'lid', 'open'],
    ['hold lid open for 2 s', 'lid', 'open'],
  ])('%j leaves %s %s', (script, control, at) => expect(place(script, control)).toBe(at));
  it.each<[string, string[]]>([
    ['hold a', ['a']],
    ['hold a\nlet-go a', []],
    ['hold a\nhold b\nlet-go all', []],
    ['keep a\n  press b', []],
    ['hold lid open\nset lid shut', []],
    ['hold a for 2 s', []],
  ])('%j still holds %j', (script, held) => expect([...after(script).held.keys()]).toEqual(held));
  it('counts clicks round, and ends where a sweep stops', () => {
    expect(after('turn knob right 14').clicks.get('knob' as never)).toBe(2);
    expect(after('turn knob left 1').clicks.get('knob' as never)).toBe(11);
    expect(after('turn knob right 5\nsweep knob right 2 to side').clicks.get('knob' as never)).toBe(3);
  });
  it('knows whether there is supply', () => {
    expect(suppliedAs(facts, atStart(facts))).toBe(true);
    expect(suppliedAs(facts, after('set power off'))).toBe(false);
    expect(suppliedAs(facts, after('set power off\nset power on'))).toBe(true);
  });
  it('sees each step once, before it is done, with its place', () => {
    const seen: string[] = [];
    track(
      stepsOf('set lid open\nkeep a\n  press b\nif l1 lit\n  press c\nelse\n  press b'),
      facts,
      atStart(facts),
      (_, at, s) => void seen.push(`${at} ${s.places.get('lid' as never)}`),
    );
    expect(seen).toEqual(['0 shut', '1 open', '1.during.0 open', '2 open', '2.met.0 open', '2.otherwise.0 open']);
  });
  it('a place in the script is a path in the route', () => {
    expect(pathOfStep('0.during.1')).toEqual(['steps', 0, 'during', 1]);
    expect(pathOfStep('')).toEqual([]);
  });
});

describe('what a sign can show', () => {
  const sign = (kind: Sign['kind'], more: object = {}): Sign =>
    ({
      kind,
      id: 's',
      label: 's',
      at: { x: 0, y: 0, w: 1, h: 1 },
      colours: ['green'],
      shows: ['lit', 'slow'],
      digits: 2,
      characters: 4,
      lamps: 3,
      sense: 'heard',
      ...more,
    }) as unknown as Sign;
  const lamp = (state: string, colour?: string) =>
    ({ kind: 'lamp', sign: 's', state, ...(colour ? { colour } : {}) }) as Shown;
  const text = (t: string) => ({ kind: 'text', sign: 's', text: t }) as Shown;
  const sound = { kind: 'sound', sign: 's', state: 'on' } as Shown;
  it.each<[Sign, Shown, string | null]>([
    [sign('lamp'), lamp('lit', 'green'), null],
    [sign('lamp'), lamp('lit', 'red'), 'is never red'],
    [sign('lamp'), lamp('fast'), 'does not blink fast'],
    [sign('lamp', { shows: ['slow'] }), lamp('lit'), 'is never lit without blinking'],
    [sign('lamp'), lamp('dark'), null],
    [sign('lamp'), sound, 'is a lamp'],
    [sign('segments'), text('E1'), null],
    [sign('segments'), text('E.1'), null],
    [sign('segments'), text('E12'), 'has room for 2 characters'],
    [sign('segments'), text('KM'), 'cannot draw that letter'],
    [sign('text'), text('KM'), null],
    [sign('text'), text('READY'), 'has room for 4 characters'],
    [sign('text'), lamp('lit'), 'shows text'],
    [sign('beeper'), sound, null],
    [sign('beeper'), lamp('lit'), 'is heard or felt, and shows nothing'],
    [sign('felt'), text('x'), 'is heard or felt, and shows nothing'],
  ])('%#', (own, shown, why) => {
    const limit = cannotShow(own, shown);
    expect(limit && signLimitWords(limit)).toBe(why);
  });
});

describe('what a step names', () => {
  it.each<[string, string[], string[]]>([
    ['press a', ['a'], []],
    ['press any', [], []],
    ['hold a + b until l1 lit', ['a', 'b'], ['l1']],
    ['keep a until beep on\n  press b', ['a'], ['beep']],
    ['hold a\nlet-go a at l2 dark', ['a'], []],
    ['turn knob right 2', ['knob'], []],
    ['dial "12" from "00" with a + b', ['a', 'b'], []],
    ['see l1 lit, l2 dark', [], ['l1', 'l2']],
    ['within 3 s of l1 lit\n  press a', [], ['l1']],
    ['if l1 lit\n  press a', [], ['l1']],
    ['rest 2 s', [], []],
  ])('%j', (script, controls, signs) => {
    const [step] = stepsOf(script);
    expect(step && controlsOf(step)).toEqual(controls);
    expect(step && signsOf(step).map((s) => s.sign)).toEqual(signs);
  });
});
