import type { UnitFacts } from '../unit/facts.ts';
import type { Attempt, Miss, Outcome } from './attempt-state.ts';
import type { Program } from './op.ts';
import { type Done, Solo } from './perform.ts';
import { beginAttempt, feedDue, feedHand } from './recognise.ts';
import type { Stands } from './track.ts';

/** What came of a try at one program on its own. */
export type Tried = Readonly<{ took: true; at: number }> | Readonly<{ took: false; miss: Miss }>;

const unfinished = (program: Program, attempt: Attempt): Miss => ({
  code: 'too-late',
  at: program.ops[attempt.pc]?.at ?? '',
  byMs: null,
  nth: attempt.count + 1,
  done: attempt.pc === 0 ? 0 : (program.acts[attempt.pc - 1] ?? 0),
  of: program.acts.at(-1) ?? 0,
});

/**
 * Holds what was done against one program alone, as the unit's own recogniser would, and without the other routes: for
 * odds, where it has to be fast.
 */
export function tryProgram(
  program: Program,
  facts: UnitFacts,
  done: readonly Done[],
  from = 0,
  standing: Partial<Stands> = {},
): Tried {
  const solo = new Solo(facts, standing.places, standing.clicks);
  let attempt = beginAttempt(program, from, solo.view);
  const taken = (outcome: Outcome): Tried | null => {
    if (outcome.kind === 'on') attempt = outcome.attempt;
    if (outcome.kind === 'fires') return { took: true, at: outcome.at };
    return outcome.kind === 'dies' ? { took: false, miss: outcome.miss } : null;
  };
  const runTo = (at: number): Tried | null => {
    while (attempt.due <= at) {
      solo.now = attempt.due;
      const end = taken(feedDue(program, attempt, solo.view, solo.tell));
      if (end) return end;
    }
    return null;
  };
  for (const { event, hand } of done) {
    const due = runTo(event.at);
    if (due) return due;
    solo.take(event);
    const end = taken(feedHand(program, attempt, hand, solo.view, solo.tell));
    if (end) return end;
  }
  return runTo(Number.MAX_VALUE) ?? { took: false, miss: unfinished(program, attempt) };
}
