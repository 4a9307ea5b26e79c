import { describe, expect, it } from 'vitest';
import { planUnit, type Step } from '../index.ts';
import { stepsOf } from '../testing/routes.ts';
import { boardBundle } from '../testing/unit.ts';
import { compileSteps } from './compile.ts';
import type { Op } from './op.ts';
import { idealHands, perform } from './perform.ts';
import { tryProgram } from './try.ts';

const { facts } = planUnit(boardBundle([]));
const compiled = (script: string) => compileSteps(stepsOf(script), facts);
const program = (script: string) => {
  const made = compiled(script);
  if (!made.ok) throw new Error(JSON.stringify(made.error));
  return made.value;
};

/** An operation in a few words. */
function words(op: Op): string {
  switch (op.op) {
    case 'press':
      return `press ${op.control} ${op.times}`;
    case 'hold':
    case 'grip':
    case 'drop':
      return `${op.op} ${op.grips.map((g) => `${g.control}${g.place ? ` ${g.place}` : ''}${g.sticks ? ' sticks' : ''}`).join(' + ')}${op.op !== 'grip' && op.sign ? ` #${op.sign.nth}` : ''}`;
    case 'turn':
      return `turn ${op.control} ${op.way} ${op.clicks}${op.stop ? ` to ${op.stop.click}` : ''}`;
    case 'list':
      return `list ${op.control} ${op.entries}${op.back ? ` back ${op.back}` : ''}${op.goesRound ? ` of ${op.goesRound}` : ''}`;
    case 'set':
      return `set ${op.control} ${op.to}`;
    case 'rest':
      return `rest ${op.leastMs}`;
    case 'choose':
      return `choose ${op.on} ${op.words}`;
    case 'show':
      return `show ${op.signs.length}`;
    case 'open':
    case 'close':
      return `${op.op} ${op.window}`;
    case 'guard':
      return `guard ${op.of.control}`;
    case 'branch':
      return `branch ${op.on.kind} ${op.otherwise}`;
    case 'jump':
      return `jump ${op.to}`;
  }
}

describe('compileSteps', () => {
  it.each<[string, string[]]>([
    ['press a', ['press a 1']],
    ['press a 3 times', ['press a 3', 'guard a']],
    ['press a\npress a', ['press a 2', 'guard a']],
    ['press any 2 times', ['press any 2', 'guard any']],
    ['hold a + rocker up for 3 s', ['hold a + rocker up']],
    ['hold lid open\nset lid shut', ['grip lid open sticks', 'set lid shut']],
    ['hold a until beep on #2', ['hold a #2']],
    ['keep a\n  press b', ['grip a', 'press b 1', 'drop a']],
    ['hold a\npress b\nlet-go all', ['grip a', 'press b 1', 'drop a']],
    ['turn knob right 3', ['turn knob cw 3', 'guard knob']],
    ['turn knob right 3\nturn knob left 1', ['turn knob cw 3', 'turn knob ccw 1', 'guard knob']],
    ['sweep knob left 2 to side', ['turn knob ccw 24 to 3', 'guard knob']],
    ['rest 2 s\nrest 3 s', ['rest 5000']],
    ['say nothing\nat the tap\npress a', ['press a 1']],
    ['step a from 2 to 5', ['press a 3', 'guard a']],
    ['step a from 1 to 5 ramp', ['list a 4']],
    ['dial "31" from "00" with a + b', ['press a 3', 'guard a', 'press b 1']],
    [
      'choose "M" > "E" on-unit confirm "Sure?" value "2"',
      ['choose unit M', 'choose unit E', 'choose unit Sure?', 'choose unit 2'],
    ],
    ['press a\nno l1 lit', ['press a 1']],
    ['within 5 s of power-on\n  press a 2 times', ['open 0', 'press a 2', 'close 0', 'guard a']],
    ['group 2 times\n  press a\n  press b', ['press a 1', 'press b 1', 'press a 1', 'press b 1', 'guard a']],
    ['if l1 lit\n  press a\nelse\n  press b', ['branch sign 3', 'press a 1', 'jump 4', 'press b 1']],
  ])('%j', (script, ops) => expect(program(script).ops.map(words)).toEqual(ops));

  it.each<[string, object]>([
    ['press nothing', { code: 'no-such-control', control: 'nothing', at: '0' }],
    ['press a\nset lid ajar', { code: 'no-such-place', control: 'lid', place: 'ajar', at: '1' }],
    ['press lid', { code: 'cannot', control: 'lid', act: 'press' }],
    ['turn a right 2', { code: 'cannot', control: 'a', act: 'turn' }],
    ['set a open', { code: 'cannot', control: 'a', act: 'set' }],
    ['hold knob for 2 s', { code: 'cannot', control: 'knob', act: 'hold' }],
    ['keep a\n  set lid ajar', { code: 'no-such-place', at: '0.during.0' }],
    ['let-go a', { code: 'nothing-held', control: 'a' }],
    ['dial "x" from "0" with a', { code: 'cannot-dial', text: 'x' }],
    ['bypass lid', { code: 'interlock', what: 'lid' }],
    ['say so', { code: 'nothing-done' }],
    ['group 100 times\n  group 100 times\n    press a\n    press b', { code: 'too-long' }],
  ])('%j is refused', (script, error) => {
    const made = compiled(script);
    expect(made.ok ? null : made.error).toMatchObject(error);
  });

  it('names the place of every operation in the script, also where steps were joined', () => {
    const { ops } = program('press a\nkeep b\n  press c\nrest 1 s\nrest 2 s');
    expect(ops.map((o) => o.at)).toEqual(['0', '1', '1.during.0', '1', '2']);
  });
  it('counts what has to be done', () => {
    const { acts, lastAct } = program('press a 2 times\nsee l1 lit\nrest 2 s\npress b');
    expect([acts.at(-1), lastAct]).toEqual([3, 4]);
  });
});

