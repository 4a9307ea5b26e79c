import type { Path } from '../base/path.ts';
import type { Finding } from '../model/finding.ts';
import type { Gesture, UnitPlan } from '../play/gestures.ts';
import { controlOfOp, isAct, type Op } from '../play/op.ts';
import { type Done, idealHands, perform } from '../play/perform.ts';
import { tryProgram } from '../play/try.ts';

type Placed = Readonly<{ gesture: Gesture; at: Path; done: readonly Done[]; end: number }>;

/** What somebody does first, as far as telling gestures apart goes: the control, or that it may be any. */
function firstOf(gesture: Gesture): string | null {
  const op: Op | undefined = gesture.program.ops.find((o) => isAct(o) && o.op !== 'rest');
  return op?.op === 'choose' ? `${op.on} ${op.words}` : controlOfOp(op);
}

const overlap = (a: Gesture, b: Gesture): boolean =>
  a.controller === b.controller && (a.from === 'any' || b.from === 'any' || a.from.some((m) => b.from.includes(m)));

/** Whether it matters which of the two the unit takes. */
const matters = (a: Gesture, b: Gesture): boolean =>
  !leadsBack(a, b) && !leadsBack(b, a) && (a.to !== b.to || JSON.stringify(a.effects) !== JSON.stringify(b.effects));

/** Nobody enters a mode from itself: a way in from anywhere does not compete with what is done there. */
const leadsBack = (a: Gesture, b: Gesture): boolean =>
  a.from === 'any' && b.from !== 'any' && a.to !== null && b.from.every((m) => m === a.to);

/**
 * Gestures the unit cannot tell apart, and those of which one is complete before the other can be. Each is performed as
 * it is usually done and held against the others that may begin in the same mode with the same control.
 */
export function lintPairs(plan: UnitPlan, pathOf: (gesture: Gesture) => Path | null): Finding[] {
  const begins = 60_000;
  const byFirst = new Map<string, Placed[]>();
  for (const gesture of plan.gestures) {
    const at = pathOf(gesture);
    const first = firstOf(gesture);
    if (at === null || first === null || gesture.of.kind === 'known-not-to-work') continue;
    const done = perform(gesture.program, plan.facts, idealHands, begins);
    const took = tryProgram(gesture.program, plan.facts, done, 0);
    const placed = { gesture, at, done, end: took.took ? took.at : Number.POSITIVE_INFINITY };
    byFirst.set(first, [...(byFirst.get(first) ?? []), placed]);
  }
  const any = byFirst.get('any') ?? [];
  const findings: Finding[] = [];
  for (const [first, group] of byFirst) {
    const all = first === 'any' ? [...byFirst.values()].flat() : [...group, ...any];
    for (const [i, a] of group.entries())
      for (const b of all.slice(first === 'any' ? 0 : i + 1)) {
        if (a === b || !overlap(a.gesture, b.gesture) || !matters(a.gesture, b.gesture)) continue;
        // what holds in one mode alone goes before what holds in any
        findings.push(...compare(plan, a, b));
      }
  }
  return findings;
}

function compare(plan: UnitPlan, a: Placed, b: Placed): Finding[] {
  const bOnA = tryProgram(b.gesture.program, plan.facts, a.done, 0);
  const aOnB = tryProgram(a.gesture.program, plan.facts, b.done, 0);
  const alike = bOnA.took && aOnB.took && Math.abs(bOnA.at - a.end) < 100 && Math.abs(aOnB.at - b.end) < 100;
  const names = (x: Placed, y: Placed): [string, string] => [x.gesture.of.name, y.gesture.of.name];
  if (alike) return [{ code: 'routes-alike', severity: 'warning', at: a.at, routes: names(a, b) }];
  const first = (x: Placed, y: Placed, on: ReturnType<typeof tryProgram>): Finding[] =>
    on.took && on.at < y.end && y.gesture.from !== 'any'
      ? [
          {
            code: 'fires-first',
            severity: 'warning',
            at: x.at,
            routes: names(x, y),
            earlyMs: Math.round(Math.min(y.end - on.at, 1e9)),
          },
        ]
      : [];
  return [...first(b, a, bOnA), ...first(a, b, aOnB)];
}
