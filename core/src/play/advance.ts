import type { ControlId, ControllerId, ModeId, SignId } from '../base/ids.ts';
import type { Effect } from '../model/effect.ts';
import type { Variable } from '../model/mode.ts';
import { type Shown, sameShown } from '../model/shown.ts';
import { isSupplied } from '../unit/facts.ts';
import { beginThread, feedDue, feedHand } from './attempt.ts';
import type { GestureOf, UnitPlan } from './gestures.ts';
import type { Hand, UnitEvent } from './op.ts';
import { holds, showsNow } from './shows.ts';
import { freshVariables, type Mind, type ModeCause, type UnitEffect, type UnitState } from './state.ts';
import type { Around, Outcome, Thread } from './thread.ts';

type Work = { -readonly [K in keyof UnitState]: UnitState[K] };

/** How long a beep or another single sound stays on. */
const soundMs = 220;
/** Signs that confirm a gesture go over to what the mode shows after this. */
const confirmMs = 2500;
/** What is done by itself at one instant; more is a circle among transitions. */
const mostAtOnce = 200;

/** What happens while one event is taken. */
class Moment {
  readonly w: Work;
  readonly effects: UnitEffect[] = [];
  private readonly plan: UnitPlan;
  private readonly around: Around;

  constructor(plan: UnitPlan, state: UnitState) {
    this.plan = plan;
    this.w = { ...state };
    const { w } = this;
    this.around = {
      placeOf: (c) => w.places.get(c) ?? null,
      clickOf: (c) => w.clicks.get(c) ?? 0,
      poweredAt: () => w.poweredAt,
      shows: (shown) => {
        const now = showsNow(plan, w).get(shown.sign);
        return now !== undefined && sameShown(now, shown);
      },
      reads: (on) => w.memory[0] !== undefined && w.memory[0] === this.textOf(on.code),
    };
  }
  private textOf(code: string): string | undefined {
    for (const e of this.plan.bundle.entries) if (e.kind === 'code' && e.id === code) return e.text;
    return undefined;
  }

  private say(controller: ControllerId, at: number, shown: Shown): void {
    if (at <= this.w.at) this.show(controller, this.w.at, shown);
    else this.schedule(controller, at, shown.sign, shown);
  }
  private schedule(controller: ControllerId, at: number, sign: SignId, shown: Shown | null): void {
    this.w.scheduled = [...this.w.scheduled, { at, sign, shown, controller }].sort((a, b) => a.at - b.at);
  }
  private show(controller: ControllerId, at: number, shown: Shown): void {
    // two gestures under way wait for the same sign: it comes once
    const already = this.w.over.get(shown.sign);
    if (already && already.at === at && sameShown(already.shown, shown)) return;
    this.over(shown.sign, { shown, at, controller });
    this.effects.push({ at, kind: 'sign', shown });
    if (shown.kind === 'sound' && shown.state === 'on') this.schedule(controller, at + soundMs, shown.sign, null);
    else if (!this.w.threads.some((t, i) => t && this.plan.gestures[i]?.controller === controller))
      this.schedule(controller, at + confirmMs, shown.sign, null);
    for (const [id, mind] of this.w.minds)
      for (const t of this.plan.modes.get(mind.mode)?.transitions ?? [])
        if (t.on.kind === 'sign' && sameShown(t.on.shown, shown) && this.may(mind, t.when))
          this.follow(id, t.to ?? null, t.effects, { kind: 'sign' });
  }
  private over(sign: SignId, value: { shown: Shown; at: number; controller: ControllerId } | null): void {
    const over = new Map(this.w.over);
    if (value === null) over.delete(sign);
    else over.set(sign, value);
    this.w.over = over;
  }
  private may(mind: Mind, when: Parameters<typeof holds>[3] | undefined | null): boolean {
    return !when || holds(this.plan, this.w, mind, when);
  }

