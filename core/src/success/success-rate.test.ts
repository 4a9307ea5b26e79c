import { describe, expect, it } from 'vitest';
import { normal, seeded } from '../base/random.ts';
import { compileSteps, planUnit } from '../index.ts';
import { stepsOf } from '../testing/routes.ts';
import { boardBundle } from '../testing/unit.ts';
import { type HandKind, handKinds } from './hands.ts';
import { calibrate, calibrateErrors, SuccessRun, shareInterval, successRateOf } from './success-rate.ts';

const { facts } = planUnit(boardBundle([]));
const programOf = (script: string) => {
  const program = compileSteps(stepsOf(script), facts);
  if (!program.ok) throw new Error(JSON.stringify(program.error));
  return program.value;
};
const rateOf = (script: string, hands: HandKind = 'gloved', runs = 1500, seed = 7) =>
  successRateOf({ program: programOf(script), facts, hands, runs, seed });
const five = (seconds: number) => `press b\nwithin ${seconds} s of step-before\n  press a 5 times`;

describe('odds', () => {
  it('are the same for the same seed, and others for another', () => {
    expect(rateOf(five(3))).toEqual(rateOf(five(3)));
    expect(rateOf(five(3), 'gloved', 1500, 8).share).not.toBe(rateOf(five(3)).share);
  });
  it('rise with the window, from hopeless to sure', () => {
    const shares = [0.5, 2, 2.6, 3.2, 4, 8].map((s) => rateOf(five(s)).share);
    for (const [i, share] of shares.entries()) expect(share).toBeGreaterThanOrEqual(shares[i - 1] ?? 0);
    expect(shares[0]).toBe(0);
    expect(shares.at(-1)).toBeGreaterThan(0.9);
  });
  it('are better with bare hands than gloved, and worst the first time', () => {
    const [bare, gloved, first] = handKinds.map((kind) => rateOf(five(3), kind).share);
    expect(bare).toBeGreaterThan(gloved ?? 1);
    expect(gloved).toBeGreaterThan(first ?? 1);
  });
  it('name the step that fails most and how', () => {
    const tight = rateOf(`hold c for 3 s to 20 s\n${five(2.4)}`);
    expect(tight.worstStep).toBe('2.steps.0');
    expect(tight.failed[0]).toMatchObject({ at: '2.steps.0', code: 'after-window' });
  });
  it('advise to go quicker where the window is short, and nothing where it is long', () => {
    expect(rateOf(five(2.4)).pace).toBeLessThan(1);
    expect(rateOf(five(60)).pace).toBe(1);
  });
  it('can be done in pieces, with progress, and stopped', () => {
    const asked = { program: programOf(five(3)), facts, hands: 'gloved', runs: 900, seed: 3 } as const;
    const run = new SuccessRun(asked);
    expect(run.step(300)).toBe(false);
    expect(run.progress).toBeCloseTo(1 / 3);
    expect(run.result().runs).toBe(300);
    while (!run.step(300));
    expect(run.result()).toEqual(successRateOf(asked));
  });
  it('of no tries are nothing, with the widest interval', () => {
    expect(successRateOf({ program: programOf(five(3)), facts, hands: 'bare', runs: 0, seed: 1 })).toMatchObject({
      share: 0,
      low: 0,
      high: 1,
    });
  });
  it('stay a model until enough tries are recorded', () => {
    const model = rateOf(five(3));
    expect(calibrate(model, { took: 0, of: 0 })).toEqual({ share: model.share, from: 'model' });
    expect(calibrate(model, { took: 5, of: 10 }).from).toBe('model');
    const many = calibrate(model, { took: 10, of: 100 });
    expect(many.from).toBe('tries');
    expect(many.share).toBeLessThan(0.25);
  });
});

describe('what people do wrong', () => {
  const most = (script: string, hands: HandKind = 'first') => {
    const { errors, helps } = rateOf(script, hands, 4000);
    return [errors[0]?.kind, helps[0]?.aid];
  };
  it.each([
    ['press a 14 times', 'count', 'counter'],
    ['press b\nwithin 1.6 s of step-before\n  press a 3 times', 'pace', 'beat'],
    ['turn knob right 3 clicks\nturn knob left 2 clicks', 'way', 'labels'],
  ])('%s: mostly %s, and %s helps', (script, kind, aid) => {
    expect(most(script)).toEqual([kind, aid]);
  });
  it('is told of everybody: nobody hits it every time, and slips are rarer with practice', () => {
    const [bare, gloved, first] = handKinds.map((kind) => rateOf('press a', kind, 4000));
    for (const rate of [bare, gloved, first]) expect(rate?.share).toBeLessThan(1);
    expect(first?.share).toBeLessThan(bare?.share ?? 0);
  });
  it('a key that stands alone is not taken for another', () => {
    const kinds = (script: string) => rateOf(script, 'first', 4000).errors.map((e) => e.kind);
    expect(kinds('set lid open\nset lid shut')).not.toContain('key');
  });
});

describe('calibrateErrors', () => {
  it('draws what goes wrong towards what was said of real tries', () => {
    const model = [
      { kind: 'pace', share: 0.3 },
      { kind: 'key', share: 0.05 },
    ] as const;
    const none = calibrateErrors(model, { of: 0, wrong: { pace: 0, count: 0 } });
    expect(none).toEqual(model);
    const counted = calibrateErrors(model, { of: 40, wrong: { pace: 0, count: 20 } });
    expect(counted.map((e) => e.kind)).toEqual(['count', 'pace', 'key']);
    expect(counted[0]?.share).toBeCloseTo(0.4);
  });
});

describe('shareInterval', () => {
  it.each([
    [0, 10, 0, 0.278],
    [5, 10, 0.237, 0.763],
    [95, 100, 0.888, 0.978],
  ])('%i of %i', (took, runs, low, high) => {
    const interval = shareInterval(took, runs);
    expect(interval.low).toBeCloseTo(low, 2);
    expect(interval.high).toBeCloseTo(high, 2);
  });
});

describe('seeded', () => {
  it('spreads evenly, and normally', () => {
    const random = seeded(11);
    const even = Array.from({ length: 20_000 }, random);
    expect(even.reduce((a, b) => a + b) / even.length).toBeCloseTo(0.5, 1);
    const bell = Array.from({ length: 20_000 }, () => normal(random));
    const mean = bell.reduce((a, b) => a + b) / bell.length;
    expect(mean).toBeCloseTo(0, 1);
    expect(bell.reduce((a, b) => a + (b - mean) ** 2, 0) / bell.length).toBeCloseTo(1, 1);
  });
});
