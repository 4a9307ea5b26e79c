import type { Path } from '../base/path.ts';
import type { Condition } from '../model/condition.ts';
import type { Finding } from '../model/finding.ts';
import type { Gesture, UnitPlan } from '../play/gestures.ts';
import { controlOfOp, isAct, type Op } from '../play/op.ts';
import { type Done, type Hands, idealHands, perform, Solo } from '../play/perform.ts';
import { gestureStanding } from '../play/standing.ts';
import type { UnitAsLeft } from '../play/track.ts';
import { type Tried, tryProgram } from '../play/try.ts';

type Placed = Readonly<{ gesture: Gesture; at: Path; standing: UnitAsLeft; ways: readonly Way[] }>;
/** One way of performing it: what was done, and when it is complete. */
type Way = Readonly<{ done: readonly Done[]; end: number }>;

/** As quick and as slow as the route lets one be: what is told apart only at the usual pace is not told apart. */
const quickHands: Hands = {
  ...idealHands,
  pace: (usualMs) => usualMs * 0.6,
  keep: ({ leastMs }) => leastMs + 1,
};
const slowHands: Hands = {
  ...idealHands,
  pace: (usualMs) => usualMs * 1.8,
  keep: ({ leastMs, usualMs, mostMs }) => (mostMs === null ? Math.max(usualMs, leastMs) * 1.5 + 50 : mostMs - 1),
};

/** What somebody does first, as far as telling gestures apart goes: the control, or that it may be any. */
function firstOf(gesture: Gesture): string | null {
  const op: Op | undefined = gesture.program.ops.find((o) => isAct(o) && o.op !== 'rest');
  return op?.op === 'choose' ? `${op.on} ${op.words}` : controlOfOp(op);
}

const overlap = (a: Gesture, b: Gesture): boolean =>
  a.controller === b.controller && (a.from === 'any' || b.from === 'any' || a.from.some((m) => b.from.includes(m)));

/** Whether it matters which of the two the unit takes. */
const matters = (a: Gesture, b: Gesture): boolean =>
  !leadsBack(a, b) &&
  !leadsBack(b, a) &&
  !isPartOf(a, b) &&
  !isPartOf(b, a) &&
  !exclude(a.when, b.when) &&
  (a.to !== b.to || JSON.stringify(a.effects) !== JSON.stringify(b.effects));

/** What leaves the mode as it is does not keep a longer way from being gone on with. */
const staysIn = (x: Gesture, y: Gesture): boolean =>
  x.to === null || (y.from !== 'any' && y.from.every((m) => m === x.to));

/** Whether two conditions never hold together: one variable with two values, one quantity above and below, or one the other's contrary. */
function exclude(a: Condition | null, b: Condition | null): boolean {
  if (!a || !b) return false;
  const all = (c: Condition): readonly Condition[] => (c.kind === 'all' ? c.of.flatMap(all) : [c]);
  return all(a).some((x) =>
    all(b).some(
      (y) =>
        (x.kind === 'variable' && y.kind === 'variable' && x.variable === y.variable && x.is !== y.is) ||
        (x.kind === 'not' && JSON.stringify(x.of) === JSON.stringify(y)) ||
        (y.kind === 'not' && JSON.stringify(y.of) === JSON.stringify(x)) ||
        (x.kind === 'input' && y.kind === 'input' && x.input === y.input && apart(x, y)),
    ),
  );
}
type OfInput = Extract<Condition, { kind: 'input' }>;
const apart = (x: OfInput, y: OfInput): boolean =>
  (x.compare === 'above' && y.compare === 'below' && x.value >= y.value) ||
  (x.compare === 'below' && y.compare === 'above' && x.value <= y.value);

/** A way and a part of it are meant to be both there: the longest that fits is what was meant. */
const isPartOf = (part: Gesture, whole: Gesture): boolean => part.of.kind === 'route' && whole.does.has(part.of.id);

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
    const standing = gestureStanding(plan, gesture);
    const every = [idealHands, quickHands, slowHands].map((hands): Way => {
      const solo = new Solo(plan.facts, standing.places, standing.clicks);
      const done = perform(gesture.program, plan.facts, hands, begins, solo);
      const took = tryProgram(gesture.program, plan.facts, done, 0, standing);
      return { done, end: took.took ? took.at : Number.POSITIVE_INFINITY };
    });
    // too slow for one of its own times is no way of doing it
    const ways = every.filter((way, i) => i === 0 || Number.isFinite(way.end));
    const placed = { gesture, at, standing, ways };
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

/** Whether two ways are complete at the same moment, as far as anybody can tell. */
const together = (on: Tried, way: Way): boolean => on.took && Math.abs(on.at - way.end) < 100;

function compare(plan: UnitPlan, a: Placed, b: Placed): Finding[] {
  const on = (x: Placed, y: Placed) =>
    y.ways.map((way) => [tryProgram(x.gesture.program, plan.facts, way.done, 0, y.standing), way] as const);
  const [bOnA, aOnB] = [on(b, a), on(a, b)];
  const names = (x: Placed, y: Placed): [string, string] => [x.gesture.of.name, y.gesture.of.name];
  if (bOnA[0] && aOnB[0] && together(...bOnA[0]) && together(...aOnB[0]))
    return [{ code: 'routes-alike', severity: 'warning', at: a.at, routes: names(a, b) }];
  const first = (x: Placed, y: Placed, tried: ReturnType<typeof on>): Finding[] => {
    if (y.gesture.from === 'any' || staysIn(x.gesture, y.gesture)) return [];
    const early = tried.flatMap(([t, way]) => (t.took && t.at < way.end ? [Math.min(way.end - t.at, 1e9)] : []));
    const earlyMs = Math.round(Math.max(...early));
    return early.length === 0
      ? []
      : [{ code: 'fires-first', severity: 'warning', at: x.at, routes: names(x, y), earlyMs }];
  };
  return [...first(b, a, bOnA), ...first(a, b, aOnB)];
}
