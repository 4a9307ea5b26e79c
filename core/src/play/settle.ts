import type { ControllerId } from '../base/ids.ts';
import type { Shown } from '../model/shown.ts';
import type { Miss, Outcome, Tell, UnitView } from './attempt-state.ts';
import type { GestureOf } from './gestures.ts';
import type { Hand } from './op.ts';
import { beginAttempt, feedDue, feedHand } from './recognise.ts';
import { bringSign, letGoOut } from './signs.ts';
import type { UnitState } from './state.ts';
import { follow } from './transitions.ts';
import { mayHappen, setAttempt, setController, type Turn } from './turn.ts';

/** An attempt that has just begun takes at most so many things that are due before the first act. */
const mostBeforeFirst = 50;

function tellFor(turn: Turn, index: number): Tell {
  const controller = turn.plan.gestures[index]?.controller as ControllerId;
  return (at: number, shown: Shown): void => bringSign(turn, controller, at, shown);
}

/** Lets the attempts take what is due for one of them by itself. */
export function takeDueAttempt(turn: Turn, due: number): boolean {
  const { w, plan, view } = turn;
  const index = w.attempts.findIndex((a) => a !== null && a.due <= due);
  const attempt = w.attempts[index];
  const gesture = plan.gestures[index];
  if (!attempt || !gesture) return false;
  settle(turn, [[index, feedDue(gesture.program, attempt, view, tellFor(turn, index))]]);
  return true;
}

