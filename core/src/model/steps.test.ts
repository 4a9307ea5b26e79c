import { describe, expect, it } from 'vitest';
import { parseScript } from '../script/parse.ts';
import { printSteps } from '../script/print.ts';
import type { Step } from './route.ts';
import { eachStep, withInner } from './steps.ts';

const script = [
  'press a',
  'keep b',
  '  press c',
  '  group 2 times',
  '    press d',
  '    if x lit',
  '      press e',
  '    else',
  '      press f',
  'press g',
]
  .map((line) => `${line}\n`)
  .join('');
const { steps, problems } = parseScript(script);

describe('steps within steps', () => {
  it('are all given, each after the one it stands in, with its path', () => {
    expect(problems).toEqual([]);
    expect(
      eachStep(steps, ['steps']).map(({ step, at }) => [
        step.kind === 'press' ? step.control : step.kind,
        at.join('.'),
      ]),
    ).toEqual([
      ['a', 'steps.0'],
      ['keep', 'steps.1'],
      ['c', 'steps.1.during.0'],
      ['group', 'steps.1.during.1'],
      ['d', 'steps.1.during.1.steps.0'],
      ['branch', 'steps.1.during.1.steps.1'],
      ['e', 'steps.1.during.1.steps.1.met.0'],
      ['f', 'steps.1.during.1.steps.1.otherwise.0'],
      ['g', 'steps.2'],
    ]);
  });
  it('made anew as they are, they say the same; left out, what holds them stays', () => {
    const same = (list: readonly Step[]): Step[] => list.map((step) => withInner(step, (inner) => same(inner)));
    expect(printSteps(same(steps))).toBe(printSteps(steps));
    expect(steps.map((step) => withInner(step, () => []))).toEqual([steps[0], { ...steps[1], during: [] }, steps[2]]);
  });
});