describe('perform', () => {
  const events = (script: string): string[] =>
    perform(program(script), facts, idealHands).map(({ event: e }) =>
      e.kind === 'place'
        ? `${e.control} ${e.to}`
        : e.kind === 'click'
          ? `${e.control} ${e.way}`
          : e.kind === 'choose'
            ? e.words
            : e.kind === 'down' || e.kind === 'up'
              ? `${e.control} ${e.kind}`
              : e.kind,
    );
  it.each<[string, string[]]>([
    ['press a 2 times', ['a down', 'a up', 'a down', 'a up']],
    ['press any', ['a down', 'a up']],
    ['keep a\n  press b', ['a down', 'b down', 'b up', 'a up']],
    ['hold rocker up for 1 s', ['rocker up', 'rocker rest']],
    ['hold lid open for 1 s\nset lid shut', ['lid open', 'lid shut']],
    ['set lid shut\npress a', ['a down', 'a up']],
    ['turn knob right 1\nturn knob left 2', ['knob cw', 'knob ccw', 'knob ccw']],
    ['choose "M" > "E" on-unit', ['M', 'E']],
    ['if l1 lit\n  press a\nelse\n  press b', ['b down', 'b up']],
    ['see l1 lit\nif l1 lit\n  press a\nelse\n  press b', ['a down', 'a up']],
    ['if nothing within 2 s\n  press a\nelse\n  press b', ['b down', 'b up']],
  ])('%j', (script, done) => expect(events(script)).toEqual(done));
  it('a sweep ends where it was said', () => {
    const clicks = perform(program('sweep knob right 1 to side'), facts, idealHands).length;
    expect(clicks % 12).toBe(3);
  });
  it('time only goes on', () => {
    for (const script of [
      'press a 5 times\nhold b for 3 s\nkeep a\n  press c 2 times',
      'group 3 times\n  set lid open\n  set lid shut',
    ])
      for (const [i, d] of perform(program(script), facts, idealHands).entries())
        expect(d.event.at).toBeGreaterThanOrEqual(perform(program(script), facts, idealHands)[i - 1]?.event.at ?? 0);
  });
});

