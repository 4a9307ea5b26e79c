import { describe, expect, it } from 'vitest';
import { type Bundle, missedWords } from '../index.ts';
import { type BoardRoute, boardBundle, PlayedBoard } from '../testing/unit.ts';

type Raw = Record<string, unknown>;
const into: BoardRoute = { id: 'in', script: 'from idle\npress b 2 times\nsee l2 lit\nreach service' };
const gesture = (script: Raw['steps'], effects: Raw[] = [], more: Raw = {}): Raw => ({
  on: { kind: 'gesture', steps: script },
  effects,
  ...more,
});
const press = (control: string): Raw[] => [{ kind: 'press', control, times: 1 }];
const step = (by: number): Raw => ({ kind: 'step', variable: 'entry', by });
/** A list of forty entries: A steps on, C back, and both go on by themselves while they are kept down. */
const list = (wraps: boolean): Raw => ({
  variables: [{ kind: 'cursor', id: 'entry', from: 1, to: 40, start: 1, wraps }],
  transitions: [
    gesture(press('a'), [step(1)]),
    gesture(press('c'), [step(-1)]),
    { on: { kind: 'held', control: 'a', afterMs: 1000, everyMs: 200 }, effects: [step(1)] },
    { on: { kind: 'held', control: 'c', afterMs: 1000, everyMs: 200 }, effects: [step(-1)] },
  ],
});
const told = (unit: PlayedBoard, bundle: Bundle): string[] =>
  unit.happened.flatMap((e) => (e.kind === 'missed' ? [missedWords(bundle, e.nearest.of, e.nearest.miss)] : []));
const entry = (unit: PlayedBoard): unknown =>
  unit.state.controllers.get('main' as never)?.variables.get('entry' as never);

describe('a key that goes on by itself while it is kept down', () => {
  const inList = (wraps = false) => new PlayedBoard(boardBundle([into], [], list(wraps))).press('b', 2).wait(2000);

  it('steps once when pressed, and after a while again and again when kept down', () => {
    const unit = inList();
    expect(entry(unit.press('a'))).toBe(2);
    // 1.0 s, 1.2, 1.4, 1.6: four more
    expect(entry(unit.hold('a', 1700).wait(500))).toBe(6);
    expect(entry(unit.hold('c', 1300).wait(500))).toBe(4);
    expect(unit.missed).toEqual([]);
  });
  it('stops at the end of the list, or goes round', () => {
    expect(entry(inList().hold('a', 12_000).wait(500))).toBe(40);
    expect(entry(inList(true).hold('a', 9000).wait(500))).toBe(2);
  });
  it('nothing goes on by itself once it is let go of, nor in a mode that does not say so', () => {
    const unit = inList().hold('a', 1700);
    const at = entry(unit);
    expect(entry(unit.wait(10_000))).toBe(at);
    expect(new PlayedBoard(boardBundle([into], [], list(false))).hold('a', 5000).wait(9000).mode).toBe('idle');
  });
});

describe('bringing a list to an entry', () => {
  const pick: BoardRoute = {
    id: 'pick',
    script: 'from service\nstep a from 1 to 14 ramp after 1 s every 0.2 s back c\npress b\nreach tests',
  };
  const bundle = boardBundle([into, pick], [], list(false));
  const inList = () => new PlayedBoard(bundle).press('b', 2).wait(2000);

  it.each<[string, (unit: PlayedBoard) => PlayedBoard]>([
    ['by presses alone', (u) => u.press('a', 13)],
    // 1 + (3 s − 1 s) ÷ 0.2 s
    ['by keeping it down, then the last by presses', (u) => u.hold('a', 3050).wait(300).press('a', 2)],
    ['past it and back again', (u) => u.hold('a', 3700).wait(300).press('c')],
    ['past it, too far back, and on again', (u) => u.press('a', 15).press('c', 3).press('a')],
  ])('%s', (_, done) => {
    const unit = done(inList());
    expect(entry(unit)).toBe(14);
    unit.press('b').wait(3000);
    expect(unit.done).toContain('pick');
    expect([unit.mode, ...unit.missed]).toEqual(['tests']);
  });

  it('somebody who stops at another entry is told how many it was', () => {
    const unit = inList().press('a', 12).wait(300).press('b').wait(9000);
    expect(unit.mode).toBe('service');
    expect(told(unit, bundle).at(-1)).toMatch(/“pick”.*done 12 times instead of 13 times/);
    const over = inList().press('a', 15).wait(300).press('b').wait(9000);
    expect(told(over, bundle).at(-1)).toMatch(/“pick”.*done 15 times instead of 13 times/);
  });

  it('where nothing leads back, past it is one too many; where it goes round, people go round', () => {
    const way = (rest: string): BoardRoute => ({
      id: 'pick',
      script: `from service\nstep a from 1 to 4 ramp after 1 s every 0.2 s${rest}\npress b\nreach tests`,
    });
    const only = boardBundle([into, way('')], [], list(false));
    const past = new PlayedBoard(only).press('b', 2).wait(2000).hold('a', 1900).wait(9000);
    expect(told(past, only).at(-1) ?? '').toMatch(/^$|“pick”.*instead of 3/);
    expect(past.press('b').wait(3000).mode).toBe('service');
    const round = boardBundle([into, way(' round 1 to 40')], [], list(true));
    const on = new PlayedBoard(round).press('b', 2).wait(2000).hold('a', 1900).wait(300).press('a', 38).wait(300);
    expect(entry(on)).toBe(4);
    expect(on.press('b').wait(2000).mode).toBe('tests');
  });
});

