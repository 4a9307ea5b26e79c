import { describe, expect, it } from 'vitest';
import { boardBundle, PlayedBoard } from '../testing/unit.ts';

const bench = (...routes: Array<{ id: string; script: string }>) => new PlayedBoard(boardBundle(routes));
const one = (script: string) => bench({ id: 'r', script: `from idle\n${script}\nreach service` });
/** The unit with time said exactly, one event an instant. */
const at = (
  unit: PlayedBoard,
  ...events: Array<readonly [ms: number, kind: string, control: string, more?: string]>
) => {
  for (const [ms, kind, control, more] of events) {
    const rest =
      kind === 'click' ? { way: more } : kind === 'place' ? { to: more } : kind === 'choose' ? { words: more } : {};
    const what = kind === 'choose' ? { on: control } : { control };
    unit.do({ at: ms, kind, ...what, ...rest } as never);
  }
  return unit.wait(3000);
};

describe('at the very edge', () => {
  it('of a window: in time at its last moment, late a moment after', () => {
    const script = 'press b\nwithin 2 s of step-before\n  press a';
    const b = [
      [100, 'down', 'b'],
      [200, 'up', 'b'],
    ] as const;
    expect(at(one(script), ...b, [2100, 'down', 'a'], [2200, 'up', 'a']).mode).toBe('service');
    const late = at(one(script), ...b, [2150, 'down', 'a'], [2201, 'up', 'a']);
    expect([late.mode, late.missed.at(-1)]).toEqual(['idle', 'r 1.steps.0 after-window 1']);
  });
  it('of a hold: let go at the least it is one, a moment before it is not; at the most it is too long', () => {
    const hold = (ms: number) => at(one('hold a for 3 s to 5 s'), [100, 'down', 'a'], [100 + ms, 'up', 'a']);
    expect(hold(3000).mode).toBe('service');
    expect(hold(2999).missed).toEqual(['r 0 let-go-early 1']);
    expect(hold(4999).mode).toBe('service');
    expect(hold(5001).missed).toEqual(['r 0 held-too-long 1']);
  });
  it('of a press: a second long it is one, longer it is a hold', () => {
    const press = (ms: number) =>
      at(one('press a\npress b'), [0, 'down', 'a'], [ms, 'up', 'a'], [2000, 'down', 'b'], [2100, 'up', 'b']);
    expect(press(1000).mode).toBe('service');
    expect(press(1001).missed.at(-1)).toBe('r 0 held-not-pressed 1');
  });
  it('of a rest: over at its least, and at its most at the latest', () => {
    const rest = (ms: number) =>
      at(
        one('press b\nrest 2 s to 4 s\npress a'),
        [0, 'down', 'b'],
        [100, 'up', 'b'],
        [100 + ms, 'down', 'a'],
        [200 + ms, 'up', 'a'],
      );
    expect(rest(2000).mode).toBe('service');
    expect(rest(1999).missed.at(-1)).toBe('r 1 too-early 1');
    expect(rest(3900).mode).toBe('service');
    expect(rest(4001).missed.at(-1)).toMatch(/^r 2 too-late/);
  });
  it('of a count: what comes within its pause is one too many, what comes after is not', () => {
    const fourth = (ms: number) => {
      const presses = [0, 400, 800].flatMap(
        (t) =>
          [
            [t, 'down', 'a'],
            [t + 100, 'up', 'a'],
          ] as const,
      );
      return at(one('press a 3 times'), ...presses, [900 + ms, 'down', 'a'], [950 + ms, 'up', 'a']);
    };
    expect(fourth(899).mode).toBe('idle');
    expect(fourth(901).mode).toBe('service');
  });
  it('of a count that is forgotten: eight seconds, or as long as its window', () => {
    const second = (script: string, ms: number) =>
      at(one(script), [0, 'down', 'a'], [100, 'up', 'a'], [100 + ms, 'down', 'a'], [200 + ms, 'up', 'a']);
    expect(second('press a 2 times', 7900).mode).toBe('service');
    expect(second('press a 2 times', 8100).missed[0]).toBe('r 0 too-few');
    expect(second('within 20 s of step-before\n  press a 2 times', 12_000).mode).toBe('service');
    expect(second('press a 2 times\n  - takes 8 s to 24 s', 20_000).mode).toBe('service');
  });
});

