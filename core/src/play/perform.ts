import type { ControlId, PlaceId } from '../base/ids.ts';
import { type Shown, sameShown } from '../model/shown.ts';
import { clickedTo, isSupplied, type UnitFacts } from '../unit/facts.ts';
import type { UnitView } from './attempt-state.ts';
import {
  comesBack,
  controlOfOp,
  entriesLeft,
  type Grip,
  type Hand,
  type Op,
  type Program,
  type SignWait,
  steppedBy,
  type UnitEvent,
} from './op.ts';

/** How somebody does things: every length in milliseconds. */
export type Hands = Readonly<{
  /** From one act to the next of the same kind, where so long is usual. */
  pace: (usualMs: number) => number;
  /** How long a control is pressed. */
  pressMs: () => number;
  /** How long something is kept up that has a least, usual and most. */
  keep: (span: Readonly<{ leastMs: number; usualMs: number; mostMs: number | null }>) => number;
  /** From a sign to the hand that answers it. */
  reaction: () => number;
  /** How many are really done where so many are meant. */
  count: (meant: number) => number;
  /** Which control is really worked, and which way it is really turned. */
  control: (wanted: ControlId) => ControlId;
  way: (wanted: 'cw' | 'ccw') => 'cw' | 'ccw';
  /** Whether a step is forgotten. */
  forgets: () => boolean;
}>;

const idealReactionMs = 250;
/** So often somebody steps a list by hand before giving up. */
const mostSteps = 300;

/** Somebody who does everything as it is usually done and never miscounts. */
export const idealHands: Hands = {
  pace: (usualMs) => usualMs,
  pressMs: () => 150,
  keep: ({ leastMs, usualMs, mostMs }) =>
    mostMs === null ? Math.max(usualMs, leastMs) + 50 : Math.min(Math.max(usualMs, leastMs + 1), mostMs - 1),
  reaction: () => idealReactionMs,
  count: (meant) => meant,
  control: (wanted) => wanted,
  way: (wanted) => wanted,
  forgets: () => false,
};

/** One thing done: the event, the hand it is to a recogniser, and the operation it belongs to. */
export type Done = Readonly<{ event: UnitEvent; hand: Hand; op: number }>;

const starts = new WeakMap<UnitFacts, ReadonlyMap<ControlId, PlaceId>>();
/** Where the controls stand at first, gathered once a unit. */
function startsOf(facts: UnitFacts): ReadonlyMap<ControlId, PlaceId> {
  const known = starts.get(facts);
  if (known) return known;
  const made = new Map<ControlId, PlaceId>();
  for (const { control, start } of facts.controls.values()) if (start !== null) made.set(control.id, start);
  starts.set(facts, made);
  return made;
}

/** Where controls stand while a program is performed on its own, without the rest of the unit. */
export class Solo {
  readonly places: Map<ControlId, PlaceId>;
  readonly clicks = new Map<ControlId, number>();
  private readonly told: Array<{ at: number; shown: Shown }> = [];
  private readonly facts: UnitFacts;
  private powered: number | null;
  now = 0;

