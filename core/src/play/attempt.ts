import type { ControlId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import { type Shown, sameShown } from '../model/shown.ts';
import type { Grip, Hand, Op, Program, SignWait } from './op.ts';
import { type Around, actsDone, blankThread, type MissCode, type Outcome, type Tell, type Thread } from './thread.ts';

/** A count that was begun is forgotten when nothing is added to it for so long. Nobody says how long; this is a guess. */
const patienceMs = 20_000;
/** So long a hand may take to notice a sign and to count on from it. Nobody says how long either. */
const noticeMs = 2000;
/** A press that lasts longer than this is a hold. */
const longestPressMs = 1000;

type Work = { -readonly [K in keyof Thread]: Thread[K] };
const ignored: Outcome = { kind: 'ignored' };

const isSound = (wait: SignWait): boolean => wait.shown.kind === 'sound';

/** One run of an attempt over an event; made anew for each, so that a thread itself never changes. */
class Run {
  readonly w: Work;
  private readonly program: Program;
  private readonly around: Around;
  private readonly tell: Tell;

  constructor(program: Program, thread: Thread, around: Around, tell: Tell) {
    this.program = program;
    // written out: a spread of so many numbers takes three times as long, and this is done at every event
    this.w = {
      pc: thread.pc,
      count: thread.count,
      since: thread.since,
      lastActAt: thread.lastActAt,
      pressing: thread.pressing,
      down: thread.down,
      held: thread.held,
      heldSince: thread.heldSince,
      loose: thread.loose,
      windows: thread.windows,
      opensWith: thread.opensWith,
      begun: thread.begun,
      limit: thread.limit,
      latest: thread.latest,
      due: thread.due,
      told: thread.told,
    };
    this.around = around;
    this.tell = tell;
  }

  private op(): Op | undefined {
    return this.program.ops[this.w.pc];
  }
  private dies(code: MissCode, byMs: number | null = null): Outcome {
    const { w, program } = this;
    const of = program.acts.at(-1) ?? 0;
    const at = this.op()?.at ?? '';
    return { kind: 'dies', miss: { code, at, byMs, nth: w.count + 1, done: actsDone(program, w), of } };
  }
  private onward(at: number): Outcome {
    this.w.pc += 1;
    return this.enter(at);
  }
  private say(at: number, shown: Shown): void {
    this.w.told = [...this.w.told.slice(-7), { shown, at }];
    this.tell(at, shown);
  }
  /** A hand did something: what comes now begins with that. */
  private acted(at: number): void {
    this.w.lastActAt = at;
    this.w.latest = at;
  }
  /** Waits for a sign: who sees it goes on from it, however long the rest before was. */
  private waits(at: number, ms: number): void {
    this.w.due = at + ms;
    this.w.latest = at + ms + noticeMs;
    this.w.limit = Number.POSITIVE_INFINITY;
  }
  private sayWait(wait: SignWait, from: number): void {
    for (let n = 1; n <= wait.nth; n += 1) this.say(from + n * wait.gapMs, wait.shown);
  }

  /** Comes to an operation, and past those nothing has to be done for. */
  enter(at: number): Outcome {
    const { w, program, around } = this;
    for (;;) {
      const op = program.ops[w.pc];
      if (!op || (w.pc > program.lastAct && op.op !== 'guard')) {
        this.tail(at);
        return { kind: 'fires', at, thread: w };
      }
      w.count = 0;
      w.since = at;
      w.pressing = null;
      w.due = Number.POSITIVE_INFINITY;
      switch (op.op) {
        case 'show':
          for (const shown of op.signs) this.say(at + op.delayMs, shown);
          if (!op.must) break;
          this.waits(at, op.delayMs);
          if (op.delayMs === 0) break;
          return { kind: 'on', thread: w };
        case 'open': {
          const opened = this.openedAt(op, at);
          if (opened === null) {
            this.waits(at, op.from.kind === 'sign' ? op.from.nth * op.gapMs : 0);
            return { kind: 'on', thread: w };
          }
          this.setWindow(op.window, opened + op.mostMs);
          break;
        }
        case 'close':
          this.setWindow(op.window, Number.NaN);
          break;
        case 'jump':
          w.pc = op.to;
          continue;
        case 'branch': {
          if (op.on.kind === 'nothing-done') {
            w.due = at + op.on.withinMs;
            w.latest += op.on.withinMs;
            w.limit += op.on.withinMs;
            return { kind: 'on', thread: w };
          }
          const met = op.on.kind === 'sign' ? around.shows(op.on.shown) : around.reads(op.on);
          w.pc = met ? w.pc + 1 : op.otherwise;
          continue;
        }
        case 'grip':
        case 'hold':
          w.down = op.grips.filter((g) => g.sticks && around.placeOf(g.control) === g.place).map((g) => g.control);
          if (w.down.length < op.grips.length) return { kind: 'on', thread: w };
          if (op.op === 'hold') {
            this.holding(op, at);
            return { kind: 'on', thread: w };
          }
          this.gripped(op.grips, at);
          break;
        case 'drop': {
          if (op.sign) this.sayWait(op.sign, at);
          const moves = op.grips.some((g) => !g.sticks);
          const signAt = op.sign ? at + op.sign.nth * op.sign.gapMs : at;
          const least = Math.max(signAt, w.heldSince + op.leastMs);
          if (moves) return { kind: 'on', thread: w };
          if (least > at) {
            w.due = least;
            return { kind: 'on', thread: w };
          }
          this.dropped(op.grips);
          break;
        }
        case 'set':
          if (op.atClick === null ? around.placeOf(op.control) === op.to : around.clickOf(op.control) === op.atClick)
            break;
          return { kind: 'on', thread: w };
        case 'rest':
          w.due = at + op.leastMs;
          return { kind: 'on', thread: w };
        case 'guard':
          w.due = at + op.settleMs;
          return { kind: 'on', thread: w };
        case 'choose':
        case 'press':
        case 'turn':
          return { kind: 'on', thread: w };
        default:
          return assertNever(op);
      }
      w.pc += 1;
    }
  }

  /** What shows after the last act. */
  private tail(at: number): void {
    for (const op of this.program.ops.slice(this.w.pc))
      if (op.op === 'show') for (const shown of op.signs) this.tell(at + op.delayMs, shown);
  }
  private setWindow(window: number, limit: number): void {
    const windows = [...this.w.windows];
    windows[window] = limit;
    this.w.windows = windows;
  }
  private openedAt(op: Extract<Op, { op: 'open' }>, at: number): number | null {
    const { from } = op;
    if (from.kind === 'power-on') return this.around.poweredAt() ?? at;
    if (from.kind === 'step-before') {
      // after a rest nobody knows when it was held to be over: the window opens with the first act in it
      if (this.w.begun && this.w.latest <= this.w.lastActAt) return this.w.lastActAt;
      this.w.opensWith = { window: op.window, mostMs: op.mostMs };
      return Number.POSITIVE_INFINITY;
    }
    const seen = this.w.told.filter((t) => t.at <= at && sameShown(t.shown, from.shown));
    if (seen.length >= from.nth) return seen.at(-1)?.at ?? at;
    this.sayWait({ shown: from.shown, nth: from.nth, gapMs: op.gapMs }, at);
    return null;
  }
  private holding(op: Extract<Op, { op: 'hold' }>, at: number): void {
    const { w } = this;
    w.since = at;
    this.acted(at);
    if (op.sign) {
      this.sayWait(op.sign, at);
      w.due = at + op.sign.gapMs * (isSound(op.sign) ? op.sign.nth + 1 : op.sign.nth);
    } else w.due = at + (op.mostMs ?? op.leastMs);
  }
  private gripped(grips: readonly Grip[], at: number): void {
    this.w.held = [...this.w.held, ...grips];
    this.w.heldSince = at;
    this.acted(at);
  }
  private dropped(grips: readonly Grip[]): void {
    this.w.held = this.w.held.filter((h) => !grips.some((g) => g.control === h.control));
  }

  /** Something of the thread's own is due. */
  time(): Outcome {
    const { w } = this;
    const op = this.op();
    const at = w.due;
    w.due = Number.POSITIVE_INFINITY;
    switch (op?.op) {
      case 'show':
        return this.onward(at);
      // what comes after a count is counted from its last one, not from when it was sure to be the last
      case 'guard':
        return this.onward(w.since);
      case 'drop':
        this.dropped(op.grips);
        return this.onward(at);
      case 'rest': {
        w.lastActAt = at;
        // before the first act nobody counts how long the unit has been left alone
        w.limit = op.mostMs === null || !w.begun ? Number.POSITIVE_INFINITY : w.latest + op.mostMs;
        w.latest = w.limit;
        return this.onward(at);
      }
      case 'open':
        this.setWindow(op.window, at + op.mostMs);
        return this.onward(at);
      case 'branch':
        return this.onward(at);
      case 'hold': {
        if (op.sign ? isSound(op.sign) : op.mostMs !== null)
          return this.dies(op.sign ? 'let-go-late' : 'held-too-long');
        w.loose = [...w.loose, ...op.grips.filter((g) => !g.sticks).map((g) => g.control)];
        w.lastActAt = at;
        // let go when it shows, or whenever one likes
        w.latest = op.sign ? at + noticeMs : Number.POSITIVE_INFINITY;
        return this.onward(at);
      }
      case 'choose':
      case 'close':
      case 'grip':
      case 'jump':
      case 'press':
      case 'set':
      case 'turn':
      case undefined:
        return ignored;
      default:
        return assertNever(op);
    }
  }

  /** Lets go of something that is held; null where it is none of this operation's. */
  private letGo(op: Op | undefined, control: ControlId, at: number): Outcome | null {
    const { w } = this;
    if (op?.op === 'hold' && w.down.includes(control)) {
      if (w.down.length < op.grips.length && w.count === 0) return this.dies('let-go-early');
      const early = (op.sign ? w.since + op.sign.nth * op.sign.gapMs : w.since + op.leastMs) - at;
      if (w.count === 0 && early > 0) return this.dies('let-go-early', early);
      w.down = w.down.filter((c) => c !== control);
      w.count += 1;
      this.acted(at);
      w.due = Number.POSITIVE_INFINITY;
      return w.down.some((c) => op.grips.some((g) => g.control === c && !g.sticks))
        ? { kind: 'on', thread: w }
        : this.onward(at);
    }
    if (op?.op === 'drop' && op.grips.some((g) => g.control === control)) {
      const signAt = op.sign ? w.since + op.sign.nth * op.sign.gapMs : w.since;
      const early = Math.max(signAt, w.heldSince + op.leastMs) - at;
      const most = op.mostMs === null ? Number.POSITIVE_INFINITY : w.heldSince + op.mostMs;
      const late = at - (op.sign && isSound(op.sign) ? signAt + op.sign.gapMs : most);
      if (w.count === 0 && early > 0) return this.dies('let-go-early', early);
      if (w.count === 0 && late > 0) return this.dies('let-go-late', late);
      w.count += 1;
      this.acted(at);
      const released = op.grips.filter((g) => g.control === control);
      this.dropped(released);
      const left = op.grips.some((g) => !g.sticks && w.held.some((h) => h.control === g.control));
      if (left) return { kind: 'on', thread: w };
      this.dropped(op.grips);
      return this.onward(at);
    }
    return null;
  }

  private overdue(at: number): Outcome | null {
    const { w } = this;
    for (const limit of w.windows) if (at > limit) return this.dies('after-window', at - limit);
    const op = this.op();
    const counting = (op?.op === 'press' || op?.op === 'turn') && w.count > 0;
    if (counting && at - w.lastActAt > patienceMs) return this.dies('too-late', at - w.lastActAt - patienceMs);
    return at > w.limit ? this.dies('too-late', at - w.limit) : null;
  }

  hand(hand: Hand): Outcome {
    const { w } = this;
    const op = this.op();
    if (!op) return ignored;
    if (hand.kind === 'up') return this.up(op, hand.control, hand.at);
    const late = this.overdue(hand.at);
    if (late) return late;
    if (w.opensWith) this.setWindow(w.opensWith.window, hand.at + w.opensWith.mostMs);
    w.opensWith = null;
    w.begun = true;
    if (op.op === 'guard') {
      const again = this.isOneMore(op, hand);
      if (again) {
        w.count = op.count;
        return this.dies('one-too-many');
      }
      return this.after(this.onward(w.since), hand);
    }
    if (op.op === 'branch' && op.on.kind === 'nothing-done') {
      w.pc = op.otherwise;
      return this.after(this.enter(hand.at), hand);
    }
    w.limit = Number.POSITIVE_INFINITY;
    switch (op.op) {
      case 'rest':
        return this.dies('too-early', w.due - hand.at);
      case 'show':
        return this.dies('before-sign', w.due - hand.at);
      case 'open':
        return this.dies('before-window', w.due - hand.at);
      case 'press':
        return this.press(op, hand);
      case 'hold':
      case 'grip':
        return this.take(op, hand);
      case 'drop': {
        // a control that stays where it is put is let go of by moving it
        if (hand.kind === 'set' && op.grips.some((g) => g.sticks && g.control === hand.control))
          return this.letGo(op, hand.control, hand.at) ?? ignored;
        return this.dies('other-control');
      }
      case 'turn':
        return this.turn(op, hand);
      case 'set':
        return this.set(op, hand);
      case 'choose':
        if (hand.kind !== 'choose') return this.dies('other-control');
        if (hand.on !== op.on || hand.words !== op.words) return this.dies('other-choice');
        if (op.on === 'unit' && this.around.poweredAt() === null) return this.dies('no-power');
        this.acted(hand.at);
        return this.onward(hand.at);
      case 'branch':
      case 'close':
      case 'jump':
        return this.dies('other-control');
      default:
        return assertNever(op);
    }
  }

  /** Takes the same hand again, one operation on. */
  private after(outcome: Outcome, hand: Hand): Outcome {
    return outcome.kind === 'on' ? this.hand(hand) : outcome;
  }
  private isOneMore(op: Extract<Op, { op: 'guard' }>, hand: Hand): boolean {
    if (hand.kind === 'choose' || hand.kind === 'up') return false;
    if (op.of.control === 'any') return hand.kind === 'down';
    if (hand.control !== op.of.control) return false;
    return (
      op.of.place === null || (hand.kind === 'set' ? hand.to : hand.kind === 'down' ? hand.place : null) === op.of.place
    );
  }
  private up(op: Op, control: ControlId, at: number): Outcome {
    const { w } = this;
    if (w.loose.includes(control)) {
      w.loose = w.loose.filter((c) => c !== control);
      return { kind: 'on', thread: w };
    }
    if (op.op === 'press' && w.pressing?.control === control) {
      const late = this.overdue(at);
      if (late) return late;
      const lasted = at - w.pressing.at;
      if (lasted > longestPressMs) return this.dies('held-not-pressed', lasted - longestPressMs);
      if (this.around.poweredAt() === null) return this.dies('no-power');
      w.pressing = null;
      w.count += 1;
      this.acted(at);
      return w.count >= op.times ? this.onward(at) : { kind: 'on', thread: w };
    }
    if (op.op === 'grip' && w.down.includes(control)) return this.dies('let-go-early');
    const mine = (op.op === 'hold' && w.down.includes(control)) || w.held.some((h) => h.control === control);
    if (!mine) return ignored;
    const late = this.overdue(at);
    if (late) return late;
    if (op.op === 'guard') {
      const next = this.onward(w.since);
      return next.kind === 'on' ? this.up(this.program.ops[w.pc] ?? op, control, at) : next;
    }
    return this.letGo(op, control, at) ?? this.dies('let-go-early');
  }
  private press(op: Extract<Op, { op: 'press' }>, hand: Hand): Outcome {
    if (hand.kind !== 'down' || (op.control !== 'any' && hand.control !== op.control) || this.w.pressing)
      return this.dies('other-control');
    this.w.pressing = { control: hand.control, at: hand.at };
    return { kind: 'on', thread: this.w };
  }
  private take(op: Extract<Op, { op: 'hold' | 'grip' }>, hand: Hand): Outcome {
    const { w } = this;
    if (hand.kind === 'set' && op.op === 'hold' && w.down.includes(hand.control))
      return this.letGo(op, hand.control, hand.at) ?? ignored;
    if (hand.kind !== 'down' && hand.kind !== 'set') return this.dies('other-control');
    const grip = op.grips.find((g) => g.control === hand.control);
    if (!grip || w.down.includes(hand.control)) return this.dies('other-control');
    const place = hand.kind === 'set' ? hand.to : hand.place;
    if (grip.place !== null && place !== grip.place) return this.dies('other-place');
    w.down = [...w.down, hand.control];
    if (w.down.length < op.grips.length) return { kind: 'on', thread: w };
    if (op.op === 'hold') {
      this.holding(op, hand.at);
      return { kind: 'on', thread: w };
    }
    this.gripped(op.grips, hand.at);
    return this.onward(hand.at);
  }
  private turn(op: Extract<Op, { op: 'turn' }>, hand: Hand): Outcome {
    const { w } = this;
    if (hand.kind !== 'click' || hand.control !== op.control) return this.dies('other-control');
    if (hand.way !== op.way) return this.dies('other-way');
    if (this.around.poweredAt() === null) return this.dies('no-power');
    w.count += 1;
    this.acted(hand.at);
    if (op.stop === null) return w.count === op.clicks ? this.onward(hand.at) : { kind: 'on', thread: w };
    const near = Math.abs(w.count - op.clicks) <= op.stop.perTurn / 2;
    if (near && this.around.clickOf(op.control) === op.stop.click) return this.onward(hand.at);
    return w.count > op.clicks + op.stop.perTurn / 2 ? this.dies('one-too-many') : { kind: 'on', thread: w };
  }
  private set(op: Extract<Op, { op: 'set' }>, hand: Hand): Outcome {
    const { w } = this;
    if (hand.kind === 'choose' || hand.kind === 'up' || hand.control !== op.control) return this.dies('other-control');
    this.acted(hand.at);
    if (hand.kind === 'click')
      return this.around.clickOf(op.control) === op.atClick ? this.onward(hand.at) : { kind: 'on', thread: w };
    const to = hand.kind === 'set' ? hand.to : hand.place;
    return to === op.to ? this.onward(hand.at) : this.dies('other-place');
  }
}

const silent: Tell = () => {};

/** An attempt that has not begun, as it stands when nothing was done since `at`. */
export function beginThread(program: Program, at: number, around: Around): Thread {
  const begun = new Run(program, { ...blankThread, since: at, lastActAt: at }, around, silent).enter(at);
  return begun.kind === 'on' || begun.kind === 'fires' ? begun.thread : blankThread;
}

/** Lets an attempt take what a hand does. */
export function feedHand(program: Program, thread: Thread, hand: Hand, around: Around, tell: Tell): Outcome {
  return new Run(program, thread, around, tell).hand(hand);
}

/** Lets an attempt take what is due by itself, at its `due`. */
export function feedDue(program: Program, thread: Thread, around: Around, tell: Tell): Outcome {
  return new Run(program, thread, around, tell).time();
}