describe('tryProgram', () => {
  const tried = (told: string, done: string) =>
    tryProgram(program(told), facts, perform(program(done), facts, idealHands, 9000));
  it.each<[string, string, string | null]>([
    ['press a 3 times', 'press a 3 times', null],
    ['press a 3 times', 'press a 4 times', 'one-too-many'],
    ['press a 3 times', 'press a 2 times\npress b', 'too-few'],
    ['hold a for 3 s to 5 s', 'hold a for 2 s to 2.5 s', 'let-go-early'],
    ['hold a for 3 s to 5 s', 'hold a for 6 s to 7 s', 'held-too-long'],
    ['press a', 'hold a for 3 s', 'held-not-pressed'],
    ['set power off\nset power on\npress a', 'set power off\npress a', 'other-control'],
    ['turn knob right 3', 'turn knob left 3', 'other-way'],
    ['rest 4 s\npress a\nrest 4 s\npress b', 'press a\nrest 1 s\npress b', 'too-early'],
    ['press a\nrest 1 s to 2 s\npress b', 'press a\nrest 5 s to 6 s\npress b', 'too-late'],
    ['choose "M" on-unit', 'choose "N" on-unit', 'other-choice'],
    ['hold rocker up for 2 s', 'hold rocker down for 2 s', 'other-place'],
    // the same again, and what is not the same again
    ['turn knob right 2\npress a', 'turn knob right 3\npress a', 'one-too-many'],
    [
      'turn knob right 2\nwithin 9 s of step-before\n  turn knob left 2',
      'turn knob right 3\nturn knob left 2',
      'one-too-many',
    ],
    ['turn knob right 2\nwithin 9 s of step-before\n  turn knob left 2', 'turn knob right 2\nturn knob left 2', null],
    ['press a 2 times\nsee l1 lit within 2 s to 3 s\npress a', 'press a 3 times', 'one-too-many'],
    ['press a 2 times\nwithin 9 s of step-before\n  press a 2 times', 'press a 4 times', null],
    ['press a 2 times\nhold a + b for 3 s', 'press a 2 times\nhold a + b for 3 s', null],
    ['press any 3 times', 'press a\npress b\npress c\npress a', 'one-too-many'],
    ['press any 3 times\nset lid open', 'press a\npress b\npress c\nset lid open', null],
    [
      'group 2 times\n  set lid open\n  press a\n  set lid shut',
      'group 2 times\n  set lid open\n  press a\n  set lid shut',
      null,
    ],
    [
      'group 2 times\n  set lid open\n  set lid shut\nset power off',
      'group 3 times\n  set lid open\n  set lid shut\nset power off',
      'one-too-many',
    ],
    [
      'group 2 times\n  set lid open\n  set lid shut\nset power off',
      'group 2 times\n  set lid open\n  set lid shut\nset power off',
      null,
    ],
    // kept, and let go of
    ['keep a + b\n  press c', 'keep a + b\n  press c', null],
    ['keep a\n  press b\npress c', 'hold a\npress b\npress c\nlet-go a', 'other-control'],
    ['keep a\n  press b', 'hold a\nlet-go a\npress b', 'let-go-early'],
    ['hold a\npress b\nlet-go a at beep on #2', 'hold a\npress b\nlet-go a at beep on #1', 'let-go-early'],
    ['hold a\npress b\nlet-go a at beep on #1', 'hold a\npress b\nlet-go a at beep on #3', 'let-go-late'],
    ['hold a + b for 3 s to 5 s', 'hold a + c for 3 s to 5 s', 'other-control'],
    ['hold a + b for 3 s to 5 s', 'hold a for 3 s to 5 s', 'let-go-early'],
    ['hold lid open for 3 s to 6 s\npress a', 'set lid open\nrest 1 s\nset lid shut', 'let-go-early'],
    ['hold lid open for 3 s to 6 s\npress a', 'set lid open\nrest 4 s to 5 s\nset lid shut\npress a', null],
    // times of their own
    ['press b\nwithin 2 s of step-before\n  press a 3 times', 'press b\npress a\nrest 3 s\npress a', 'after-window'],
    [
      'set power off\nset power on\nwithin 3 s of beep on\n  press a',
      'set power off\nset power on\npress a',
      'before-window',
    ],
    ['press a\nsee l1 lit within 3 s to 4 s\npress b', 'press a\npress b', 'before-sign'],
    ['press a\nif nothing within 3 s\n  press b\nelse\n  press c', 'press a\nrest 4 s\npress b', null],
    ['press a\nif nothing within 3 s\n  press b\nelse\n  press c', 'press a\npress b', 'other-control'],
    ['press a\nif nothing within 3 s\n  press b\nelse\n  press c', 'press a\npress c', null],
    ['set rocker up\nset rocker up', 'set rocker up\nset rocker up', null],
    ['set rocker up\nset rocker up\npress a', 'set rocker up\npress a', 'other-control'],
    ['set lid open\nset lid shut', 'set lid open\npress a', 'other-control'],
    ['press a\nset lid open', 'press a\nchoose "M" on-unit', 'other-control'],
    ['turn knob right 2', 'press a', 'other-control'],
    ['turn knob right 3', 'turn knob right 2\npress a', 'too-few'],
    ['press b\nwithin 2 s of step-before\n  press a 2 times', 'press b\npress a', 'after-window'],
    ['press b\npress a 2 times', 'press b\npress a', 'too-few'],
  ])('%j done as %j', (told, done, miss) => {
    const result = tried(told, done);
    expect(result.took ? null : result.miss.code).toBe(miss);
  });
  it('without end is not done', () => {
    const result = tryProgram(program('press a 3 times'), facts, []);
    expect(result).toMatchObject({ took: false, miss: { code: 'too-late', byMs: null, done: 0 } });
  });
});

describe('a step that is made anew', () => {
  it('compiles the same, whatever notes it carries', () => {
    const plain = stepsOf('press a 2 times\nhold b for 2 s to 4 s');
    const noted = plain.map((s): Step => ({ ...s, why: 'so', caution: 'controllerState', standing: 'hearsay' }));
    expect(compileSteps(noted, facts)).toEqual(compileSteps(plain, facts));
  });
});
