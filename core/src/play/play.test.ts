import { describe, expect, it } from 'vitest';
import { boardBundle, PlayedBoard } from '../testing/unit.ts';

const three = { id: 'three', script: 'from idle\npress a 3 times\nreach service' };
const long = { id: 'long', script: 'from idle\nhold a for 4 s to 8 s\nreach tests' };
const bench = (...routes: Array<{ id: string; script: string }>) => new PlayedBoard(boardBundle(routes));

describe('a unit on the bench', () => {
  it('counts presses and waits a moment whether one more comes', () => {
    const unit = bench(three).press('a', 3);
    expect(unit.mode).toBe('idle');
    expect(unit.wait(1000).mode).toBe('service');
  });
  it('refuses one press too many and one too few', () => {
    expect(bench(three).press('a', 4).wait(3000)).toMatchObject({ mode: 'idle', missed: ['three 0 one-too-many'] });
    expect(bench(three).press('a', 2).wait(3000).mode).toBe('idle');
  });
  it('holding where pressing was meant goes where the unit goes', () => {
    expect(bench(three, long).hold('a', 5000).wait(500).mode).toBe('tests');
  });
  it('says by how much a hold was too short or too long', () => {
    const unit = bench(long).hold('a', 3100).wait(100);
    expect(unit.missed).toEqual(['long 0 let-go-early 900']);
    expect(unit.mode).toBe('idle');
    expect(bench(long).hold('a', 9000).missed).toEqual(['long 0 held-too-long 1000']);
    const two = bench({ id: 'two', script: 'from idle\npress b\nhold a for 4 s to 8 s\nreach tests' });
    expect(two.press('b').hold('a', 3100).wait(900).missed).toEqual(['two 1 let-go-early 900']);
    expect(two.press('b').hold('a', 9000).wait(100).missed.at(-1)).toBe('two 1 held-too-long 1000');
  });
  it('tells of a first step that failed: a press that became a hold, and the nearest of two holds', () => {
    expect(bench(three).hold('a', 1400).missed).toEqual(['three 0 held-not-pressed 400']);
    const longer = { id: 'longer', script: 'from idle\nhold a for 10 s to 12 s\nreach service' };
    expect(bench(longer, long).hold('a', 3100).missed).toEqual(['long 0 let-go-early 900']);
  });
  it('tells of a beginning at the wrong time: a rest cut short, and another mode', () => {
    const rested = { id: 'rested', script: 'from idle\nrest 10 s\npress b 2 times\nreach service' };
    const unit = bench(rested).wait(3000).press('b').wait(1500);
    expect(unit.missed[0]).toMatch(/^rested 0 too-early \d+$/);
    expect(bench(rested).wait(10_500).press('b', 2).wait(1000)).toMatchObject({ mode: 'service', missed: [] });
    const inTests = { id: 'in-tests', script: 'from tests\npress b 2 times\nreach service' };
    expect(bench(inTests).press('b', 2).wait(1500).missed).toEqual(['in-tests 0 other-mode']);
    // a key that does something here is not told what it does elsewhere
    expect(bench(inTests, { id: 'here', script: 'from idle\npress b\nreach tests' }).press('b').missed).toEqual([]);
  });
  it('tells how long after the window the third click came', () => {
    const unit = bench({
      id: 'clicks',
      script: 'from idle\npress a\nwithin 2 s of step-before\n  turn knob right 3 clicks\nreach service',
    });
    unit.press('a').turn('knob', 'cw', 2).wait(2000).turn('knob', 'cw', 1);
    expect(unit.missed).toEqual(['clicks 1.steps.0 after-window 750']);
    expect(unit.happened.find((e) => e.kind === 'missed')).toMatchObject({ nearest: { miss: { nth: 3 } } });
  });
  it('takes clicks one way and back, and no other', () => {
    const script = 'from idle\nturn knob right 4 clicks\nturn knob left 2 clicks\nreach service';
    expect(bench({ id: 'r', script }).turn('knob', 'cw', 4).turn('knob', 'ccw', 2).wait(900).mode).toBe('service');
    expect(bench({ id: 'r', script }).turn('knob', 'cw', 5).turn('knob', 'ccw', 2).wait(900).mode).toBe('idle');
  });
  it('a full turn may stop early or late, but where it was said', () => {
    const script = 'from idle\nsweep knob right 1 turns to side\nreach service';
    expect(bench({ id: 's', script }).turn('knob', 'cw', 15).wait(900).mode).toBe('service');
    expect(bench({ id: 's', script }).turn('knob', 'cw', 12).wait(900).mode).toBe('idle');
  });
  it('keeps two down while a third is pressed', () => {
    const script = 'from idle\nkeep a + b\n  press c\nreach service';
    expect(bench({ id: 'k', script }).down('a').down('b').press('c').up('a').up('b').wait(10).mode).toBe('service');
    const early = bench({ id: 'k', script }).down('a').down('b').up('a').press('c').up('b').wait(10);
    expect(early).toMatchObject({ mode: 'idle', missed: ['k 0 let-go-early'] });
  });
  it('beeps twice and wants the rocker let go between the second beep and the third', () => {
    const script =
      'from idle\nset power off\nhold rocker down\nset power on\nlet-go rocker at beep on #2\nreach service';
    const until = (ms: number) =>
      bench({ id: 'beeps', script })
        .set('power', 'off')
        .set('rocker', 'down')
        .set('power', 'on')
        .wait(ms)
        .set('rocker', 'rest');
    expect(until(2000).mode).toBe('idle');
    expect(until(3000).mode).toBe('service');
    expect(until(4700).mode).toBe('idle');
    expect(until(2000).missed).toEqual(['beeps 3 let-go-early 700']);
    expect(until(3000).happened.filter((e) => e.kind === 'sign')).toHaveLength(2);
  });
  it('opens the window at the sign, not before', () => {
    const script = 'from idle\nset power off\nset power on\nwithin 3 s of beep on\n  press a 2 times\nreach service';
    const unit = bench({ id: 'w', script }).set('power', 'off').set('power', 'on');
    expect(unit.press('a').missed).toEqual(['w 2 before-window 1400']);
    const again = bench({ id: 'w', script }).set('power', 'off').set('power', 'on').wait(1500).press('a', 2).wait(1000);
    expect(again.mode).toBe('service');
  });
  it('a rest has its latest end, but who waits for a sign goes on from the sign', () => {
    const plain = { id: 'p', script: 'from idle\npress a\nrest 2 s to 4 s\npress b\nreach service' };
    expect(bench(plain).press('a').wait(3000).press('b').mode).toBe('service');
    expect(bench(plain).press('a').wait(4500).press('b').missed).toEqual(['p 2 too-late 750']);
    const shown = plain.script.replace('press b', 'see l1 lit within 1 s to 2 s\npress b');
    const after = (ms: number) => bench({ id: 's', script: shown }).press('a').wait(ms).press('b');
    expect(after(3000).missed).toEqual(['s 2 before-sign 250']);
    expect(after(9000).mode).toBe('service');
    const twice = shown.replace('press b', 'rest 2 s to 4 s\npress b');
    const later = (ms: number) => bench({ id: 't', script: twice }).press('a').wait(ms).press('b');
    expect(later(5000).missed).toEqual(['t 3 too-early 250']);
    expect(later(8500).mode).toBe('service');
    expect(later(10_000).missed.at(-1)).toBe('t 4 too-late 750');
  });
  it('a window opens with the sign that came last, not with its first time', () => {
    const window = 'see l1 lit within 1 s to 2 s\nwithin 9 s of l1 lit\n  press b';
    const script = `from idle\npress a\n${window}\nrest 8 s to 20 s\n${window}\nreach service`;
    const unit = bench({ id: 'w', script }).press('a').wait(3000).press('b').wait(12_000).press('b');
    expect(unit.mode).toBe('service');
  });
  it('does nothing without supply', () => {
    const unit = bench(three).set('power', 'off').press('a', 3).wait(1000);
    expect(unit.mode).toBe('idle');
    expect(unit.sees('l1')).toBe('dark');
  });
  it('goes the way of a branch when nothing is done, and the other when something is', () => {
    const script = 'from idle\npress a\nif nothing within 3 s\n  rest 1 s\nelse\n  press b\nreach service';
    expect(bench({ id: 'n', script }).press('a').wait(5000).mode).toBe('service');
    expect(bench({ id: 'n', script }).press('a').press('b').wait(100).mode).toBe('service');
    expect(bench({ id: 'n', script }).press('a').press('c').wait(100).mode).toBe('idle');
  });
  it('takes any key, and a way known not to work', () => {
    expect(bench({ id: 'any', script: 'from idle\npress any\nreach service' }).press('c').mode).toBe('service');
    const bundle = boardBundle([
      {
        ...three,
        rest: {
          knownNotToWork: [
            { how: 'Twice b', why: 'Opens a wash.', steps: [{ kind: 'press', control: 'b', times: 2 }] },
          ],
        },
      },
    ]);
    const unit = new PlayedBoard(bundle).press('b', 2).wait(1000);
    expect(unit.happened).toContainEqual(expect.objectContaining({ kind: 'known-not-to-work', how: 'Twice b' }));
    expect(unit.mode).toBe('idle');
  });
  it('tells of a way known not to work also where the unit went elsewhere meanwhile', () => {
    const steps = ['a', 'b'].map((control) => ({ kind: 'press', control, times: 1 }));
    const bundle = boardBundle([
      { id: 'first', script: 'from idle\npress a\nreach tests' },
      { ...three, rest: { knownNotToWork: [{ how: 'a, then b', why: 'The first key leaves.', steps }] } },
    ]);
    const unit = new PlayedBoard(bundle).press('a').press('b').wait(2000);
    expect(unit.mode).toBe('tests');
    expect(unit.happened).toContainEqual(expect.objectContaining({ kind: 'known-not-to-work', how: 'a, then b' }));
  });
  it('times out when nothing is done, and not before', () => {
    const unit = bench(three).press('a', 3).wait(59_000);
    expect(unit.mode).toBe('service');
    expect(unit.press('c').wait(59_000).mode).toBe('service');
    expect(unit.wait(2000).mode).toBe('idle');
  });
  it('moves a cursor, shows the code of its slot, and forgets after erasing', () => {
    const reads = {
      kind: 'readout',
      id: 'text',
      family: 'bench',
      name: 'Line',
      controller: 'main',
      modes: ['service'],
      standing: 'bench-proven',
      stages: [
        {
          id: 'code',
          label: 'code',
          comes: { kind: 'at-once' },
          reads: { kind: 'text', sign: 'line', length: 2, characters: 'E123' },
        },
      ],
      compose: [{ kind: 'stage', stage: 'code' }],
      specials: [
        { id: 'none', label: 'dashes', means: 'nothing-stored', signs: [{ kind: 'text', sign: 'line', text: '--' }] },
      ],
    };
    const bundle = boardBundle(
      [
        three,
        {
          id: 'next',
          script: 'from service\npress b\nreach service',
          rest: { effects: [{ kind: 'step', variable: 'slot', by: 1 }] },
        },
        { id: 'wipe', script: 'from service\nhold c for 3 s to 6 s\nreach service', rest: { purpose: 'clear' } },
      ],
      [reads],
      {
        variables: [{ kind: 'cursor', id: 'slot', from: 1, to: 2, start: 1, wraps: true }],
        shows: [{ kind: 'readout', readout: 'text', of: { kind: 'memory', slot: 'slot' } }],
      },
    );
    const unit = new PlayedBoard(bundle, ['E2', 'E3']).press('a', 3).wait(1000);
    expect(unit.sees('line')).toBe('E2');
    expect(unit.press('b').sees('line')).toBe('E3');
    expect(unit.press('b').sees('line')).toBe('E2');
    expect(unit.hold('c', 4000).sees('line')).toBe('--');
  });
  it('follows a quantity, and a message to another controller', () => {
    const aux = { kind: 'mode', family: 'bench', controller: 'aux', sort: 'standby' };
    const bundle = boardBundle(
      [{ ...three, rest: { effects: [{ kind: 'send', to: 'aux', message: 'hello' }] } }],
      [
        {
          ...aux,
          id: 'aux-idle',
          name: 'aux idle',
          transitions: [{ on: { kind: 'message', from: 'main', message: 'hello' }, to: 'aux-on' }],
        },
        { ...aux, id: 'aux-on', name: 'aux on', sort: 'service' },
      ],
      { transitions: [{ on: { kind: 'input', input: 'warmth', passes: 'above', value: 60 }, to: 'tests' }] },
    );
    const unit = new PlayedBoard(bundle).press('a', 3).wait(1000);
    expect(unit.state.controllers.get('aux' as never)?.mode).toBe('aux-on');
    unit.do({ kind: 'input', input: 'warmth' as never, value: 61, at: unit.state.at });
    expect(unit.mode).toBe('tests');
  });
  it('refuses what is out of order or cannot be, and stays as it is', () => {
    const unit = bench(three).wait(1000);
    const before = unit.state;
    unit.do({ kind: 'tick', at: 10 });
    expect(unit.state).toBe(before);
    unit.do({ kind: 'down', control: 'nothing' as never, at: 2000 });
    unit.do({ kind: 'place', control: 'lid' as never, to: 'ajar' as never, at: 2000 });
    unit.do({ kind: 'click', control: 'a' as never, way: 'cw', at: 2000 });
    expect(unit.happened.map((e) => (e.kind === 'refused' ? e.why : e.kind))).toEqual([
      'out-of-order',
      'no-such-control',
      'no-such-place',
      'cannot',
    ]);
  });
  it('two at the same instant are taken in their order', () => {
    const unit = bench({ id: 'both', script: 'from idle\nhold a + b for 2 s to 5 s\nreach service' });
    unit.do({ kind: 'down', control: 'a' as never, at: 50 }).do({ kind: 'down', control: 'b' as never, at: 50 });
    unit.wait(3000);
    unit.do({ kind: 'up', control: 'a' as never, at: 4000 }).do({ kind: 'up', control: 'b' as never, at: 4000 });
    expect(unit.mode).toBe('service');
  });
});