describe('both at once', () => {
  const bundle = boardBundle([{ id: 'both', script: 'from idle\ntogether a + c within 0.4 s\nreach service' }]);
  const pair = (apartMs: number) =>
    new PlayedBoard(bundle)
      .down('a')
      .wait(apartMs - 100)
      .down('c')
      .wait(200)
      .up('a')
      .up('c')
      .wait(3000);
  it('goes down within so much of each other, and up again', () => {
    expect(pair(300).mode).toBe('service');
    const late = pair(900);
    expect(late.mode).toBe('idle');
    expect(told(late, bundle).join()).toMatch(/0.5 s too far apart, they go down together/);
  });
  it('so many times', () => {
    const twice = boardBundle([{ id: 'twice', script: 'from idle\ntogether a + c 2 times\nreach service' }]);
    const once = (u: PlayedBoard) => u.down('a').down('c').wait(150).up('c').up('a').wait(200);
    expect(once(new PlayedBoard(twice)).wait(3000).mode).toBe('idle');
    expect(once(once(new PlayedBoard(twice))).wait(3000).mode).toBe('service');
  });
});

describe('a value that is set with a knob', () => {
  it.each<[string, string, Array<['cw' | 'ccw' | 'press', number]>]>([
    [
      'all of it as one number',
      'dial "14" from "00" with knob knob\npress b',
      [
        ['cw', 14],
        ['press', 1],
      ],
    ],
    [
      'the shorter way round',
      'dial "97" from "00" with knob knob\npress b',
      [
        ['ccw', 3],
        ['press', 1],
      ],
    ],
    [
      'character by character',
      'dial "29" from "00" with knob knob next c\npress b',
      [
        ['cw', 2],
        ['press', 0],
        ['ccw', 1],
        ['press', 1],
      ],
    ],
  ])('%s', (_, script, done) => {
    const bundle = boardBundle([{ id: 'dial', script: `from idle\n${script}\nreach service` }]);
    const unit = new PlayedBoard(bundle);
    for (const [way, n] of done)
      if (way === 'press') unit.wait(900).press(n === 0 ? 'c' : 'b');
      else unit.turn('knob', way, n);
    expect([unit.wait(2000).mode, ...told(unit, bundle)]).toEqual(['service']);
  });
});

describe('until', () => {
  it('several signs show at once, a lamp is dark, a text stops flashing', () => {
    for (const until of ['l1 lit and l2 lit', 'l1 dark', 'line "12" steady', 'line "12" flashing']) {
      const bundle = boardBundle([{ id: 'r', script: `from idle\nhold a until ${until}\nreach service` }]);
      const unit = new PlayedBoard(bundle).hold('a', 1600).wait(3000);
      expect([until, unit.mode]).toEqual([until, 'service']);
      expect(new PlayedBoard(bundle).hold('a', 1200).wait(3000).mode).toBe('idle');
    }
  });
  it('a hold that counts from when the supply came', () => {
    const bundle = boardBundle([
      { id: 'r', script: 'set power off\nkeep a for 4 s to 6 s from power-on\n  set power on\nreach service' },
    ]);
    const held = (beforeMs: number, afterMs: number) =>
      new PlayedBoard(bundle)
        .set('power', 'off')
        .down('a')
        .wait(beforeMs)
        .set('power', 'on')
        .wait(afterMs)
        .up('a')
        .wait(3000);
    expect(held(5000, 4800).mode).toBe('service');
    // long enough in the hand, but not since it woke
    expect(held(5000, 2000).mode).not.toBe('service');
  });
});

