import type { Path } from '../base/path.ts';
import { assertNever } from '../base/result.ts';
import type { Step } from './route.ts';

/**
 * What there is to know of a kind of step: whether a hand works something, whether it takes time by itself, whether the
 * unit has to have its supply for it, and whether a coach can tell it together with others in a row.
 */
export const stepTraits: Readonly<
  Record<Step['kind'], Readonly<{ works: boolean; waits: boolean; powered: boolean; joins: boolean }>>
> = {
  press: { works: true, waits: false, powered: true, joins: true },
  hold: { works: true, waits: true, powered: false, joins: false },
  keep: { works: true, waits: false, powered: false, joins: false },
  release: { works: true, waits: false, powered: false, joins: true },
  turn: { works: true, waits: false, powered: true, joins: true },
  sweep: { works: true, waits: false, powered: true, joins: true },
  set: { works: true, waits: false, powered: false, joins: true },
  rest: { works: false, waits: true, powered: false, joins: false },
  'step-list': { works: true, waits: false, powered: true, joins: true },
  dial: { works: true, waits: false, powered: true, joins: true },
  choose: { works: true, waits: false, powered: false, joins: true },
  see: { works: false, waits: true, powered: false, joins: false },
  group: { works: false, waits: false, powered: false, joins: false },
  branch: { works: false, waits: false, powered: false, joins: false },
  'at-place': { works: false, waits: false, powered: false, joins: true },
  say: { works: false, waits: false, powered: false, joins: true },
  bypass: { works: true, waits: false, powered: false, joins: true },
};

/** Every step of a script with its path, nested ones included, in order. */
export function eachStep(steps: readonly Step[], at: Path): Array<{ step: Step; at: Path }> {
  return steps.flatMap((step, i) => {
    const here = [...at, i];
    switch (step.kind) {
      case 'keep':
        return [{ step, at: here }, ...eachStep(step.during, [...here, 'during'])];
      case 'group':
        return [{ step, at: here }, ...eachStep(step.steps, [...here, 'steps'])];
      case 'branch':
        return [
          { step, at: here },
          ...eachStep(step.met, [...here, 'met']),
          ...eachStep(step.otherwise, [...here, 'otherwise']),
        ];
      case 'at-place':
      case 'bypass':
      case 'choose':
      case 'dial':
      case 'hold':
      case 'press':
      case 'release':
      case 'rest':
      case 'say':
      case 'see':
      case 'set':
      case 'step-list':
      case 'sweep':
      case 'turn':
        return [{ step, at: here }];
      default:
        return assertNever(step);
    }
  });
}
