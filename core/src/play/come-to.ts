import type { ControlId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Outcome } from './attempt-state.ts';
import { entriesLeft, type Hand } from './op.ts';
import {
  acted,
  countsFrom,
  dies,
  dropped,
  gripped,
  holding,
  ignored,
  isSound,
  noticeMs,
  openedAt,
  opOf,
  type Run,
  setWindow,
  showAwaited,
  showSign,
  staysPut,
  waits,
} from './run.ts';

/** Whether a hand that is being taken moves this control: then it does not stand there already. */
const moves = (hand: Hand | null, control: ControlId): boolean =>
  hand !== null && hand.kind !== 'choose' && hand.control === control;

/** Comes to an operation, and past those nothing has to be done for. `taking` is a hand that is still to be taken. */
export function comeTo(run: Run, at: number, taking: Hand | null = null): Outcome {
  const { w, program, view } = run;
  for (;;) {
    const op = program.ops[w.pc];
    if (!op || w.pc > program.lastWanted) {
      tail(run, at);
      return { kind: 'fires', at, attempt: w };
    }
    w.count = 0;
    w.since = at;
    w.pressing = null;
    w.due = Number.POSITIVE_INFINITY;
    switch (op.op) {
      case 'show':
        for (const shown of op.signs) showSign(run, at + op.delayMs, shown);
        if (!op.must) break;
        waits(run, at, op.delayMs);
        if (op.delayMs === 0) break;
        return { kind: 'on', attempt: w };
      case 'open': {
        const opened = openedAt(run, op, at);
        if (opened === null) {
          waits(run, at, op.from.kind === 'sign' ? op.from.nth * op.gapMs : 0);
          return { kind: 'on', attempt: w };
        }
        setWindow(run, op.window, opened + op.mostMs);
        break;
      }
      case 'close':
        setWindow(run, op.window, Number.NaN);
        break;
      case 'jump':
        w.pc = op.to;
        continue;
      case 'branch': {
        if (op.on.kind === 'nothing-done') {
          w.due = at + op.on.withinMs;
          w.latest += op.on.withinMs;
          w.limit += op.on.withinMs;
          return { kind: 'on', attempt: w };
        }
        const met = op.on.kind === 'sign' ? view.shows(op.on.shown) : view.reads(op.on);
        w.pc = met ? w.pc + 1 : op.otherwise;
        continue;
      }
      case 'grip':
      case 'hold':
        w.down = op.grips
          .filter((g) => g.sticks && view.placeOf(g.control) === g.place && !moves(taking, g.control))
          .map((g) => g.control);
        if (w.down.length < op.grips.length) return { kind: 'on', attempt: w };
        if (op.op === 'hold') {
          holding(run, op, at);
          return { kind: 'on', attempt: w };
        }
        gripped(run, op.grips, at);
        break;
      case 'drop': {
        if (op.sign) showAwaited(run, op.sign, at);
        const letsGo = op.grips.some((g) => !g.sticks);
        const signAt = op.sign ? at + op.sign.nth * op.sign.gapMs : at;
        const least = Math.max(signAt, countsFrom(run, op, w.heldSince) + op.leastMs);
        if (letsGo) return { kind: 'on', attempt: w };
        if (least > at) {
          w.due = least;
          return { kind: 'on', attempt: w };
        }
        dropped(run, op.grips);
        break;
      }
      case 'set':
        if (op.springs || moves(taking, op.control)) return { kind: 'on', attempt: w };
        if (op.atClick === null ? view.placeOf(op.control) === op.to : view.clickOf(op.control) === op.atClick) break;
        return { kind: 'on', attempt: w };
      case 'rest':
        w.due = at + op.leastMs;
        return { kind: 'on', attempt: w };
      case 'guard':
        w.due = at + op.settleMs;
        return { kind: 'on', attempt: w };
      case 'choose':
      case 'list':
      case 'press':
      case 'turn':
        return { kind: 'on', attempt: w };
      default:
        return assertNever(op);
    }
    w.pc += 1;
  }
}

export function onward(run: Run, at: number, taking: Hand | null = null): Outcome {
  run.w.pc += 1;
  return comeTo(run, at, taking);
}

/** What shows after the last act. */
function tail(run: Run, at: number): void {
  for (const op of run.program.ops.slice(run.w.pc))
    if (op.op === 'show') for (const shown of op.signs) run.tell(at + op.delayMs, shown);
}

/** Something of the attempt's own is due. */
export function takeDue(run: Run): Outcome {
  const { w } = run;
  const op = opOf(run);
  const at = w.due;
  w.due = Number.POSITIVE_INFINITY;
  switch (op?.op) {
    case 'show':
      return onward(run, at);
    // what comes after a count is counted from its last one, not from when it was sure to be the last
    case 'guard':
      return onward(run, w.since);
    case 'drop':
      dropped(run, op.grips);
      return onward(run, at);
    case 'rest': {
      w.lastActAt = at;
      // before the first act nobody counts how long the unit has been left alone
      w.limit = op.mostMs === null || !w.begun ? Number.POSITIVE_INFINITY : w.latest + op.mostMs;
      w.latest = w.limit;
      return onward(run, at);
    }
    case 'open':
      setWindow(run, op.window, at + op.mostMs);
      return onward(run, at);
    case 'branch':
      return onward(run, at);
    case 'hold': {
      if (staysPut(op.grips) && !op.sign) {
        // put back now or later, or left as it is
        w.loose = [...w.loose, ...op.grips.map((g) => g.control)];
        acted(run, at);
        return onward(run, at);
      }
      if (op.sign ? isSound(op.sign) : op.mostMs !== null) return dies(run, op.sign ? 'let-go-late' : 'held-too-long');
      w.loose = [...w.loose, ...op.grips.filter((g) => !g.sticks).map((g) => g.control)];
      w.lastActAt = at;
      // let go when it shows, or whenever one likes
      w.latest = op.sign ? at + noticeMs : Number.POSITIVE_INFINITY;
      return onward(run, at);
    }
    case 'list':
      // left alone where it should stand, it stands there from its last step on
      if (entriesLeft(op, w.count) === 0) return onward(run, w.lastActAt);
      return w.windows.some((limit) => at >= limit) ? dies(run, 'after-window') : dies(run, 'too-few');
    case 'press':
    case 'turn':
      return w.windows.some((limit) => at >= limit) ? dies(run, 'after-window') : dies(run, 'too-few');
    case 'choose':
    case 'close':
    case 'grip':
    case 'jump':
    case 'set':
    case undefined:
      return ignored;
    default:
      return assertNever(op);
  }
}
