import type { ControlId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import { longestPressMs } from '../gesture/timing.ts';
import type { Outcome } from './attempt-state.ts';
import { comeTo, onward } from './come-to.ts';
import { comesBack, entriesLeft, type Hand, isAct, type Op, steppedBy } from './op.ts';
import {
  acted,
  countsFrom,
  dies,
  dropped,
  gripped,
  holding,
  ignored,
  isSound,
  opOf,
  type Run,
  setWindow,
} from './run.ts';

/** A count that was begun is forgotten when nothing is added to it for so long, or three times as long as one of it may take. Nobody says how long; this is a guess. */
const patienceMs = 8_000;

function overdue(run: Run, at: number): Outcome | null {
  const { w } = run;
  for (const limit of w.windows) if (at > limit) return dies(run, 'after-window', at - limit);
  return at > w.limit ? dies(run, 'too-late', at - w.limit) : null;
}

/** Lets go of something that is held; null where it is none of this operation's. */
function letGo(run: Run, op: Op | undefined, control: ControlId, at: number): Outcome | null {
  const { w } = run;
  if (op?.op === 'hold' && w.down.includes(control)) {
    if (w.down.length < op.grips.length && w.count === 0) return dies(run, 'let-go-early');
    const early = (op.sign ? w.since + op.sign.nth * op.sign.gapMs : countsFrom(run, op, w.since) + op.leastMs) - at;
    if (w.count === 0 && early > 0) return dies(run, 'let-go-early', early);
    w.down = w.down.filter((c) => c !== control);
    w.count += 1;
    acted(run, at);
    w.due = Number.POSITIVE_INFINITY;
    return w.down.some((c) => op.grips.some((g) => g.control === c && !g.sticks))
      ? { kind: 'on', attempt: w }
      : onward(run, at);
  }
  if (op?.op === 'drop' && op.grips.some((g) => g.control === control)) {
    const signAt = op.sign ? w.since + op.sign.nth * op.sign.gapMs : w.since;
    const since = countsFrom(run, op, w.heldSince);
    const early = Math.max(signAt, since + op.leastMs) - at;
    const most = op.mostMs === null ? Number.POSITIVE_INFINITY : since + op.mostMs;
    const late = at - (op.sign && isSound(op.sign) ? signAt + op.sign.gapMs : most);
    if (w.count === 0 && early > 0) return dies(run, 'let-go-early', early);
    if (w.count === 0 && late > 0) return dies(run, 'let-go-late', late);
    w.count += 1;
    acted(run, at);
    const released = op.grips.filter((g) => g.control === control);
    dropped(run, released);
    const left = op.grips.some((g) => !g.sticks && w.held.some((h) => h.control === g.control));
    if (left) return { kind: 'on', attempt: w };
    dropped(run, op.grips);
    return onward(run, at);
  }
  return null;
}

/** Whether a hand puts back what stayed where it was held, and nothing else is wanted of that. */
function putsBack({ w }: Run, op: Op, control: ControlId): boolean {
  const wanted = op.op === 'set' ? [op.control] : 'grips' in op ? op.grips.map((g) => g.control) : [];
  return w.loose.includes(control) && !wanted.includes(control);
}

export function takeHand(run: Run, hand: Hand): Outcome {
  const { w } = run;
  const op = opOf(run);
  if (!op) return ignored;
  if (hand.kind === 'up' || (hand.kind === 'set' && putsBack(run, op, hand.control)))
    return release(run, op, hand.control, hand.at);
  const late = overdue(run, hand.at);
  if (late) return late;
  if (w.opensWith) setWindow(run, w.opensWith.window, hand.at + w.opensWith.mostMs);
  w.opensWith = null;
  w.begun = true;
  if (op.op === 'guard') {
    if (isOneMore(op, hand) && !isNext(run, hand)) {
      w.count = op.count;
      return dies(run, 'one-too-many');
    }
    return after(run, onward(run, w.since, hand), hand);
  }
  if (op.op === 'branch' && op.on.kind === 'nothing-done') {
    w.pc = op.otherwise;
    return after(run, comeTo(run, hand.at, hand), hand);
  }
  w.limit = Number.POSITIVE_INFINITY;
  switch (op.op) {
    case 'rest':
      return dies(run, 'too-early', w.due - hand.at);
    case 'show':
      return dies(run, 'before-sign', w.due - hand.at);
    case 'open':
      return dies(run, 'before-window', w.due - hand.at);
    case 'press':
      return pressDown(run, op, hand);
    case 'hold':
    case 'grip':
      return grasp(run, op, hand);
    case 'drop': {
      // a control that stays where it is put is let go of by moving it
      if (hand.kind === 'set' && op.grips.some((g) => g.sticks && g.control === hand.control))
        return letGo(run, op, hand.control, hand.at) ?? ignored;
      return dies(run, 'other-control');
    }
    case 'turn':
      return turnBy(run, op, hand);
    case 'list':
      return listDown(run, op, hand);
    case 'set':
      return put(run, op, hand);
    case 'choose':
      if (hand.kind !== 'choose') return dies(run, 'other-control');
      if (hand.on !== op.on || hand.words !== op.words) return dies(run, 'other-choice');
      if (op.on === 'unit' && run.view.poweredAt() === null) return dies(run, 'no-power');
      acted(run, hand.at);
      return onward(run, hand.at);
    case 'branch':
    case 'close':
    case 'jump':
      return dies(run, 'other-control');
    default:
      return assertNever(op);
  }
}

/** Takes the same hand again, one operation on. */
function after(run: Run, outcome: Outcome, hand: Hand): Outcome {
  return outcome.kind === 'on' ? takeHand(run, hand) : outcome;
}

function isOneMore(op: Extract<Op, { op: 'guard' }>, hand: Hand): boolean {
  if (hand.kind === 'choose' || hand.kind === 'up') return false;
  if (op.of.control === 'any') return hand.kind === 'down';
  if (hand.control !== op.of.control) return false;
  return (
    op.of.place === null || (hand.kind === 'set' ? hand.to : hand.kind === 'down' ? hand.place : null) === op.of.place
  );
}

/** Whether the same is done next, with no pause before it: then it is no count too many, or nobody can tell yet. */
function isNext({ program, w }: Run, hand: Hand): boolean {
  const next = program.ops.slice(w.pc + 1).find((o) => isAct(o) || (o.op === 'show' && o.must));
  switch (next?.op) {
    case 'hold':
    case 'grip':
      return hand.kind === 'down' && next.grips.some((g) => g.control === hand.control && g.place === hand.place);
    case 'press':
      return hand.kind === 'down' && (next.control === 'any' || next.control === hand.control);
    case 'turn':
      return hand.kind === 'click' && next.control === hand.control && next.way === hand.way;
    case 'list':
      return next.knob === null
        ? hand.kind === 'down' && (hand.control === next.control || hand.control === next.back)
        : hand.kind === 'click' && hand.control === next.control;
    case 'branch':
    case 'choose':
    case 'close':
    case 'drop':
    case 'guard':
    case 'jump':
    case 'open':
    case 'rest':
    case 'set':
    case 'show':
    case undefined:
      return false;
    default:
      return assertNever(next);
  }
}

/** Forgets a count that is begun when nothing is added to it. */
function counted(run: Run, op: Extract<Op, { op: 'press' | 'turn' | 'list' }>, at: number): Outcome {
  // where there is a time for it, it has that time
  const limit = run.w.windows.find((l) => l > at) ?? at;
  run.w.due = Math.max(limit + 1, at + patienceMs, at + 3 * op.slowMs);
  return { kind: 'on', attempt: run.w };
}

function release(run: Run, op: Op, control: ControlId, at: number): Outcome {
  const { w } = run;
  if (w.loose.includes(control)) {
    w.loose = w.loose.filter((c) => c !== control);
    // a time that begins with the end of a hold begins when it is let go
    if (w.opensWith && w.loose.length === 0) setWindow(run, w.opensWith.window, at + w.opensWith.mostMs);
    if (w.loose.length === 0) w.opensWith = null;
    return { kind: 'on', attempt: w };
  }
  if (op.op === 'press' && w.pressing?.control === control) {
    const late = overdue(run, at);
    if (late) return late;
    const lasted = at - w.pressing.at;
    if (lasted > longestPressMs && !op.anyLength) return dies(run, 'held-not-pressed', lasted - longestPressMs);
    if (run.view.poweredAt() === null) return dies(run, 'no-power');
    w.pressing = null;
    w.count += 1;
    acted(run, at);
    return w.count >= op.times ? onward(run, at) : counted(run, op, at);
  }
  if (op.op === 'list' && w.pressing?.control === control) return listUp(run, op, w.pressing.at, at);
  if (op.op === 'grip' && w.down.includes(control)) return dies(run, 'let-go-early');
  const mine = (op.op === 'hold' && w.down.includes(control)) || w.held.some((h) => h.control === control);
  if (!mine) return ignored;
  const late = overdue(run, at);
  if (late) return late;
  if (op.op === 'guard') {
    const next = onward(run, w.since);
    return next.kind === 'on' ? release(run, run.program.ops[w.pc] ?? op, control, at) : next;
  }
  return letGo(run, op, control, at) ?? dies(run, 'let-go-early');
}

/** Something else is done: in the middle of a count that is one too few, else another control. */
const goesOn = (run: Run): 'too-few' | 'other-control' => (run.w.count > 0 ? 'too-few' : 'other-control');

function pressDown(run: Run, op: Extract<Op, { op: 'press' }>, hand: Hand): Outcome {
  if (hand.kind !== 'down' || (op.control !== 'any' && hand.control !== op.control) || run.w.pressing)
    return dies(run, goesOn(run));
  run.w.pressing = { control: hand.control, at: hand.at };
  run.w.due = Number.POSITIVE_INFINITY;
  return { kind: 'on', attempt: run.w };
}

type ListOp = Extract<Op, { op: 'list' }>;

/** A key of the list goes down; anything else is what comes after it, once the list stands where it should. */
function listDown(run: Run, op: ListOp, hand: Hand): Outcome {
  const { w } = run;
  if (op.knob !== null && hand.kind === 'click' && hand.control === op.control) {
    if (run.view.poweredAt() === null) return dies(run, 'no-power');
    return listAt(run, op, w.count + (hand.way === op.knob ? 1 : -1), hand.at);
  }
  const mine = op.knob === null && hand.kind === 'down' && (hand.control === op.control || hand.control === op.back);
  if (mine && w.pressing === null) {
    w.pressing = { control: hand.control, at: hand.at };
    w.due = Number.POSITIVE_INFINITY;
    return { kind: 'on', attempt: w };
  }
  const left = entriesLeft(op, w.count);
  if (w.count !== 0 && left === 0 && w.pressing === null) return after(run, onward(run, w.lastActAt, hand), hand);
  return dies(run, w.count === 0 ? 'other-control' : left > 0 ? 'too-few' : 'one-too-many');
}

function listUp(run: Run, op: ListOp, downAt: number, at: number): Outcome {
  const { w } = run;
  const late = overdue(run, at);
  if (late) return late;
  const lasted = at - downAt;
  if (op.repeats === null && lasted > longestPressMs) return dies(run, 'held-not-pressed', lasted - longestPressMs);
  if (run.view.poweredAt() === null) return dies(run, 'no-power');
  const by = (w.pressing?.control === op.back ? -1 : 1) * steppedBy(op, lasted);
  w.pressing = null;
  return listAt(run, op, w.count + by, at);
}

/** The list has come to an entry: it may stand there, or it goes on. */
function listAt(run: Run, op: ListOp, count: number, at: number): Outcome {
  const { w } = run;
  w.count = count;
  acted(run, at);
  const left = entriesLeft(op, count);
  if (left === 0) {
    w.due = at + op.settleMs;
    return { kind: 'on', attempt: w };
  }
  return left < 0 && !comesBack(op) ? dies(run, 'one-too-many') : counted(run, op, at);
}

function grasp(run: Run, op: Extract<Op, { op: 'hold' | 'grip' }>, hand: Hand): Outcome {
  const { w } = run;
  if (hand.kind === 'set' && op.op === 'hold' && w.down.includes(hand.control))
    return letGo(run, op, hand.control, hand.at) ?? ignored;
  if (hand.kind !== 'down' && hand.kind !== 'set') return dies(run, 'other-control');
  const grip = op.grips.find((g) => g.control === hand.control);
  if (!grip || w.down.includes(hand.control)) return dies(run, 'other-control');
  const place = hand.kind === 'set' ? hand.to : hand.place;
  if (grip.place !== null && place !== grip.place) return dies(run, 'other-place');
  if (w.down.length === 0) w.since = hand.at;
  w.down = [...w.down, hand.control];
  if (w.down.length < op.grips.length) return { kind: 'on', attempt: w };
  if (op.op === 'hold') {
    const apart = hand.at - w.since;
    if (op.withinMs !== undefined && apart > op.withinMs) return dies(run, 'not-together', apart - op.withinMs);
    holding(run, op, hand.at);
    return { kind: 'on', attempt: w };
  }
  gripped(run, op.grips, hand.at);
  return onward(run, hand.at);
}

function turnBy(run: Run, op: Extract<Op, { op: 'turn' }>, hand: Hand): Outcome {
  const { w } = run;
  if (hand.kind !== 'click' || hand.control !== op.control) return dies(run, goesOn(run));
  if (hand.way !== op.way) return dies(run, 'other-way');
  if (run.view.poweredAt() === null) return dies(run, 'no-power');
  w.count += 1;
  acted(run, hand.at);
  if (op.stop === null) return w.count === op.clicks ? onward(run, hand.at) : counted(run, op, hand.at);
  const near = Math.abs(w.count - op.clicks) <= op.stop.perTurn / 2;
  if (near && run.view.clickOf(op.control) === op.stop.click) return onward(run, hand.at);
  return w.count > op.clicks + op.stop.perTurn / 2 ? dies(run, 'one-too-many') : counted(run, op, hand.at);
}

function put(run: Run, op: Extract<Op, { op: 'set' }>, hand: Hand): Outcome {
  const { w } = run;
  if (hand.kind === 'choose' || hand.kind === 'up' || hand.control !== op.control) return dies(run, 'other-control');
  acted(run, hand.at);
  if (hand.kind === 'click')
    return run.view.clickOf(op.control) === op.atClick ? onward(run, hand.at) : { kind: 'on', attempt: w };
  const to = hand.kind === 'set' ? hand.to : hand.place;
  return to === op.to ? onward(run, hand.at) : dies(run, 'other-place');
}
