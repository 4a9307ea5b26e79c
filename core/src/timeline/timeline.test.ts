import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { printSteps } from '../index.ts';
import { anyRouteScript, stepsOf } from '../testing/routes.ts';
import { anyStep } from '../testing/steps.ts';
import { changeStep, stepAt, stretchStep, stretchWindow } from './edit.ts';
import { layoutTimeline } from './layout.ts';

describe('layoutTimeline', () => {
  const enter =
    'set breaker off\nkeep rocker down until beeper on #2\n  set breaker on\nmay pump off\nwithin 5.8 s of pump off 2 times\n  set hood open\n  set hood shut\nsee lamp lit within 1 s';
  const timeline = layoutTimeline(stepsOf(enter));
  it('has a lane for every control and sign, controls first, in the order they come', () => {
    expect(timeline.lanes.map((l) => `${l.kind} ${l.id}`)).toEqual([
      'control breaker',
      'control rocker',
      'control hood',
      'sign beeper',
      'sign pump',
      'sign lamp',
    ]);
  });
  it('puts lamps that show the same into one lane', () => {
    const { lanes } = layoutTimeline(stepsOf('see l1 lit green, l2 lit green, l3 lit red within 1 s'));
    expect(lanes).toEqual([
      { kind: 'sign', id: 'l1', alike: ['l2'] },
      { kind: 'sign', id: 'l3', alike: [] },
    ]);
  });
  it('holds the rocker from its step to the second beep', () => {
    const rocker = timeline.marks.find((m) => m.kind === 'hold');
    const beeps = timeline.marks.filter((m) => m.kind === 'moment');
    expect(beeps.map((b) => b.says)).toEqual(['1', '2']);
    expect(rocker).toMatchObject({ at: '1', says: 'down', fromMs: 1200, toMs: beeps[1]?.fromMs });
  });
  it('says what is left of the window', () => {
    expect(timeline.brackets).toEqual([
      expect.objectContaining({ at: '3', usedMs: 4800, slackMs: 1000, toMs: expect.any(Number) }),
    ]);
    expect(timeline.brackets[0]?.slackRatio).toBeCloseTo(1000 / 5800);
  });
  it('draws groups in groups once there are too many, and says so', () => {
    const nested = (depth: number): string[] => [
      ...Array.from({ length: depth }, (_, i) => `${'  '.repeat(i)}group 90 times`),
      `${'  '.repeat(depth)}press a 9 times`,
    ];
    const one = layoutTimeline(stepsOf('group 3 times\n  press a'));
    expect([one.cut, one.marks.length]).toEqual([false, 3]);
    for (const depth of [1, 3, 6]) {
      const { cut, marks } = layoutTimeline(stepsOf(nested(depth).join('\n')));
      expect(cut).toBe(true);
      expect(marks.length).toBeLessThan(5000);
    }
  });
  it('is never earlier than its earliest, later than its latest, or outside its length', () => {
    fc.assert(
      fc.property(fc.oneof(anyRouteScript.map(stepsOf), fc.array(anyStep, { maxLength: 4 })), (steps) => {
        const { marks, lengthMs, lanes, brackets } = layoutTimeline(steps);
        const known = new Set(lanes.map((l) => `${l.kind}:${l.id}`));
        const lies = (m: (typeof marks)[number]): boolean =>
          m.fromMs >= 0 && m.toMs >= m.fromMs && m.toMs <= lengthMs && known.has(m.lane);
        expect(marks.filter((m) => !lies(m))).toEqual([]);
        for (const b of brackets) expect(b.slackMs).toBeCloseTo(b.toMs - b.fromMs - b.usedMs);
      }),
    );
  });
});

describe('editing in the timeline', () => {
  it('finds, changes and takes out a step by its place', () => {
    const steps = stepsOf('keep a\n  press b\n  group 2 times\n    press c');
    expect(stepAt(steps, '0.during.1.steps.0')).toMatchObject({ kind: 'press', control: 'c' });
    expect(printSteps(changeStep(steps, '0.during.0', () => null)).trim()).toBe('keep a\n  group 2 times\n    press c');
    expect(changeStep(steps, '7.during.0', () => null)).toEqual(steps);
  });
  it.each([
    ['hold a for 4 s to 6 s', 8000, 'hold a for 6.4 s to 9.6 s'],
    ['rest 5 s', 7040, 'rest 7 s'],
    ['keep a for 3 s\n  press b', 4000, 'keep a for 4 s\n  press b'],
    ['press a', 4000, 'press a'],
  ])('%s made %i ms long is %s', (script, ms, result) =>
    expect(printSteps(stretchStep(stepsOf(script), '0', ms)).trim()).toBe(result),
  );
  it('a window is made longer', () => {
    const steps = stretchWindow(stepsOf('within 5 s of power-on\n  press a'), '0', 6240);
    expect(printSteps(steps).trim()).toBe('within 6.2 s of power-on\n  press a');
  });
});