describe('what stays where it is put', () => {
  it('is let go of by moving it', () => {
    const script = 'hold lid open for 3 s to 6 s\npress a';
    const lid = (ms: number) => one(script).set('lid', 'open').wait(ms).set('lid', 'shut').press('a').wait(2000);
    expect(lid(3500).mode).toBe('service');
    expect(lid(1000).missed.at(-1)).toMatch(/^r 0 let-go-early 1700/);
  });
  it('put once more after a group of it is one too many, also when it is put back', () => {
    const script = 'group 2 times\n  set lid open\n  set lid shut\nhold a for 3 s to 6 s';
    const strokes = (n: number) => {
      const unit = one(script);
      for (let i = 0; i < n; i += 1) unit.set('lid', 'open').set('lid', 'shut');
      return unit.wait(3000).hold('a', 4000).wait(2000);
    };
    expect(strokes(2).mode).toBe('service');
    expect(strokes(3)).toMatchObject({ mode: 'idle' });
    expect(strokes(3).missed.at(-1)).toMatch(/^r 0 one-too-many/);
  });
});

describe('what is done without supply', () => {
  it.each([
    ['press a', (u: PlayedBoard) => u.press('a')],
    ['turn knob right 2 clicks', (u: PlayedBoard) => u.turn('knob', 'cw', 2)],
    [
      'choose "Menu" on-unit',
      (u: PlayedBoard) => u.do({ kind: 'choose', on: 'unit', words: 'Menu', at: u.state.at + 200 }),
    ],
  ])('%s: nothing comes of it, and that is what is told', (script, act) => {
    const dead = act(one(script).set('power', 'off')).wait(3000);
    expect(dead.mode).toBe('idle');
    expect(dead.missed.at(-1)).toMatch(/^r 0 no-power/);
    expect(act(one(script)).wait(3000).mode).toBe('service');
  });
  it('an instrument has its own', () => {
    const script = 'from idle\nchoose "Erase" with box\nreach service';
    const box = { kind: 'instrument', id: 'box', name: 'Box', functions: [] };
    const unit = new PlayedBoard(boardBundle([{ id: 'r', script }], [box])).set('power', 'off');
    unit.do({ kind: 'choose', on: 'box', words: 'Erase', at: unit.state.at + 200 });
    expect(unit.mode).toBe('service');
  });
});

describe('what comes next', () => {
  it('a sign that must show stands between two counts of one key', () => {
    const script = 'press a 2 times\nsee l1 lit within 2 s to 3 s\npress a 2 times';
    expect(one(script).press('a', 2).wait(4000).press('a', 2).wait(2000).mode).toBe('service');
    expect(one(script).press('a', 4).wait(4000).mode).toBe('idle');
  });
  it('a count and a hold of one key need no pause between them', () => {
    const script = 'press a 2 times\nhold a for 3 s to 6 s';
    expect(one(script).press('a', 2).hold('a', 4000).wait(500).mode).toBe('service');
    const three = one(script).press('a', 3).hold('a', 4000).wait(2000);
    expect([three.mode, three.missed.at(-1)?.split(' ').slice(0, 3)]).toEqual(['idle', ['r', '0', 'one-too-many']]);
  });
  it('a full turn stops where it was said near its count, not at the first time it comes by', () => {
    const script = 'sweep knob right 2 turns to side';
    expect(one(script).turn('knob', 'cw', 3).wait(2000).mode).toBe('idle');
    expect(one(script).turn('knob', 'cw', 27).wait(2000).mode).toBe('service');
  });
  it('two keys held are let go of one after the other', () => {
    const unit = one('hold a + b for 2 s to 9 s\npress c').down('a').down('b').wait(3000).up('a');
    expect(unit.mode).toBe('idle');
    expect(unit.up('b').press('c').wait(500).mode).toBe('service');
    expect(
      one('hold a + b for 2 s to 9 s').down('a').wait(3000).down('b').up('a').up('b').wait(500).missed.at(-1),
    ).toMatch(/let-go-early/);
  });
});

