import type { UnitPlan } from './gestures.ts';
import type { UnitEvent } from './op.ts';
import { takeDueAttempt } from './settle.ts';
import { takeScheduled } from './signs.ts';
import type { UnitEffect, UnitState } from './state.ts';
import { takeEvent } from './take-event.ts';
import { nextTimer, onTimer } from './transitions.ts';
import { takeTellAt } from './tried.ts';
import { beginTurn, type Turn } from './turn.ts';

/** So much is done by itself at one instant; more is a circle among transitions. */
const mostAtOnce = 1000;
/** So much is done by itself on the way to one event; a unit that does more is not waited for. */
const mostOnTheWay = 200_000;

/** When something is due by itself; infinite where nothing is. */
function nextDue(turn: Turn): number {
  const { w } = turn;
  const signs = w.scheduled[0]?.at ?? Number.POSITIVE_INFINITY;
  const attempts = w.attempts.reduce((due, a) => (a && a.due < due ? a.due : due), Number.POSITIVE_INFINITY);
  return Math.min(signs, attempts, w.tried.tellAt, nextTimer(turn));
}

function takeDue(turn: Turn, due: number): void {
  const [sign] = turn.w.scheduled;
  if (sign && sign.at <= due) takeScheduled(turn, due);
  else if (takeDueAttempt(turn, due)) return;
  else if (turn.w.tried.tellAt <= due) takeTellAt(turn);
  else onTimer(turn, due);
}

/** Everything that is due by itself up to an instant, in order. False where that has no end: the unit stands where it came to. */
function runTo(turn: Turn, to: number): boolean {
  const { w } = turn;
  let atOnce = 0;
  for (let n = 0; ; n += 1) {
    const due = nextDue(turn);
    if (due > to) break;
    atOnce = due > w.at ? 0 : atOnce + 1;
    if (atOnce > mostAtOnce || n > mostOnTheWay) return false;
    w.at = Math.max(w.at, due);
    takeDue(turn, due);
  }
  w.at = Math.max(w.at, to);
  return true;
}

/**
 * Lets a played unit take one event: first everything that was due by itself, then the event. Pure: the same state and
 * event give the same answer. An event before the unit's time is refused and changes nothing; one that is never come to,
 * because what happens by itself before it has no end, is refused with the unit as it stands then.
 */
export function advanceUnit(
  plan: UnitPlan,
  state: UnitState,
  event: UnitEvent,
): { state: UnitState; effects: readonly UnitEffect[] } {
  if (!(event.at >= state.at))
    return { state, effects: [{ at: state.at, kind: 'refused', why: 'out-of-order', what: String(event.at) }] };
  const turn = beginTurn(plan, state);
  if (runTo(turn, event.at)) takeEvent(turn, event, { ...turn.w });
  else turn.effects.push({ at: turn.w.at, kind: 'refused', why: 'never-settles', what: String(event.at) });
  return { state: turn.w, effects: turn.effects };
}

/** When the unit will do something by itself; null when it will not. The host wakes it then with a `tick`. */
export function wakeAt(plan: UnitPlan, state: UnitState): number | null {
  const due = nextDue(beginTurn(plan, state));
  return Number.isFinite(due) ? due : null;
}
