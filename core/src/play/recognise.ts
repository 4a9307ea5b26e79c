import { type Attempt, blankAttempt, type Outcome, type Tell, type UnitView } from './attempt-state.ts';
import { comeTo, takeDue } from './come-to.ts';
import type { Hand, Program } from './op.ts';
import { runOf } from './run.ts';
import { takeHand } from './take-hand.ts';

const silent: Tell = () => {};

/** An attempt that has not begun, as it stands when nothing was done since `at`. */
export function beginAttempt(program: Program, at: number, view: UnitView): Attempt {
  const begun = comeTo(runOf(program, { ...blankAttempt, since: at, lastActAt: at }, view, silent), at);
  return begun.kind === 'on' || begun.kind === 'fires' ? begun.attempt : blankAttempt;
}

/** Lets an attempt take what a hand does. */
export function feedHand(program: Program, attempt: Attempt, hand: Hand, view: UnitView, tell: Tell): Outcome {
  return takeHand(runOf(program, attempt, view, tell), hand);
}

/** Lets an attempt take what is due by itself, at its `due`. */
export function feedDue(program: Program, attempt: Attempt, view: UnitView, tell: Tell): Outcome {
  return takeDue(runOf(program, attempt, view, tell));
}