/** Lets every gesture take what a hand did, those under way and those that may begin. */
export function takeHandOf(turn: Turn, hand: Hand, before: UnitState): void {
  const { w, plan, view, effects } = turn;
  const outcomes: Array<readonly [number, Outcome]> = [];
  const idle: number[] = [];
  const carriedOn = new Set<ControllerId>();
  w.attempts.forEach((attempt, index) => {
    const gesture = plan.gestures[index];
    if (!gesture) return;
    if (attempt === null) {
      idle.push(index);
      return;
    }
    const outcome = feedHand(gesture.program, attempt, hand, view, tellFor(turn, index));
    if (outcome.kind === 'ignored') return;
    if (outcome.kind === 'dies') {
      setAttempt(turn, index, null);
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
    const begun =
      controller !== undefined && !carriedOn.has(controller) ? beginGesture(turn, index, hand, before) : null;
    if (begun) outcomes.push([index, begun]);
  }
  const isTaken = outcomes.length > 0 || w.misses.length > 0 || w.attempts.some((a) => a !== null);
  settle(turn, outcomes);
  if (!isTaken && hand.kind !== 'up') {
    const [nearest, ...others] = wrongBeginnings(turn, hand, before).sort(nearestFirst);
    if (nearest) effects.push({ at: w.at, kind: 'missed', nearest, others });
  }
  w.lastHandAt = hand.at;
  for (const [id] of w.controllers) setController(turn, id, { lastHandAt: hand.at });
}

/** What comes of a gesture that begins with this hand; null where it does not begin with it. */
function beginGesture(turn: Turn, index: number, hand: Hand, before: UnitState): Outcome | null {
  if (whyNotFrom(turn, index, before) !== null) return null;
  const outcome = firstHand(turn, index, hand, before, tellFor(turn, index));
  return outcome?.kind === 'on' || outcome?.kind === 'fires' ? outcome : null;
}

/** Why a gesture cannot begin as the unit stands; null where it can. */
function whyNotFrom(turn: Turn, index: number, before: UnitState): 'other-mode' | 'not-now' | null {
  const gesture = turn.plan.gestures[index];
  const controllerState = gesture && before.controllers.get(gesture.controller);
  if (!gesture || !controllerState) return 'other-mode';
  if (gesture.from !== 'any' && !gesture.from.includes(controllerState.mode)) return 'other-mode';
  return mayHappen(turn, controllerState, gesture.when) ? null : 'not-now';
}

/** What would come of a gesture that began with this hand, whatever mode it begins in. */
function firstHand(turn: Turn, index: number, hand: Hand, before: UnitState, tell: Tell): Outcome | null {
  const gesture = turn.plan.gestures[index];
  const controllerState = gesture && before.controllers.get(gesture.controller);
  if (!gesture || !controllerState || hand.kind === 'up') return null;
  const viewBefore: UnitView = {
    ...turn.view,
    placeOf: (c) => before.places.get(c) ?? null,
    clickOf: (c) => before.clicks.get(c) ?? 0,
    poweredAt: () => before.poweredAt,
  };
  let attempt = beginAttempt(gesture.program, Math.max(before.lastHandAt, controllerState.since), viewBefore);
  for (let n = 0; attempt.due <= hand.at && n < mostBeforeFirst; n += 1) {
    const next = feedDue(gesture.program, attempt, viewBefore, () => {});
    if (next.kind !== 'on') break;
    attempt = next.attempt;
  }
  return feedHand(gesture.program, attempt, hand, turn.view, tell);
}

/** A wrong beginning is told only of these; a key pressed for something else begins many things that nobody meant. */
const meant = (of: GestureOf): boolean => of.kind === 'route' || of.kind === 'test';

/**
 * What this hand would have begun, had it come at another time: after a rest that was cut short, in another mode, or when
 * something else held. Asked only of a hand that nothing else has taken.
 */
function wrongBeginnings(turn: Turn, hand: Hand, before: UnitState): Missed[] {
  return turn.plan.gestures.flatMap((gesture, index) => {
    if (!meant(gesture.of)) return [];
    const outcome = firstHand(turn, index, hand, before, () => {});
    const why = whyNotFrom(turn, index, before);
    if (outcome?.kind === 'dies')
      return why === null && outcome.miss.code === 'too-early' ? [{ of: gesture.of, miss: outcome.miss }] : [];
    if (why === null || outcome === null || outcome.kind === 'ignored') return [];
    const of = gesture.program.acts.at(-1) ?? 0;
    const at = gesture.program.ops[0]?.at ?? '';
    return [{ of: gesture.of, miss: { code: why, at, byMs: null, nth: 1, done: 0, of } }];
  });
}

/** Takes what came of the gestures; of several that are complete at once the longest decides where the unit goes. */
function settle(turn: Turn, outcomes: ReadonlyArray<readonly [number, Outcome]>): void {
  const { w, plan } = turn;
  const fired: number[] = [];
  for (const [index, outcome] of outcomes) {
    if (outcome.kind === 'ignored') continue;
    setAttempt(turn, index, outcome.kind === 'on' ? outcome.attempt : null);
    if (outcome.kind === 'fires') fired.push(index);
    if (outcome.kind === 'dies') w.misses = [...w.misses, { gesture: index, miss: outcome.miss }];
  }
  const actsOf = (index: number): number => plan.gestures[index]?.program.acts.at(-1) ?? 0;
  fired.sort((a, b) => actsOf(b) - actsOf(a));
  const main = plan.gestures[fired[0] ?? -1];
  if (main) fire(turn, main.controller, fired);
  // a way known not to work that is still open keeps nobody waiting for what went wrong
  const open = w.attempts.some((a, i) => a !== null && plan.gestures[i]?.of.kind !== 'known-not-to-work');
  if (!main && w.misses.length > 0 && !open) tellMisses(turn);
  if (main || !open) w.misses = [];
}

function fire(turn: Turn, controller: ControllerId, fired: readonly number[]): void {
  const { w, plan, effects } = turn;
  // what may begin in any mode goes on across a change of mode; the rest has to begin anew
  w.attempts = w.attempts.map((attempt, i) => {
    const other = plan.gestures[i];
    return other?.controller === controller && other.from !== 'any' ? null : attempt;
  });
  for (const [n, index] of fired.entries()) {
    const gesture = plan.gestures[index];
    if (!gesture) continue;
    const { of } = gesture;
    if (of.kind === 'known-not-to-work') {
      effects.push({ at: w.at, kind: 'known-not-to-work', how: of.how, why: of.why, route: of.name });
      continue;
    }
    effects.push({ at: w.at, kind: 'done', of });
    nextStage(turn, gesture.controller, of);
    follow(turn, gesture.controller, {
      to: n === 0 ? gesture.to : null,
      effects: gesture.effects,
      by: { kind: 'gesture', of },
    });
    letGoOut(turn, gesture.controller);
  }
}

/** A route that brings on a stage of a readout has brought it on. */
function nextStage(turn: Turn, controller: ControllerId, of: GestureOf): void {
  if (of.kind !== 'route') return;
  for (const e of turn.plan.bundle.entries)
    if (e.kind === 'readout') {
      const stage = e.stages.findIndex((s) => s.comes.kind === 'route' && s.comes.route === of.id);
      if (stage >= 0) setController(turn, controller, { stage });
    }
}

type Missed = Readonly<{ of: GestureOf; miss: Miss }>;

/** What was meant is told before what is known not to work; then by how much of it was done, and by how little it failed. */
function nearestFirst(a: Missed, b: Missed): number {
  const known = (m: Missed) => (m.of.kind === 'known-not-to-work' ? 1 : 0);
  const by = (m: Missed) => m.miss.byMs ?? Number.MAX_VALUE;
  return (
    known(a) - known(b) ||
    b.miss.done / b.miss.of - a.miss.done / a.miss.of ||
    b.miss.done - a.miss.done ||
    by(a) - by(b)
  );
}

/** Says which of the gestures that were under way came nearest, and what was wrong with it. */
function tellMisses(turn: Turn): void {
  const { w, plan, effects } = turn;
  const all = w.misses
    .flatMap(({ gesture, miss }) => {
      const of = plan.gestures[gesture]?.of;
      return of ? [{ of, miss }] : [];
    })
    .sort(nearestFirst);
  const [nearest, ...others] = all;
  for (const id of w.controllers.keys()) letGoOut(turn, id);
  if (nearest) effects.push({ at: w.at, kind: 'missed', nearest, others });
}