describe('a way made of ways', () => {
  const ways: BoardRoute[] = [
    into,
    {
      id: 'on',
      script: 'from service\nhold rocker up for 1 s to 3 s\nreach service',
      rest: { purpose: 'step', effects: [step(1)] },
    },
    { id: 'third', script: 'from service\ndo on 3 times\npress b\nreach tests', rest: { purpose: 'step' } },
  ];
  const bundle = boardBundle(ways, [], {
    variables: [{ kind: 'cursor', id: 'entry', from: 1, to: 9, start: 1, wraps: false }],
  });
  const inService = () => new PlayedBoard(bundle).press('b', 2).wait(2000);
  const up = (u: PlayedBoard, ms = 1800) => u.set('rocker', 'up').wait(ms).set('rocker', 'rest').wait(400);

  it('its parts do what they do, and it does what it does', () => {
    const unit = up(up(up(inService())));
    expect([entry(unit), unit.mode]).toEqual([4, 'service']);
    expect(unit.press('b').wait(1000).mode).toBe('tests');
    expect(unit.missed).toEqual([]);
  });
  it('goes on across the modes its parts lead into', () => {
    const across = boardBundle([
      into,
      { id: 'view', script: 'from service\npress c 2 times\nreach tests', rest: { purpose: 'step' } },
      { id: 'far', script: 'from idle\ndo in\ndo view\npress a 3 times\nreach tests', rest: { purpose: 'step' } },
    ]);
    const unit = new PlayedBoard(across).press('b', 2).wait(1500).press('c', 2).wait(1500);
    expect([unit.mode, unit.done]).toEqual(['tests', ['in', 'view']]);
    expect(unit.press('a', 3).wait(1500).done).toEqual(['in', 'view', 'far']);
  });
  it('one part alone is one part, and nothing is said of the longer way', () => {
    const unit = up(inService()).wait(20_000);
    expect([entry(unit), ...unit.missed]).toEqual([2]);
  });
  it('a miss is told within the part it happened in', () => {
    const unit = up(up(up(inService()), 500))
      .press('b')
      .wait(9000);
    expect(told(unit, bundle).join(' ')).toMatch(/“third”: in its part “on”, “rocker .*let go 0\.\d s too early/);
  });
});

describe('what a unit does when a code comes', () => {
  const codes = ['E1', 'E2'].map((text) => ({
    kind: 'code',
    id: text.toLowerCase(),
    family: 'bench',
    controller: 'main',
    readout: null,
    text,
    title: text,
    saw: '',
    does: '',
    suspects: [],
    scope: 'technician',
    harmless: 'Nothing moves.',
    source: null,
    standing: 'document',
  }));
  const shut = { kind: 'mode', id: 'shut', family: 'bench', controller: 'main', name: 'Shut', sort: 'locked-out' };
  const make = (service: Raw, routes: BoardRoute[] = [into]) => boardBundle(routes, [...codes, shut], service);
  const code = (unit: PlayedBoard, id: string, stands = true) =>
    unit.do({ kind: 'code', at: unit.state.at + 100, code: id as never, stands });
  const comes = (of: string[] = []) => ({ transitions: [{ on: { kind: 'code-comes', codes: of }, to: 'shut' }] });

  it('any code, or the one it waits for, leads on', () => {
    const inService = (service: Raw) => new PlayedBoard(make(service)).press('b', 2).wait(2000);
    expect(code(inService(comes()), 'e2').mode).toBe('shut');
    expect(code(inService(comes(['e1'])), 'e2').mode).toBe('service');
    expect(code(inService(comes(['e1'])), 'e1').mode).toBe('shut');
    // one that goes away comes up to nobody
    expect(code(inService(comes()), 'e1', false).mode).toBe('service');
  });
  it('one that stands already leads on as its mode begins', () => {
    const stands = { transitions: [{ on: { kind: 'code-stands', codes: ['e1'] }, to: 'shut' }] };
    const unit = code(new PlayedBoard(make(stands)), 'e1')
      .press('b', 2)
      .wait(2000);
    expect(unit.mode).toBe('shut');
    expect(new PlayedBoard(make(stands), ['E1']).press('b', 2).wait(2000).mode).toBe('service');
    const gone = code(code(new PlayedBoard(make(stands)), 'e1'), 'e1', false)
      .press('b', 2)
      .wait(2000);
    expect(gone.mode).toBe('service');
  });
  it('what stands is in front, and stays when memory is erased', () => {
    const unit = code(new PlayedBoard(make({}), ['E2']), 'e1');
    expect(unit.state.memory.get('main' as never)).toEqual([
      { text: 'E1', standing: true },
      { text: 'E2', standing: false },
    ]);
  });
  it('a code nobody knows is refused with a word', () => {
    const unit = code(new PlayedBoard(make({})), 'e9');
    expect(unit.happened).toMatchObject([{ kind: 'refused', why: 'no-such-code' }]);
  });
  it('a way that is there for one code only, or only while one stands, is there then', () => {
    const only: BoardRoute = { id: 'reset', script: 'from idle\npress c\nreach tests', rest: { onlyFor: ['e1'] } };
    const bundle = make({}, [into, only]);
    expect(new PlayedBoard(bundle, ['E1']).press('c').wait(900).mode).toBe('tests');
    const without = new PlayedBoard(bundle).press('c').wait(9000);
    expect([without.mode, told(without, bundle).join()]).toEqual([
      'idle',
      expect.stringMatching(/only with E1 in memory/),
    ]);
    const when = { kind: 'code-stands', codes: ['e1'] };
    const while1: BoardRoute = { id: 'reset', script: 'from idle\npress c\nreach tests', rest: { when } };
    expect(new PlayedBoard(make({}, [into, while1]), ['E1']).press('c').wait(900).mode).toBe('idle');
    expect(
      code(new PlayedBoard(make({}, [into, while1])), 'e1')
        .press('c')
        .wait(900).mode,
    ).toBe('tests');
  });
});