describe('what is told of a try', () => {
  const two = { id: 'two', script: 'from idle\npress a 2 times\npress b\nreach service' };
  it('comes once, and again only when something more was done', () => {
    const unit = bench(two).press('a').press('b').wait(30_000);
    expect(unit.missed).toEqual(['two 0 too-few']);
    expect(unit.press('c').wait(30_000).missed.length).toBe(2);
  });
  it('of what was held too long comes when it is let go, also of what springs back', () => {
    const rocker = bench({ id: 'r', script: 'from idle\nhold rocker up for 2 s to 4 s\nreach service' });
    rocker.set('rocker', 'up').wait(6000);
    expect(rocker.missed).toEqual([]);
    expect(rocker.set('rocker', 'rest').missed).toEqual(['r 0 held-too-long 2300']);
  });
  it('of what was begun and left comes after a while, with what comes next', () => {
    const unit = bench({ id: 'r', script: 'from idle\npress a\npress b\npress c\nreach service' })
      .press('a')
      .wait(5000);
    expect(unit.missed).toEqual([]);
    expect(unit.wait(5000).missed).toEqual(['r 1 unfinished']);
    // and it may still be gone on with
    expect(unit.press('b').press('c').wait(500).mode).toBe('service');
  });
  it('is of the try alone: what was done more than a minute before is another', () => {
    const unit = bench(two).press('a').press('c').wait(61_000).press('a', 2).press('c').wait(2000);
    expect(unit.missed.at(-1)).toBe('two 1 other-control');
  });
  it('names at most five others beside the nearest, each once', () => {
    const many = ['a', 'b', 'c'].flatMap((x) =>
      ['a', 'b', 'c'].map((y) => ({
        id: `${x}${y}`,
        script: `from idle\npress ${x} 3 times\npress ${y} 3 times\nreach service`,
      })),
    );
    const unit = bench(...many)
      .press('a', 2)
      .press('b', 3)
      .wait(12_000);
    const last = unit.happened.findLast((e) => e.kind === 'missed');
    if (last?.kind !== 'missed') throw new Error('nothing is told');
    const named = [last.nearest, ...last.others].map((n) => n.of.name);
    expect(named.length).toBeLessThanOrEqual(6);
    expect(new Set(named).size).toBe(named.length);
    expect(named[0]).toBe('ab');
  });
  it.each([
    ['keys', 'hold a for 4 s to 6 s', (u: PlayedBoard) => u.hold('a', 3000), /^meant 0 let-go-early/],
    [
      'several at once',
      'keep rocker up\n  press b 2 times',
      (u: PlayedBoard) => u.set('rocker', 'up').press('b', 3).set('rocker', 'rest'),
      /^meant 0.during.0 one-too-many/,
    ],
    [
      'a screen',
      'choose "M" > "E" on-unit',
      (u: PlayedBoard) => {
        for (const words of ['M', 'F']) u.do({ kind: 'choose', on: 'unit', words, at: u.state.at + 300 });
        return u;
      },
      /^meant 0 other-choice/,
    ],
    ['a knob', 'turn knob right 9 clicks', (u: PlayedBoard) => u.turn('knob', 'cw', 8), /^meant 0 too-few/],
  ])('comes to the one that works what was worked, among many: %s', (_, script, act, told) => {
    const decoys = Array.from({ length: 18 }, (_, n) => ({
      id: `other-${n}`,
      script: `from idle\npress c ${2 + n} times\npress ${n % 2 ? 'a' : 'b'} ${2 + n} times\nset lid open\nreach tests`,
    }));
    const unit = act(bench(...decoys, { id: 'meant', script: `from idle\n${script}\nreach service` })).wait(12_000);
    expect(unit.missed.at(-1)).toMatch(told);
  });
  it('a way known not to work that came to nothing hurries nobody', () => {
    const steps = ['b', 'c'].map((control) => ({ kind: 'press', control, times: 1 }));
    const bundle = boardBundle([
      {
        id: 'far',
        script: 'from idle\npress b\npress a\nreach service',
        rest: { knownNotToWork: [{ how: 'b, c', why: 'No.', steps }] },
      },
    ]);
    expect(new PlayedBoard(bundle).press('b').press('a').wait(500)).toMatchObject({ mode: 'service', missed: [] });
  });
  it('waits as long as something is still due, and no longer', () => {
    const unit = bench({ id: 'r', script: 'from idle\npress a\nrest 20 s to 40 s\npress b\nreach service' }).press('a');
    expect(unit.wait(21_000).missed).toEqual([]);
    expect(unit.wait(8000).missed).toEqual(['r 2 left-out']);
    expect(unit.press('b').mode).toBe('service');
  });
  it('of a circle of modes that end by themselves says only what it knows', () => {
    const mode = (id: string, to: string) => ({
      kind: 'mode',
      family: 'bench',
      controller: 'main',
      id,
      name: id,
      sort: 'running',
      transitions: [{ on: { kind: 'after', afterMs: 10_000 }, to }],
    });
    const bundle = boardBundle(
      [
        { id: 'go', script: 'from idle\npress b\nreach warm' },
        { id: 'in', script: 'from service\npress a 2 times\nreach tests' },
        { id: 'ready', script: 'from cool\npress c 2 times\nreach tests' },
      ],
      [mode('warm', 'cool'), mode('cool', 'warm')],
    );
    const running = () => new PlayedBoard(bundle).press('b').wait(1000);
    const told = (unit: PlayedBoard) => {
      const last = unit.wait(2500).happened.findLast((e) => e.kind === 'missed');
      return last?.kind === 'missed' ? last.nearest : null;
    };
    expect(told(running().press('a', 2))?.miss).toMatchObject({ code: 'other-mode', byMs: null, mode: 'warm' });
    const cool = told(running().press('c', 2));
    expect(cool?.of.name).toBe('ready');
    expect(cool?.miss).toMatchObject({ code: 'other-mode', lastsMs: 10_000 });
    expect(cool?.miss.leftMs).toBeGreaterThan(8000);
    expect(cool?.miss.leftMs).toBeLessThan(9200);
  });
  it('is of what can be done in the mode one is in, too', () => {
    const bundle = boardBundle([{ id: 'in', script: 'from idle\npress a\nreach service' }], [], {
      transitions: [
        {
          on: {
            kind: 'gesture',
            steps: [
              {
                kind: 'hold',
                controls: [{ control: 'b' }],
                until: { kind: 'span', span: { leastMs: 4000, usualMs: 5000, mostMs: 9000 } },
              },
            ],
          },
          to: 'tests',
        },
      ],
    });
    const unit = new PlayedBoard(bundle).press('a').wait(500).hold('b', 3000).wait(2000);
    expect(unit.missed.at(-1)).toBe('service 0 let-go-early 1000');
  });
  it('goes on after very much was done', () => {
    const unit = bench(two);
    for (let n = 0; n < 120; n += 1) unit.press('c');
    expect(unit.press('a').press('b').wait(3000).missed.at(-1)).toMatch(/^two 0/);
  });
  it('says what a mode takes nothing for, and lets the supply be worked the while', () => {
    const deaf = (id: string, sort: string, rest: object) => ({
      kind: 'mode',
      family: 'bench',
      controller: 'main',
      id,
      name: id,
      sort,
      ...rest,
    });
    const bundle = boardBundle(
      [
        { id: 'in', script: 'from boot\npress a\nreach service' },
        { id: 'cycle', script: 'from boot\nset power off\nset power on\nreach tests' },
        { id: 'go', script: 'from idle\npress b\nreach boot' },
      ],
      [deaf('boot', 'running', { deafForMs: 5000 })],
    );
    const booting = () => new PlayedBoard(bundle).press('b').wait(500);
    const early = booting().press('a').wait(2000);
    expect(early.missed.at(-1)).toMatch(/^in 0 deaf 4\d\d\d/);
    expect(early.mode).toBe('boot');
    expect(booting().wait(5000).press('a').mode).toBe('service');
    expect(booting().set('power', 'off').set('power', 'on').mode).toBe('tests');
  });
});