  constructor(
    facts: UnitFacts,
    places?: ReadonlyMap<ControlId, PlaceId>,
    clicks?: ReadonlyMap<ControlId, number>,
    /** Since when it has its supply, where that is known. */
    poweredAt: number | null = 0,
  ) {
    this.facts = facts;
    this.places = new Map(startsOf(facts));
    for (const [control, place] of places ?? []) this.places.set(control, place);
    for (const [control, click] of clicks ?? []) this.clicks.set(control, click);
    this.powered = isSupplied(facts, (c) => this.places.get(c) ?? null) ? (poweredAt ?? 0) : null;
  }
  readonly view: UnitView = {
    placeOf: (c) => this.places.get(c) ?? null,
    clickOf: (c) => this.clicks.get(c) ?? 0,
    poweredAt: () => this.powered,
    shows: (shown) => {
      const last = this.told.findLast((t) => t.at <= this.now && t.shown.sign === shown.sign);
      return last !== undefined && sameShown(last.shown, shown);
    },
    reads: () => false,
  };
  readonly tell = (at: number, shown: Shown): void => {
    this.told.push({ at, shown });
  };
  take(event: UnitEvent): void {
    this.now = event.at;
    if (event.kind === 'click') this.click(event.control, event.way);
    if (event.kind === 'place') this.put(event.at, event.control, event.to);
  }
  /** As `take`, of a hand as the recogniser takes it. */
  takeHand(hand: Hand): void {
    this.now = hand.at;
    if (hand.kind === 'click') this.click(hand.control, hand.way);
    if (hand.kind === 'set') this.put(hand.at, hand.control, hand.to);
    if (hand.kind === 'down' && hand.place !== null) this.put(hand.at, hand.control, hand.place);
    if (hand.kind !== 'up') return;
    const home = this.facts.controls.get(hand.control)?.springs.get(this.places.get(hand.control) ?? ('' as PlaceId));
    if (home !== undefined) this.put(hand.at, hand.control, home);
  }
  private click(control: ControlId, way: 'cw' | 'ccw'): void {
    const mechanism = this.facts.controls.get(control)?.mechanism;
    if (mechanism?.kind === 'clicks')
      this.clicks.set(control, clickedTo(mechanism, this.clicks.get(control) ?? 0, way));
  }
  private put(at: number, control: ControlId, to: PlaceId): void {
    this.places.set(control, to);
    const on = isSupplied(this.facts, (c) => this.places.get(c) ?? null);
    if (on !== (this.powered !== null)) this.powered = on ? at : null;
  }
}

/**
 * Performs a program on a unit as its panels say, beginning at `from`, and gives what was done in order. Signs come when
 * the program says; hands answer them after their reaction. Where there is a choice by a sign that never came or by a
 * code, the other way is gone.
 */