describe('what is taken along', () => {
  it('the entry that was picked goes into the next mode, and a way holds only at one of them', () => {
    const view = {
      kind: 'mode',
      id: 'view',
      family: 'bench',
      controller: 'main',
      name: 'View',
      sort: 'live',
      variables: [{ kind: 'cursor', id: 'shown', from: 1, to: 40, start: 1, wraps: false }],
    };
    const open: BoardRoute = {
      id: 'open',
      script: 'from service\nhold b for 1 s to 3 s\nreach view',
      rest: { purpose: 'step', effects: [{ kind: 'carry', from: 'entry', to: 'shown' }] },
    };
    const third: BoardRoute = {
      id: 'third',
      script: 'from service\nhold c for 1 s to 3 s\nreach tests',
      rest: { purpose: 'step', when: { kind: 'variable', variable: 'entry', is: 3 } },
    };
    const bundle = boardBundle([into, open, third], [view], {
      ...list(false),
      transitions: [gesture(press('a'), [step(1)])],
    });
    const at = (n: number) =>
      new PlayedBoard(bundle)
        .press('b', 2)
        .wait(2000)
        .press('a', n - 1)
        .wait(500);
    const shown = (u: PlayedBoard) => u.state.controllers.get('main' as never)?.variables.get('shown' as never);
    expect(shown(at(5).hold('b', 1800).wait(500))).toBe(5);
    expect(at(3).hold('c', 1800).wait(500).mode).toBe('tests');
    const other = at(4).hold('c', 1800).wait(9000);
    expect(other.mode).toBe('service');
    expect(told(other, bundle).join()).toMatch(/only where entry is 3/);
  });
});

describe('tests that run by themselves', () => {
  const test = (number: string, followedBy: string | null, more: Raw = {}): Raw => ({
    number,
    name: `Test ${number}`,
    starts: '',
    expected: '',
    followedBy,
    takes: { leastMs: 4000, usualMs: 5000, mostMs: 6000 },
    ...more,
  });
  const bundle = boardBundle([into], [], {
    tests: [
      test('1', '2', { expects: { kind: 'signs', signs: [{ kind: 'lamp', sign: 'l1', state: 'fast' }] } }),
      test('2', '3', { skipBy: press('a'), againBy: press('c') }),
      test('3', null),
    ],
  });
  const running = (u: PlayedBoard) => u.state.controllers.get('main' as never)?.test?.number ?? null;
  const inService = () => new PlayedBoard(bundle).press('b', 2);

  it('follow one another, show what they show, and are over', () => {
    const unit = inService().wait(1000);
    expect([running(unit), unit.sees('l1')]).toEqual(['1', 'fast']);
    expect([running(unit.wait(5000)), unit.sees('l1')]).toEqual(['2', 'dark']);
    expect(running(unit.wait(5000))).toBe('3');
    expect(running(unit.wait(5000))).toBe(null);
    const begun = unit.happened.flatMap((e) => (e.kind === 'test' ? [e.number] : []));
    expect(begun).toEqual(['1', '2', '3', null]);
  });
  it('are passed on from, or begun anew, by a key, while they run and not before', () => {
    const unit = inService().wait(1000).press('a');
    expect(running(unit.wait(1000))).toBe('1');
    expect(running(unit.wait(4000).press('a'))).toBe('3');
    const again = inService().wait(9000).press('c').wait(3000);
    expect(running(again)).toBe('2');
  });
});