  private setMind(id: ControllerId, change: Partial<Mind>): void {
    const mind = this.w.minds.get(id);
    const anew = 'stage' in change || 'variables' in change || 'mode' in change;
    if (mind) this.w.minds = new Map(this.w.minds).set(id, { ...mind, ...(anew && { shownAt: this.w.at }), ...change });
  }
  private apply(id: ControllerId, effect: Effect): void {
    const mind = this.w.minds.get(id);
    if (!mind) return;
    switch (effect.kind) {
      case 'assign':
        this.setMind(id, { variables: new Map(mind.variables).set(effect.variable, effect.to) });
        break;
      case 'step': {
        const variable = this.plan.modes.get(mind.mode)?.variables.find((v) => v.id === effect.variable);
        const now = mind.variables.get(effect.variable);
        if (variable && now !== undefined) {
          const next = stepVariable(variable, now, effect.by);
          this.setMind(id, { variables: new Map(mind.variables).set(effect.variable, next), stage: 0 });
        }
        break;
      }
      case 'send': {
        const to = this.w.minds.get(effect.to);
        for (const t of (to && this.plan.modes.get(to.mode)?.transitions) ?? [])
          if (
            t.on.kind === 'message' &&
            t.on.from === id &&
            t.on.message === effect.message &&
            to &&
            this.may(to, t.when)
          )
            this.follow(effect.to, t.to ?? null, t.effects, { kind: 'message' });
        break;
      }
      case 'erase-memory':
        this.w.memory = [];
        break;
    }
  }
  private depth = 0;
  /** Goes where a transition or a gesture leads, with what it does on the way. */
  private follow(id: ControllerId, to: ModeId | null, effects: readonly Effect[], by: ModeCause): void {
    if (this.depth > 20) return;
    this.depth += 1;
    for (const effect of effects) this.apply(id, effect);
    const mind = this.w.minds.get(id);
    if (mind && to !== null && to !== mind.mode && this.plan.modes.has(to)) {
      this.setMind(id, {
        mode: to,
        since: this.w.at,
        lastHandAt: this.w.at,
        variables: freshVariables(this.plan.modes.get(to)),
        stage: 0,
      });
      for (const [sign, o] of this.w.over) if (o.controller === id && o.at < this.w.at) this.over(sign, null);
      this.effects.push({ at: this.w.at, kind: 'mode', controller: id, from: mind.mode, to, by });
    }
    this.depth -= 1;
  }

  private supplyChanged(): void {
    const on = isSupplied(this.plan.facts, (c) => this.w.places.get(c) ?? null);
    if (on === (this.w.poweredAt !== null)) return;
    this.w.poweredAt = on ? this.w.at : null;
    if (!on) this.w.over = new Map();
    for (const [id, mind] of this.w.minds)
      for (const t of this.plan.modes.get(mind.mode)?.transitions ?? [])
        if (t.on.kind === 'supply' && t.on.becomes === (on ? 'on' : 'off') && this.may(mind, t.when)) {
          this.follow(id, t.to ?? null, t.effects, { kind: 'supply' });
          break;
        }
  }

  private tellFor(index: number) {
    const controller = this.plan.gestures[index]?.controller as ControllerId;
    return (at: number, shown: Shown): void => this.say(controller, at, shown);
  }

  /** Everything that is due by itself up to an instant, in order. */
  runTo(to: number): void {
    for (let n = 0; n < mostAtOnce * 1000; n += 1) {
      const due = this.nextDue();
      if (due > to) break;
      this.w.at = Math.max(this.w.at, due);
      this.doDue(due);
    }
    this.w.at = Math.max(this.w.at, to);
  }
  nextDue(): number {
    const { w } = this;
    let due = w.scheduled[0]?.at ?? Number.POSITIVE_INFINITY;
    for (const thread of w.threads) if (thread && thread.due < due) due = thread.due;
    for (const mind of w.minds.values())
      for (const t of this.plan.modes.get(mind.mode)?.transitions ?? []) {
        const at = timerOf(t.on, mind);
        if (at !== null && at < due && at > mind.since && this.may(mind, t.when)) due = at;
      }
    return due;
  }
  private doDue(due: number): void {
    const { w } = this;
    const sign = w.scheduled[0];
    if (sign && sign.at <= due) {
      w.scheduled = w.scheduled.slice(1);
      if (sign.shown) this.show(sign.controller, sign.at, sign.shown);
      else if ((w.over.get(sign.sign)?.at ?? due) < due) this.over(sign.sign, null);
      return;
    }
    const index = w.threads.findIndex((t) => t !== null && t.due <= due);
    const thread = w.threads[index];
    const gesture = this.plan.gestures[index];
    if (thread && gesture) {
      this.settle([[index, feedDue(gesture.program, thread, this.around, this.tellFor(index))]]);
      return;
    }
    for (const [id, mind] of w.minds)
      for (const t of this.plan.modes.get(mind.mode)?.transitions ?? []) {
        const at = timerOf(t.on, mind);
        if (at === null || at > due || at <= mind.since || !this.may(mind, t.when)) continue;
        // a timer that leads nowhere else starts again
        if (t.to === undefined || t.to === mind.mode) this.setMind(id, { since: due, lastHandAt: due });
        this.follow(id, t.to ?? null, t.effects, { kind: t.on.kind === 'idle' ? 'idle' : 'after' });
        return;
      }
  }

