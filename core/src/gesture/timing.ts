import { assertNever } from '../base/result.ts';
import { exactly, type Span } from '../base/text.ts';
import type { Step } from '../model/route.ts';
import { dialCount } from './dial.ts';

/** How long people take over one act when the route does not say, in milliseconds. */
export const handSpans = {
  press: { leastMs: 250, usualMs: 450, mostMs: 900 },
  click: { leastMs: 150, usualMs: 300, mostMs: 700 },
  turn: { leastMs: 700, usualMs: 1200, mostMs: 2500 },
  set: { leastMs: 600, usualMs: 1200, mostMs: 2500 },
} as const satisfies Record<string, Span>;

/** How long a key is down in a press, and the longest that is none but a hold. Nobody says how long; this is a guess. */
export const pressedMs = 150;
export const longestPressMs = 1000;
/** Between two signs that are counted, where the route does not say how long it takes. */
export const signGapMs = 1500;
/** One entry of a list that runs by itself while its key is held, where the route does not say. */
export const rampMs = 400;

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

/** What is done while something is kept down may be shorter than the time it is kept. */
function keepSpan(step: Extract<Step, { kind: 'keep' }>): Span {
  const during = stepsSpan(step.during);
  if (step.until?.kind !== 'span') return during;
  const { span } = step.until;
  return {
    leastMs: Math.max(during.leastMs, span.leastMs),
    usualMs: Math.max(during.usualMs, span.usualMs),
    mostMs: Math.max(during.mostMs, span.mostMs),
  };
}

/** How long a step takes a person, from its own `takes` or from what such acts usually take. Waiting for signs counts as given. */
export function stepSpan(step: Step): Span {
  if (step.takes) return step.takes;
  switch (step.kind) {
    case 'press':
      return times(handSpans.press, step.times);
    case 'hold':
      return step.until.kind === 'span' ? step.until.span : zero;
    case 'keep':
      return keepSpan(step);
    case 'release':
      return zero;
    case 'turn':
      return times(handSpans.click, step.clicks);
    case 'sweep':
      return times(handSpans.turn, step.turns);
    case 'set':
      return handSpans.set;
    case 'rest':
      return step.span;
    case 'step-list': {
      const { repeats } = step;
      const entries = Math.abs(step.to - step.start);
      if (step.by === 'press' || !repeats) return times(handSpans.press, entries);
      const held = exactly(repeats.afterMs + Math.max(0, entries - 1) * repeats.everyMs);
      return add(held, times(handSpans.press, Math.min(2, entries)));
    }
    case 'together':
      return times(handSpans.press, step.times);
    case 'do':
      return times(stepsSpan(step.steps ?? []), step.times);
    case 'dial':
      return times(handSpans.press, dialCount(step));
    case 'choose':
      return times(handSpans.press, step.path.length * 2);
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
