import type { LampState } from '../unit/signal.ts';
import type { SeenLamp } from './model.ts';

/**
 * How often a lamp that shows one thing is told as another in one look. Rows add up to 1 over what can be told;
 * `unsure` says nothing. A model, not a measurement: eyes confuse rates sooner than they invent light.
 */
const told: Record<LampState, Record<Exclude<SeenLamp, 'unsure'>, number>> = {
  lit: { lit: 0.965, dark: 0.015, slow: 0.01, fast: 0.01 },
  dark: { dark: 0.98, lit: 0.012, slow: 0.004, fast: 0.004 },
  slow: { slow: 0.9, lit: 0.05, dark: 0.02, fast: 0.03 },
  fast: { fast: 0.9, slow: 0.05, lit: 0.04, dark: 0.01 },
};

/** Share of lamps in the field that are dead, so that they look dark in every look, however often. */
const deadShare = 0.03;

const oneLook = (seen: SeenLamp, is: LampState): number => (seen === 'unsure' ? 1 : told[is][seen]);

/**
 * How likely these looks at one lamp are, if it is meant to show `is`. A slip of the eye is new in each look; a dead
 * lamp is dead in all of them, so looking twice settles a slip and not a dead lamp.
 */
export function lampLikelihood(looks: readonly SeenLamp[], is: LampState): number {
  const alive = looks.reduce((p, seen) => p * oneLook(seen, is), 1);
  const dead = looks.reduce((p, seen) => p * oneLook(seen, 'dark'), 1);
  return (1 - deadShare) * alive + deadShare * dead;
}

/** How likely a count of blinks is told as another: mostly right, sometimes one off. */
export function countLikelihood(told: number, is: number): number {
  const off = Math.abs(told - is);
  return off === 0 ? 0.9 : off === 1 ? 0.045 : off === 2 ? 0.004 : 0.0005;
}

/** Characters that a segment display or an eye swaps. */
const confusable = ['0ODQ', '1IL7', '5S', '2Z', '6GB', '8B', 'UV', 'CG', '4A', '9G'];

/** How likely one character is told as another. */
export function characterLikelihood(told: string, is: string): number {
  const a = told.toUpperCase();
  const b = is.toUpperCase();
  if (a === b) return 0.93;
  return confusable.some((group) => group.includes(a) && group.includes(b)) ? 0.03 : 0.0008;
}
