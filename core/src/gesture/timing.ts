import { assertNever } from '../base/result.ts';
import type { Span } from '../base/words.ts';
import type { Step } from './model.ts';

/** How long people take over one act when the route does not say, in milliseconds. */
const usual = {
  press: { leastMs: 250, usualMs: 450, mostMs: 900 },
  click: { leastMs: 150, usualMs: 300, mostMs: 700 },
  turn: { leastMs: 700, usualMs: 1200, mostMs: 2500 },
  set: { leastMs: 600, usualMs: 1200, mostMs: 2500 },
} as const satisfies Record<string, Span>;

const zero: Span = { leastMs: 0, usualMs: 0, mostMs: 0 };
const times = (span: Span, n: number): Span => ({
  leastMs: span.leastMs * n,
  usualMs: span.usualMs * n,
  mostMs: span.mostMs * n,
});
const add = (a: Span, b: Span): Span => ({
  leastMs: a.leastMs + b.leastMs,
  usualMs: a.usualMs + b.usualMs,
  mostMs: a.mostMs + b.mostMs,
});

/** How long a step takes a person, from its own `takes` or from what such acts usually take. Waiting for signs counts as given. */
export function stepSpan(step: Step): Span {
  if (step.takes) return step.takes;
  switch (step.kind) {
    case 'press':
      return times(usual.press, step.times);
    case 'hold':
      return step.until.kind === 'span' ? step.until.span : zero;
    case 'keep':
      return stepsSpan(step.during);
    case 'turn':
      return times(usual.click, step.clicks);
    case 'sweep':
      return times(usual.turn, step.turns);
    case 'set':
      return usual.set;
    case 'rest':
      return step.span;
    case 'step-list':
      return times(usual.press, step.to);
    case 'dial':
      return times(usual.press, step.text.length * 4);
    case 'choose':
      return times(usual.press, step.path.length * 2);
    case 'see':
      return step.must === 'must' && step.within ? step.within : zero;
    case 'group':
      return times(stepsSpan(step.steps), step.times);
    case 'branch':
      return stepsSpan(step.otherwise);
    case 'at-place':
    case 'say':
    case 'bypass':
      return zero;
    default:
      return assertNever(step);
  }
}

/** The spans of several steps, one after the other. */
export function stepsSpan(steps: readonly Step[]): Span {
  return steps.map(stepSpan).reduce(add, zero);
}