  private setThread(index: number, thread: Thread | null): void {
    const threads = [...this.w.threads];
    threads[index] = thread;
    this.w.threads = threads;
  }

  /** Lets every gesture take what a hand did, those under way and those that may begin. */
  hand(hand: Hand, before: UnitState): void {
    const { w, plan } = this;
    const beforeAround: Around = {
      ...this.around,
      placeOf: (c) => before.places.get(c) ?? null,
      clickOf: (c) => before.clicks.get(c) ?? 0,
      poweredAt: () => before.poweredAt,
    };
    const outcomes: Array<readonly [number, Outcome]> = [];
    const begin = (index: number): void => {
      const gesture = plan.gestures[index];
      const mind = gesture && before.minds.get(gesture.controller);
      if (!gesture || !mind || hand.kind === 'up') return;
      if (gesture.from !== 'any' && !gesture.from.includes(mind.mode)) return;
      if (!this.may(mind, gesture.when)) return;
      let thread = beginThread(gesture.program, Math.max(before.lastHandAt, mind.since), beforeAround);
      for (let n = 0; thread.due <= hand.at && n < 50; n += 1) {
        const next = feedDue(gesture.program, thread, beforeAround, () => {});
        if (next.kind !== 'on') break;
        thread = next.thread;
      }
      const outcome = feedHand(gesture.program, thread, hand, this.around, this.tellFor(index));
      if (outcome.kind === 'on' || outcome.kind === 'fires') outcomes.push([index, outcome]);
    };
    const idle: number[] = [];
    const carriedOn = new Set<ControllerId>();
    w.threads.forEach((thread, index) => {
      const gesture = plan.gestures[index];
      if (!gesture) return;
      if (thread === null) {
        idle.push(index);
        return;
      }
      const outcome = feedHand(gesture.program, thread, hand, this.around, this.tellFor(index));
      if (outcome.kind === 'ignored') return;
      if (outcome.kind === 'dies') {
        this.setThread(index, null);
        w.misses = [...w.misses, { gesture: index, miss: outcome.miss }];
        if (outcome.miss.code !== 'one-too-many') idle.push(index);
      } else {
        outcomes.push([index, outcome]);
        carriedOn.add(gesture.controller);
      }
    });
    // what carries on a gesture under way is not the beginning of another
    for (const index of idle) {
      const controller = plan.gestures[index]?.controller;
      if (controller !== undefined && !carriedOn.has(controller)) begin(index);
    }
    this.settle(outcomes);
    w.lastHandAt = hand.at;
    for (const [id] of w.minds) this.setMind(id, { lastHandAt: hand.at });
  }

  /** Takes what came of the gestures; of several that are complete at once the longest decides where the unit goes. */
  private settle(outcomes: ReadonlyArray<readonly [number, Outcome]>): void {
    const { w, plan } = this;
    const fired: number[] = [];
    for (const [index, outcome] of outcomes) {
      if (outcome.kind === 'on') this.setThread(index, outcome.thread);
      if (outcome.kind === 'fires') {
        this.setThread(index, null);
        fired.push(index);
      }
      if (outcome.kind === 'dies') {
        this.setThread(index, null);
        w.misses = [...w.misses, { gesture: index, miss: outcome.miss }];
      }
    }
    fired.sort((a, b) => (plan.gestures[b]?.program.acts.at(-1) ?? 0) - (plan.gestures[a]?.program.acts.at(-1) ?? 0));
    const main = plan.gestures[fired[0] ?? -1];
    if (main) this.fire(main.controller, fired);
    // a way known not to work that is still open keeps nobody waiting for what went wrong
    const open = w.threads.some((t, i) => t !== null && plan.gestures[i]?.of.kind !== 'known-not-to-work');
    if (w.misses.length > 0 && !open) {
      if (!main) this.missed();
      w.misses = [];
    }
    if (main) w.misses = [];
  }

