import { fail, ok, type Result } from '../base/result.ts';
import type { Step } from '../model/route.ts';
import type { UnitFacts } from '../unit/facts.ts';
import { compileList } from './compile-step.ts';
import { beginCompiling, type CompileError } from './compiler.ts';
import { controlOfOp, isAct, type Op, type Program } from './op.ts';

/**
 * Makes steps into a program. Waits in a row are joined, and so are presses and clicks of one control in a row: a unit
 * cannot tell them apart. The first thing that cannot be run is the error, with its step.
 */
export function compileSteps(steps: readonly Step[], facts: UnitFacts): Result<Program, CompileError> {
  const into = beginCompiling(facts);
  compileList(into, steps, '');
  if (into.error !== null) return fail(into.error);
  const program = programOf(settled(into.ops), into.windows);
  return (program.acts.at(-1) ?? 0) === 0 ? fail({ at: '', code: 'nothing-done' }) : ok(program);
}

/** A program of these operations, with the count of what has to be done. */
export function programOf(ops: readonly Op[], windows: number): Program {
  const acts: number[] = [];
  for (const op of ops) acts.push((acts.at(-1) ?? 0) + (isAct(op) ? 1 : 0));
  const lastWanted = ops.findLastIndex((op) => isAct(op) || op.op === 'guard');
  return { ops, windows, acts, lastAct: ops.findLastIndex(isAct), lastWanted };
}

/** A rest that is shorter than a count needs to settle, and after which the same control is worked, settles it sooner. */
function settled(ops: readonly Op[]): Op[] {
  return ops.map((op, i) => {
    if (op.op !== 'guard') return op;
    const rest = ops.slice(i + 1).findIndex((o) => isAct(o));
    const next = ops[i + 1 + rest];
    if (rest < 0 || next?.op !== 'rest' || next.leastMs >= op.settleMs) return op;
    const again = controlOfOp(ops.slice(i + 2 + rest).find((o) => isAct(o) && o.op !== 'rest'));
    return again === op.of.control ? { ...op, settleMs: next.leastMs } : op;
  });
}
