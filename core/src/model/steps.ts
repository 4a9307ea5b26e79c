import type { ControlId } from '../base/ids.ts';
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
  together: { works: true, waits: false, powered: true, joins: true },
  do: { works: false, waits: false, powered: false, joins: false },
  dial: { works: true, waits: false, powered: true, joins: true },
  choose: { works: true, waits: false, powered: false, joins: true },
  see: { works: false, waits: true, powered: false, joins: false },
  group: { works: false, waits: false, powered: false, joins: false },
  branch: { works: false, waits: false, powered: false, joins: false },
  'at-place': { works: false, waits: false, powered: false, joins: true },
  say: { works: false, waits: false, powered: false, joins: true },
  bypass: { works: true, waits: false, powered: false, joins: true },
};

type Inner = Readonly<{ at: 'during' | 'steps' | 'met' | 'otherwise'; steps: Step[] }>;

/** The lists of steps inside a step, in the order they come, by the field each stands in. */
export function innerLists(step: Step): readonly Inner[] {
  switch (step.kind) {
    case 'keep':
      return [{ at: 'during', steps: step.during }];
    case 'group':
      return [{ at: 'steps', steps: step.steps }];
    // what another route does is in it once it is filled in
    case 'do':
      return step.steps ? [{ at: 'steps', steps: step.steps }] : [];
    case 'branch':
      return [
        { at: 'met', steps: step.met },
        { at: 'otherwise', steps: step.otherwise },
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
    case 'together':
    case 'turn':
      return [];
    default:
      return assertNever(step);
  }
}

/** Every control a way of setting characters works. */
export function dialControls(by: Extract<Step, { kind: 'dial' }>['by']): ControlId[] {
  switch (by.kind) {
    case 'each':
      return [...by.up, ...by.down];
    case 'moving':
      return [by.up, by.next, ...(by.down ? [by.down] : [])];
    case 'knob':
      return [by.knob, ...(by.next ? [by.next] : [])];
    default:
      return assertNever(by);
  }
}

/** Every control a step itself works, those inside it left out. */
export function controlsOf(step: Step): ControlId[] {
  switch (step.kind) {
    case 'press':
      return step.control === 'any' ? [] : [step.control];
    case 'hold':
    case 'keep':
      return step.controls.map((h) => h.control);
    case 'release':
      return step.controls;
    case 'turn':
    case 'sweep':
    case 'set':
      return [step.control];
    case 'step-list':
      return [step.control, ...(step.back ? [step.back] : [])];
    case 'together':
      return step.controls;
    case 'dial':
      return dialControls(step.by);
    case 'at-place':
    case 'branch':
    case 'bypass':
    case 'choose':
    case 'do':
    case 'group':
    case 'rest':
    case 'say':
    case 'see':
      return [];
    default:
      return assertNever(step);
  }
}

/** The step with every list of steps inside it made anew. */
export const withInner = <S extends Step>(step: S, make: (steps: readonly Step[], at: Inner['at']) => Step[]): S => ({
  ...step,
  ...Object.fromEntries(innerLists(step).map(({ at, steps }) => [at, make(steps, at)])),
});

/** Every step of a script with its path, nested ones included, in order. */
export function eachStep(steps: readonly Step[], at: Path): Array<{ step: Step; at: Path }> {
  return steps.flatMap((step, i) => {
    const here = [...at, i];
    return [{ step, at: here }, ...innerLists(step).flatMap((inner) => eachStep(inner.steps, [...here, inner.at]))];
  });
}