  private fire(controller: ControllerId, fired: readonly number[]): void {
    const { w, plan } = this;
    // what may begin in any mode goes on across a change of mode; the rest has to begin anew
    w.threads = w.threads.map((t, i) => {
      const other = plan.gestures[i];
      return other?.controller === controller && other.from !== 'any' ? null : t;
    });
    for (const [n, index] of fired.entries()) {
      const gesture = plan.gestures[index];
      if (!gesture) continue;
      if (gesture.of.kind === 'known-not-to-work') {
        const { how, why, name } = gesture.of;
        this.effects.push({ at: w.at, kind: 'known-not-to-work', how, why, route: name });
        continue;
      }
      this.effects.push({ at: w.at, kind: 'done', of: gesture.of });
      this.nextStage(gesture.controller, gesture.of);
      this.follow(gesture.controller, n === 0 ? gesture.to : null, gesture.effects, {
        kind: 'gesture',
        of: gesture.of,
      });
      this.confirm(gesture.controller);
    }
  }
  /** What an attempt has brought on goes out some time after it is over. */
  private confirm(controller: ControllerId): void {
    for (const [sign, o] of this.w.over)
      if (o.controller === controller && o.shown.kind !== 'sound')
        this.schedule(controller, this.w.at + confirmMs, sign, null);
  }
  private nextStage(controller: ControllerId, of: GestureOf): void {
    if (of.kind !== 'route') return;
    for (const e of this.plan.bundle.entries)
      if (e.kind === 'readout') {
        const stage = e.stages.findIndex((s) => s.comes.kind === 'route' && s.comes.route === of.id);
        if (stage >= 0) this.setMind(controller, { stage });
      }
  }
  private missed(): void {
    const all = this.w.misses
      .flatMap(({ gesture, miss }) => {
        const of = this.plan.gestures[gesture]?.of;
        return of ? [{ of, miss }] : [];
      })
      .sort((a, b) => b.miss.done / b.miss.of - a.miss.done / a.miss.of || b.miss.done - a.miss.done);
    const [nearest, ...others] = all;
    for (const id of this.w.minds.keys()) this.confirm(id);
    if (nearest && nearest.miss.done > 0) this.effects.push({ at: this.w.at, kind: 'missed', nearest, others });
  }

