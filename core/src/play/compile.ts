import { fail, ok, type Result } from '../base/result.ts';
import type { Step } from '../model/route.ts';
import type { UnitFacts } from '../unit/facts.ts';
import { compileList } from './compile-step.ts';
import { beginCompiling, type CompileError } from './compiler.ts';
import { isAct, type Program } from './op.ts';

/**
 * Makes steps into a program. Waits in a row are joined, and so are presses and clicks of one control in a row: a unit
 * cannot tell them apart. The first thing that cannot be run is the error, with its step.
 */
export function compileSteps(steps: readonly Step[], facts: UnitFacts): Result<Program, CompileError> {
  const into = beginCompiling(facts);
  compileList(into, steps, '');
  if (into.error !== null) return fail(into.error);
  const { ops, windows } = into;
  const acts: number[] = [];
  for (const op of ops) acts.push((acts.at(-1) ?? 0) + (isAct(op) ? 1 : 0));
  if ((acts.at(-1) ?? 0) === 0) return fail({ at: '', code: 'nothing-done' });
  return ok({ ops, windows, acts, lastAct: ops.findLastIndex(isAct) });
}
