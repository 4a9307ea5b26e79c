import type { UnitFacts } from '../unit/facts.ts';
import { beginThread, feedDue, feedHand } from './attempt.ts';
import type { Program } from './op.ts';
import { type Done, Solo } from './perform.ts';
import type { Miss, Outcome, Thread } from './thread.ts';

/** What came of a try at one program on its own. */
export type Tried = Readonly<{ took: true; at: number }> | Readonly<{ took: false; miss: Miss }>;

const unfinished = (program: Program, thread: Thread): Miss => ({
  code: 'too-late',
  at: program.ops[thread.pc]?.at ?? '',
  byMs: null,
  nth: thread.count + 1,
  done: thread.pc === 0 ? 0 : (program.acts[thread.pc - 1] ?? 0),
  of: program.acts.at(-1) ?? 0,
});

/**
 * Holds what was done against one program alone, as the unit's own recogniser would, and without the other routes: for
 * odds, where it has to be fast.
 */
export function tryProgram(program: Program, facts: UnitFacts, done: readonly Done[], from = 0): Tried {
  const solo = new Solo(facts);
  let thread = beginThread(program, from, solo.around);
  const taken = (outcome: Outcome): Tried | null => {
    if (outcome.kind === 'on') thread = outcome.thread;
    if (outcome.kind === 'fires') return { took: true, at: outcome.at };
    return outcome.kind === 'dies' ? { took: false, miss: outcome.miss } : null;
  };
  const runTo = (at: number): Tried | null => {
    while (thread.due <= at) {
      solo.now = thread.due;
      const end = taken(feedDue(program, thread, solo.around, solo.tell));
      if (end) return end;
    }
    return null;
  };
  for (const { event, hand } of done) {
    const due = runTo(event.at);
    if (due) return due;
    solo.take(event);
    const end = taken(feedHand(program, thread, hand, solo.around, solo.tell));
    if (end) return end;
  }
  return runTo(Number.MAX_VALUE) ?? { took: false, miss: unfinished(program, thread) };
}