  /** Turns what happens at the unit into what a hand did; refuses what cannot be. */
  take(event: UnitEvent, before: UnitState): void {
    const { w, plan } = this;
    const refuse = (why: Extract<UnitEffect, { kind: 'refused' }>['why'], what: string): void => {
      this.effects.push({ at: event.at, kind: 'refused', why, what });
    };
    if (event.kind === 'tick') return;
    if (event.kind === 'input') {
      const was = w.inputs.get(event.input) ?? 0;
      w.inputs = new Map(w.inputs).set(event.input, event.value);
      for (const [id, mind] of w.minds)
        for (const t of plan.modes.get(mind.mode)?.transitions ?? [])
          if (
            t.on.kind === 'input' &&
            t.on.input === event.input &&
            passes(t.on, was, event.value) &&
            this.may(mind, t.when)
          )
            this.follow(id, t.to ?? null, t.effects, { kind: 'input' });
      return;
    }
    if (event.kind === 'choose') {
      this.hand({ at: w.at, kind: 'choose', on: event.on, words: event.words }, before);
      return;
    }
    const control = plan.facts.controls.get(event.control);
    if (!control) {
      refuse('no-such-control', event.control);
      return;
    }
    const { at } = w;
    if (event.kind === 'click') {
      if (control.mechanism.kind !== 'clicks') {
        refuse('cannot', event.control);
        return;
      }
      const { perTurn } = control.mechanism;
      const next = ((w.clicks.get(event.control) ?? 0) + (event.way === 'cw' ? 1 : perTurn - 1)) % perTurn;
      w.clicks = new Map(w.clicks).set(event.control, next);
      this.hand({ at, kind: 'click', control: event.control, way: event.way }, before);
      return;
    }
    if (event.kind === 'place') {
      if (control.mechanism.kind !== 'places') {
        refuse('cannot', event.control);
        return;
      }
      if (!control.mechanism.places.some((p) => p.id === event.to)) {
        refuse('no-such-place', event.to);
        return;
      }
      const was = w.places.get(event.control) ?? null;
      if (was === event.to) return;
      w.places = new Map(w.places).set(event.control, event.to);
      this.supplyChanged();
      const back = was !== null && control.springs.get(was) === event.to;
      if (control.springs.has(event.to)) {
        if (was !== null && control.springs.has(was)) this.hand({ at, kind: 'up', control: event.control }, before);
        this.hand({ at, kind: 'down', control: event.control, place: event.to }, before);
        return;
      }
      if (back) {
        this.hand({ at, kind: 'up', control: event.control }, before);
        return;
      }
      if (was !== null && control.springs.has(was)) this.hand({ at, kind: 'up', control: event.control }, before);
      this.hand({ at, kind: 'set', control: event.control, to: event.to }, before);
      return;
    }
    if (control.mechanism.kind !== 'push') {
      refuse('cannot', event.control);
      return;
    }
    const isDown = w.pushed.has(event.control);
    if ((event.kind === 'down') === isDown) return;
    const pushed = new Set<ControlId>(w.pushed);
    if (event.kind === 'down') pushed.add(event.control);
    else pushed.delete(event.control);
    w.pushed = pushed;
    if (event.kind === 'down') this.hand({ at, kind: 'down', control: event.control, place: null }, before);
    else this.hand({ at, kind: 'up', control: event.control }, before);
  }
}

function timerOf(on: { kind: string; afterMs?: number }, mind: Mind): number | null {
  if (on.kind === 'after') return mind.since + (on.afterMs ?? 0);
  if (on.kind === 'idle') return Math.max(mind.since, mind.lastHandAt) + (on.afterMs ?? 0);
  return null;
}
const passes = (on: { passes: 'above' | 'below'; value: number }, was: number, is: number): boolean =>
  on.passes === 'above' ? was <= on.value && is > on.value : was >= on.value && is < on.value;

function stepVariable(variable: Variable, now: number | string | boolean, by: number): number | string | boolean {
  if (variable.kind === 'flag') return by % 2 === 0 ? now : !now;
  if (variable.kind === 'cursor' && typeof now === 'number') {
    const size = variable.to - variable.from + 1;
    const next = now + by;
    if (variable.wraps) return variable.from + ((((next - variable.from) % size) + size) % size);
    return Math.min(variable.to, Math.max(variable.from, next));
  }
  if (variable.kind === 'characters' && typeof now === 'string') {
    const at = variable.alphabet.indexOf(now.slice(-1));
    const size = variable.alphabet.length;
    const next = variable.wraps ? (((at + by) % size) + size) % size : Math.min(size - 1, Math.max(0, at + by));
    return now.slice(0, -1) + (variable.alphabet[next] ?? '');
  }
  return now;
}

/**
 * Lets a played unit take one event: first everything that was due by itself, then the event. Pure: the same state and
 * event give the same answer. An event before the unit's time is refused and changes nothing.
 */
export function advanceUnit(
  plan: UnitPlan,
  state: UnitState,
  event: UnitEvent,
): { state: UnitState; effects: readonly UnitEffect[] } {
  if (!(event.at >= state.at))
    return { state, effects: [{ at: state.at, kind: 'refused', why: 'out-of-order', what: String(event.at) }] };
  const moment = new Moment(plan, state);
  moment.runTo(event.at);
  moment.take(event, { ...moment.w });
  return { state: moment.w, effects: moment.effects };
}

/** When the unit will do something by itself; null when it will not. The host wakes it then with a `tick`. */
export function wakeAt(plan: UnitPlan, state: UnitState): number | null {
  const due = new Moment(plan, state).nextDue();
  return Number.isFinite(due) ? due : null;
}