describe('what stays and what goes', () => {
  it('a way that ends takes the others of its mode with it', () => {
    const unit = bench(
      { id: 'short', script: 'from idle\npress a\nreach tests' },
      { id: 'long', script: 'from idle\npress a\npress b\nreach service' },
    );
    expect(unit.press('a').press('b').wait(2000)).toMatchObject({ mode: 'tests', done: ['short'] });
  });
  it('a sign that may show is not waited for, one that must is', () => {
    const quick = (see: string) =>
      one(`press a\n${see} l1 lit within 3 s to 4 s\npress b`).press('a').press('b').wait(500).mode;
    expect([quick('may'), quick('see')]).toEqual(['service', 'idle']);
  });
  it('what shows at the end shows, also once another mode is reached', () => {
    const unit = bench({ id: 'r', script: 'from idle\npress a\nsee l2 fast\nreach tests' }).press('a');
    expect([unit.mode, unit.sees('l2')]).toEqual(['tests', 'fast']);
    expect(unit.wait(4000).sees('l2')).toBe('dark');
  });
  it('what stands where it is held needs no hand', () => {
    const script = 'set lid open\npress b\nhold lid open + a for 2 s to 9 s';
    expect(one(script).set('lid', 'open').press('b').hold('a', 3000).wait(500).mode).toBe('service');
    const kept = one('keep lid open for 4 s to 9 s\n  press a\npress b');
    kept.set('lid', 'open').press('a').wait(1000);
    expect(kept.press('b').wait(500).mode).toBe('idle');
    const long = one('keep lid open for 4 s to 9 s\n  press a\npress b').set('lid', 'open').press('a').wait(5000);
    expect(long.press('b').wait(500).mode).toBe('service');
  });
  it('what stays where it is held is left so or put back, and is no hold where it was put back early', () => {
    const lid = () => bench({ id: 'w', script: 'from idle\nhold lid open for 2 s to 5 s\npress a\nreach service' });
    expect(lid().set('lid', 'open').wait(3000).press('a').wait(1000).mode).toBe('service');
    expect(lid().set('lid', 'open').wait(3000).set('lid', 'shut').press('a').wait(1000).mode).toBe('service');
    const early = lid().set('lid', 'open').wait(500).set('lid', 'shut').press('a').wait(9000);
    expect([early.mode, early.missed.at(-1)]).toEqual(['idle', expect.stringMatching(/^w 0 let-go-early 1200/)]);
    const more = bench({
      id: 'w',
      script: 'from idle\nhold lid open for 2 s to 5 s\nset lid shut\npress a\nreach service',
    });
    expect(more.set('lid', 'open').wait(3000).press('a').wait(1000).mode).toBe('idle');
  });
  it('a hold without a most may be let go of at any time after', () => {
    const unit = one('hold a for 2 s\npress b\npress c').down('a').wait(2500).press('b').up('a').press('c').wait(500);
    expect([unit.mode, unit.missed]).toEqual(['service', []]);
    const window = 'hold a for 2 s\nwithin 3 s of step-before\n  press b 2 times';
    expect(one(window).hold('a', 6000).press('b', 2).wait(2000).mode).toBe('service');
    expect(one(window).hold('a', 3000).wait(1500).press('b').wait(1500).press('b').wait(2000).missed.at(-1)).toMatch(
      /^r 1.steps.0 after-window/,
    );
  });
  it('a knob on its way to a rest is not there yet', () => {
    const unit = one('set knob side\npress a').turn('knob', 'cw', 2);
    expect(unit.press('a').wait(500).mode).toBe('idle');
    expect(one('set knob side\npress a').turn('knob', 'cw', 3).press('a').wait(500).mode).toBe('service');
  });
  it('two kept are both let go of before it is over', () => {
    const unit = one('keep a + b\n  press c').down('a').down('b').press('c').up('a').wait(300);
    expect(unit.mode).toBe('idle');
    expect(unit.up('b').mode).toBe('service');
  });
});

describe('a small step within a longer way', () => {
  it('is taken, and the longer way goes on', () => {
    const bundle = boardBundle(
      [
        { id: 'in', script: 'from idle\npress a\nreach service' },
        {
          id: 'next',
          script: 'from service\npress b\nreach service',
          rest: { purpose: 'step', effects: [{ kind: 'step', variable: 'slot', by: 1 }] },
        },
        { id: 'far', script: 'from service\npress b 3 times\nreach tests' },
      ],
      [],
      { variables: [{ kind: 'cursor', id: 'slot', from: 1, to: 6, start: 1, wraps: true }] },
    );
    const unit = new PlayedBoard(bundle).press('a').wait(500).press('b', 3).wait(1500);
    expect(unit.done).toEqual(['in', 'next', 'next', 'next', 'far']);
    expect(unit.mode).toBe('tests');
  });
});