export function perform(program: Program, facts: UnitFacts, hands: Hands, from = 0, solo = new Solo(facts)): Done[] {
  const done: Done[] = [];
  const signs: Array<{ at: number; shown: Shown }> = [];
  let t = from;
  let lastActAt = from;
  const grippedAt = new Map<ControlId, number>();

  // after a rest the hand is ready: the rest is up when it acts
  let rested = false;
  const approach = (ms: number): number => (rested ? 30 : ms);
  // a rest may end between two times: the unit goes on after the shortest, and shows its signs from there
  let ready = from;
  // what was counted is done when nothing is added for so long
  let settled = from;
  const settle = (): void => {
    t = Math.max(t, settled);
  };

  const put = (op: number, event: UnitEvent, hand: Hand): void => {
    rested = false;
    ready = event.at;
    solo.take(event);
    done.push({ op, event, hand });
    lastActAt = event.at;
  };
  const grip = (op: number, { control, place, sticks }: Grip): void => {
    if (sticks && place !== null) move(op, control, place);
    else if (place === null) put(op, { at: t, kind: 'down', control }, { at: t, kind: 'down', control, place: null });
    else put(op, { at: t, kind: 'place', control, to: place }, { at: t, kind: 'down', control, place });
    grippedAt.set(control, t);
  };
  const back = (op: number, control: ControlId, place: PlaceId | null): void => {
    const home = place === null ? null : (facts.controls.get(control)?.springs.get(place) ?? null);
    if (place === null) put(op, { at: t, kind: 'up', control }, { at: t, kind: 'up', control });
    else if (home !== null) put(op, { at: t, kind: 'place', control, to: home }, { at: t, kind: 'up', control });
  };
  const letGo = (op: number, grips: readonly Grip[]): void => {
    for (const g of grips.filter((g) => !g.sticks)) {
      back(op, g.control, g.place);
      t += 20;
    }
  };
  const move = (op: number, control: ControlId, to: PlaceId): void => {
    if (solo.places.get(control) === to) return;
    const springs = facts.controls.get(control)?.springs.has(to) ?? false;
    const hand: Hand = springs ? { at: t, kind: 'down', control, place: to } : { at: t, kind: 'set', control, to };
    put(op, { at: t, kind: 'place', control, to }, hand);
  };
  const press = (op: number, control: ControlId): void => {
    const own = facts.controls.get(control);
    const place = own?.mechanism.kind === 'places' ? ([...own.springs.keys()][0] ?? null) : null;
    grip(op, { control, place, sticks: false });
    t += hands.pressMs();
    back(op, control, place);
  };
  /** Keeps a list's key down while most of the way runs by itself, then steps to the entry, back where it went past. */
  const bringTo = (pc: number, op: Extract<Op, { op: 'list' }>): void => {
    if (hands.forgets()) return;
    settle();
    const control = hands.control(op.control);
    let count = 0;
    const click = (on: boolean): void => {
      t += approach(Math.max(20, hands.pace(op.paceMs)));
      const way = on === (op.knob === 'cw') ? ('cw' as const) : ('ccw' as const);
      const event = { at: t, kind: 'click' as const, control: op.control, way };
      put(pc, event, event);
      count += on ? 1 : -1;
    };
    const step = (which: ControlId, ms: number | null): void => {
      t += approach(Math.max(40, hands.pace(op.paceMs) * 0.6));
      const downAt = t;
      grip(pc, { control: which, place: null, sticks: false });
      t += ms ?? hands.pressMs();
      back(pc, which, null);
      count += (which === op.back ? -1 : 1) * steppedBy(op, t - downAt);
    };
    const { repeats } = op;
    // whoever watches it run lets go a little before
    const byItself = op.entries - 2;
    if (repeats && byItself > 1) {
      const aim = repeats.afterMs + (byItself - 0.5) * repeats.everyMs;
      step(control, Math.max(repeats.afterMs, aim + hands.reaction() - idealReactionMs));
    }
    // who turns a knob quickly goes past it by one now and then, and sees it
    const past = op.knob === null ? 0 : Math.max(0, hands.count(op.entries) - op.entries);
    for (let n = 0; n < past; n += 1) click(true);
    for (let n = 0; n < mostSteps && entriesLeft(op, count) !== 0; n += 1) {
      const left = entriesLeft(op, count);
      if (left < 0 && !comesBack(op)) break;
      if (op.knob !== null) click(left > 0);
      else step(left > 0 ? control : (op.back ?? control), null);
    }
    settled = t + op.settleMs + 50;
  };
  /** Waits for a sign and goes on from it, whatever is left of a rest before. */
  const waitFor = (ms: number): void => {
    ready += ms;
    t = ready + hands.reaction();
    rested = false;
  };
  const awaited = (sign: SignWait): void => {
    for (let n = 1; n <= sign.nth; n += 1) signs.push({ at: t + n * sign.gapMs, shown: sign.shown });
    for (const shown of sign.also ?? []) signs.push({ at: t + sign.nth * sign.gapMs, shown });
  };
  const gripped = (g: Grip): Grip => (g.place === null ? { ...g, control: hands.control(g.control) } : g);
  const anyPush = (): ControlId | undefined =>
    [...facts.controls.values()].find((c) => c.mechanism.kind === 'push')?.control.id;

  for (let pc = 0; pc < program.ops.length && pc <= program.lastAct; pc += 1) {
    const op = program.ops[pc];
    if (!op) break;
    switch (op.op) {
      case 'press': {
        const control = op.control === 'any' ? anyPush() : hands.control(op.control);
        if (!control || hands.forgets()) break;
        settle();
        for (let n = hands.count(op.times); n > 0; n -= 1) {
          const began = t;
          t += approach(Math.max(40, hands.pace(op.paceMs) * 0.6));
          press(pc, control);
          t = Math.max(t, began + op.paceMs * 0.8);
        }
        break;
      }
      case 'grip':
      case 'hold': {
        if (op.op === 'hold' && hands.forgets()) break;
        settle();
        // one hand on one key may take another for it; whoever holds several has looked
        const grips = op.op === 'hold' && op.grips.length === 1 ? op.grips.map(gripped) : op.grips;
        for (const g of grips) {
          // fingers that go down together are no distance apart
          t +=
            g === grips[0] || op.op === 'grip' || op.withinMs === undefined
              ? approach(Math.max(30, hands.pace(120)))
              : hands.pace(40);
          grip(pc, g);
        }
        if (op.op === 'grip') break;
        if (op.sign) {
          awaited(op.sign);
          t += op.sign.nth * op.sign.gapMs + hands.reaction();
        } else {
          const powered = op.op === 'hold' && op.fromPower ? solo.view.poweredAt() : null;
          t = Math.max(t + 30, (powered ?? t) + hands.keep(op));
        }
        letGo(pc, grips);
        break;
      }
      case 'drop': {
        const sign = op.sign;
        if (sign) {
          awaited(sign);
          t += sign.nth * sign.gapMs + hands.reaction();
        } else if (op.leastMs > 0) {
          const powered = op.fromPower ? solo.view.poweredAt() : null;
          const since = powered ?? Math.min(...op.grips.map((g) => grippedAt.get(g.control) ?? t));
          t = Math.max(t + 30, since + hands.keep(op));
        } else t += Math.max(30, hands.pace(150));
        letGo(pc, op.grips);
        break;
      }
      case 'turn': {
        settle();
        if (hands.forgets()) break;
        const way = hands.way(op.way);
        const meant = op.stop ? op.clicks : hands.count(op.clicks);
        let left = meant;
        while (
          left > 0 &&
          !(
            op.stop &&
            left < op.clicks &&
            solo.view.clickOf(op.control) === op.stop.click &&
            left <= op.stop.perTurn / 2
          )
        ) {
          t += approach(Math.max(20, hands.pace(op.paceMs)));
          const event = { at: t, kind: 'click' as const, control: op.control, way };
          put(pc, event, event);
          left -= 1;
        }
        while (op.stop && solo.view.clickOf(op.control) !== op.stop.click && left > -op.stop.perTurn) {
          t += approach(Math.max(20, hands.pace(op.paceMs)));
          const event = { at: t, kind: 'click' as const, control: op.control, way };
          put(pc, event, event);
          left -= 1;
        }
        break;
      }
      case 'list':
        bringTo(pc, op);
        break;
      case 'set': {
        const own = facts.controls.get(op.control);
        if (own?.mechanism.kind === 'clicks') {
          settle();
          for (let n = 0; solo.view.clickOf(op.control) !== op.atClick && n < own.mechanism.perTurn; n += 1) {
            t += Math.max(20, hands.pace(300));
            const event = { at: t, kind: 'click' as const, control: op.control, way: 'cw' as const };
            put(pc, event, event);
          }
          break;
        }
        if (solo.places.get(op.control) === op.to || hands.forgets()) break;
        settle();
        t += approach(Math.max(40, hands.pace(op.paceMs)));
        move(pc, op.control, op.to);
        if (own?.springs.has(op.to)) {
          t += hands.pressMs();
          back(pc, op.control, op.to);
        }
        break;
      }
      case 'rest':
        t += hands.keep(op);
        ready += op.leastMs;
        rested = true;
        break;
      case 'choose': {
        t += approach(Math.max(100, hands.pace(op.paceMs)));
        const event = { at: t, kind: 'choose' as const, on: op.on, words: op.words };
        put(pc, event, event);
        break;
      }
      case 'show':
        for (const shown of op.signs) signs.push({ at: ready + op.delayMs, shown });
        if (op.must) waitFor(op.delayMs);
        else if (op.delayMs > 0) t += op.delayMs + hands.reaction();
        break;
      case 'open': {
        const { from: since } = op;
        if (
          since.kind !== 'sign' ||
          signs.filter((s) => s.at <= t && sameShown(s.shown, since.shown)).length >= since.nth
        )
          break;
        for (let n = 1; n <= since.nth; n += 1) signs.push({ at: ready + n * op.gapMs, shown: since.shown });
        waitFor(since.nth * op.gapMs);
        break;
      }
      case 'guard': {
        // what stands where it should already is not done again
        const moot = (o: Op): boolean => o.op === 'set' && solo.places.get(o.control) === o.to;
        const next = controlOfOp(program.ops.slice(pc + 1).find((o) => controlOfOp(o) !== null && !moot(o)));
        if (next !== null && (next === op.of.control || next === 'any' || op.of.control === 'any'))
          settled = lastActAt + op.settleMs + 50;
        break;
      }
      case 'branch': {
        const on = op.on;
        const met =
          on.kind === 'sign' && signs.findLast((s) => s.at <= t && sameShown(s.shown, on.shown)) !== undefined;
        if (!met) pc = op.otherwise - 1;
        break;
      }
      case 'jump':
        pc = op.to - 1;
        break;
      case 'close':
        break;
    }
  }
  return done;
}
