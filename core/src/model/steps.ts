import type { Path } from '../base/path.ts';
import { assertNever } from '../base/result.ts';
import type { Step } from './route.ts';

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
