import { describe, expect, it } from 'vitest';
import { bundleFacts, printSteps, type Step } from '../index.ts';
import { boardBundle } from '../testing/unit.ts';
import { type Answers, noAnswers, picksFor, putRight } from './answers.ts';
import { readTold } from './speech/read.ts';
import { stretchesOf } from './speech/stretches.ts';

const facts = bundleFacts(boardBundle([]));
const read = (text: string, answers: Partial<Answers> = {}) =>
  readTold(text, facts, undefined, { ...noAnswers, ...answers });
const script = (text: string, answers: Partial<Answers> = {}): string =>
  read(text, answers)
    .routes.map((r) => printSteps([...r.steps]).trim())
    .join('\n');

describe('what is not known is asked, and one answer settles all that is alike', () => {
  const way = 'Um, power off, you know. Then the knob, four clicks. Power on, and the knob two clicks.';
  it('which way a knob goes', () => {
    expect(script(way)).not.toContain('turn');
    expect(read(way).doubts.map((d) => d.asked)).toEqual([
      { is: 'way', control: 'knob' },
      { is: 'way', control: 'knob' },
    ]);
    expect(script(way, { ways: { knob: 'ccw' } })).toBe(
      'set power off\nturn knob left 4 clicks\nset power on\nturn knob left 2 clicks',
    );
    expect(read(way, { ways: { knob: 'ccw' } }).doubts).toEqual([]);
  });

  const unit = 'Power off. Turn the knob three times to the right. Power on. Then turn the knob twice to the left.';
  it('clicks or whole turns', () => {
    expect(script(unit)).toBe('set power off\nset power on');
    expect(read(unit).doubts.map((d) => d.asked)).toEqual([
      { is: 'unit', control: 'knob' },
      { is: 'unit', control: 'knob' },
    ]);
    expect(script(unit, { units: { knob: 'clicks' } })).toBe(
      'set power off\nturn knob right 3 clicks\nset power on\nturn knob left 2 clicks',
    );
    expect(script(unit, { units: { knob: 'turns' } })).toContain('sweep knob right 3 turns');
    expect(read(unit, { units: { knob: 'turns' } }).doubts).toEqual([]);
  });

  const one =
    'So power off first, right, and hold that one down for five seconds. Power on. Hold that one down for two seconds.';
  it('which one “that one” is', () => {
    const told = read(one);
    expect(told.doubts.map((d) => d.about)).toEqual(['which one “that one” is', 'which one “that one” is']);
    expect(picksFor({ is: 'one', phrase: 'that one', does: 'hold' }, facts).map((c) => c.control.id)).toEqual([
      'a',
      'b',
      'c',
      'rocker',
    ]);
    expect(script(one, { ones: { 'that one': 'b' } })).toBe(
      'set power off\nhold b for 5 s\nset power on\nhold b for 2 s',
    );
  });

  const name = 'So power off first, okay, and press the banana three times. Power on, then press the banana twice.';
  it('what somebody calls a control', () => {
    expect(read(name).doubts.map((d) => d.asked)).toEqual([
      { is: 'name', phrase: 'banana', does: 'press' },
      { is: 'name', phrase: 'banana', does: 'press' },
    ]);
    expect(script(name)).toBe('set power off\nset power on');
    expect(script(name, { names: { banana: 'c' } })).toBe(
      'set power off\npress c 3 times\nset power on\npress c 2 times',
    );
  });
  it.each([way, unit, one, name])('until then a hole stands at its place: %#', (text) => {
    const told = read(text);
    const open = stretchesOf(told).filter((s) => s.is === 'not-understood');
    expect(told.doubts.length).toBeGreaterThan(0);
    expect(open.length + told.doubts.length).toBeGreaterThan(1);
  });
  it.each([
    'Power off, then I pushed the cat away and pressed a twice.',
    'Hit that like button twice. Power off.',
    'Power off. Somebody opened the window.',
  ])('of other things nothing is asked: %s', (text) => expect(read(text).doubts).toEqual([]));
  it('what sounds like something to do and is not known stays open', () => {
    const told = read('Okay, so power off. Kick the left wheel. Then power on, um, again.');
    expect(
      stretchesOf(told)
        .filter((s) => s.is === 'not-understood')
        .map((s) => s.text),
    ).toEqual(['Kick the left wheel']);
  });
});

describe('putRight', () => {
  const press = (times: number): Step => ({ kind: 'press', control: 'a' as never, times });
  it('puts one step right wherever it stands, and leaves the rest', () => {
    const inside: Step[] = [{ kind: 'group', times: 1, steps: [press(3), press(5)] }, press(2)];
    expect(putRight(inside, press(5), press(4))).toEqual([
      { kind: 'group', times: 1, steps: [press(3), press(4)] },
      press(2),
    ]);
    expect(putRight(inside, press(9), press(4))).toEqual(inside);
  });
  it('a summing-up says what the step would be after it', () => {
    const told = read(
      'So, power off, right. Then press a, what is it, five times. Then hold b for three seconds. And power on. So in short: power off, a four times, b for three seconds, power on.',
    );
    expect(told.contradictions).toMatchObject([{ about: 'count', before: { times: 5 }, instead: { times: 4 } }]);
  });
});
