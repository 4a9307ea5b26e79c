import type { ControllerId } from '../base/ids.ts';
import type { Shown } from '../model/shown.ts';
import type { Attempt, Outcome, Tell, UnitView } from './attempt-state.ts';
import { whyNotFrom } from './beginning.ts';
import type { Gesture, GestureOf } from './gestures.ts';
import { type Hand, isAct, type Op } from './op.ts';
import { beginAttempt, feedDue, feedHand } from './recognise.ts';
import { bringSign, letGoOut } from './signs.ts';
import type { UnitState } from './state.ts';
import { follow, runTest } from './transitions.ts';
import { cameToNothing, isSprung, logHand, triedAfter } from './tried.ts';
import { setAttempt, setController, type Turn } from './turn.ts';

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
  const { w, plan, view } = turn;
  logHand(turn, hand, before);
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
      cameToNothing(turn, index);
      if (outcome.miss.code !== 'one-too-many') idle.push(index);
    } else {
      outcomes.push([index, outcome]);
      if (!atPartsEdge(gesture, attempt)) carriedOn.add(gesture.controller);
    }
  });
  // what carries on a gesture under way is not the beginning of another, but of a small step that leaves it as it is
  for (const index of idle) {
    const gesture = plan.gestures[index];
    const free = gesture && (!carriedOn.has(gesture.controller) || isSmallStep(turn, hand, gesture));
    const begun = free ? beginGesture(turn, index, hand, before) : null;
    if (begun) outcomes.push([index, begun]);
  }
  settle(turn, outcomes);
  w.lastHandAt = hand.at;
  for (const [id] of w.controllers) setController(turn, id, { lastHandAt: hand.at });
}

/** Whether a way has just come from one of its parts to the next: whoever did that part may go on otherwise. */
function atPartsEdge({ program, does }: Gesture, { pc }: Attempt): boolean {
  const stepOf = (op: Op | undefined): string | undefined => op?.at.split('.')[0];
  const before = program.ops.slice(0, pc).findLast(isAct);
  const here = program.ops.slice(pc).find(isAct);
  return does.size > 0 && before !== undefined && stepOf(before) !== stepOf(here);
}

/**
 * What stays in its mode and longer ways are made of: a single press, such as the next entry of a list, or a way that one
 * under way does.
 */
function isSmallStep(turn: Turn, hand: Hand, { of, program, to, controller }: Gesture): boolean {
  const isPart = ({ does }: Gesture): boolean => of.kind === 'route' && does.has(of.id);
  const within = turn.w.attempts.some((a, i) => a !== null && turn.plan.gestures[i] && isPart(turn.plan.gestures[i]));
  // what is pressed while something else is held is no small step
  const alone = hand.kind === 'down' && [...turn.w.pushed].every((c) => c === hand.control) && !isSprung(turn);
  const [first, ...more] = program.ops.filter(isAct);
  const stays = to === null || to === turn.w.controllers.get(controller)?.mode;
  const isPress = first?.op === 'press' && first.times === 1 && more.length === 0;
  return within || (stays && alone && isPress);
}

/** What comes of a gesture that begins with this hand; null where it does not begin with it. */
function beginGesture(turn: Turn, index: number, hand: Hand, before: UnitState): Outcome | null {
  const gesture = turn.plan.gestures[index];
  if (!gesture || whyNotFrom(turn, gesture, before) !== null) return null;
  const outcome = firstHand(turn, index, hand, before, tellFor(turn, index));
  return outcome?.kind === 'on' || outcome?.kind === 'fires' ? outcome : null;
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

/** Takes what came of the gestures; of several that are complete at once the longest decides where the unit goes. */
function settle(turn: Turn, outcomes: ReadonlyArray<readonly [number, Outcome]>): void {
  const { plan } = turn;
  const fired: number[] = [];
  for (const [index, outcome] of outcomes) {
    if (outcome.kind === 'ignored') continue;
    setAttempt(turn, index, outcome.kind === 'on' ? outcome.attempt : null);
    if (outcome.kind === 'fires') fired.push(index);
    if (outcome.kind === 'dies') cameToNothing(turn, index);
  }
  const actsOf = (index: number): number => plan.gestures[index]?.program.acts.at(-1) ?? 0;
  fired.sort((a, b) => actsOf(b) - actsOf(a));
  const main = plan.gestures[fired[0] ?? -1];
  if (main) fire(turn, main.controller, fired);
  triedAfter(turn, main && main.of.kind !== 'known-not-to-work' ? main : null);
}

function fire(turn: Turn, controller: ControllerId, fired: readonly number[]): void {
  const { w, plan, effects } = turn;
  // what may begin in any mode goes on across a change of mode; the rest has to begin anew. What stays in its mode
  // leaves the others as they are: a small step within a longer way
  const mode = w.controllers.get(controller)?.mode;
  const stays = fired.every((i) => (plan.gestures[i]?.to ?? mode) === mode);
  const parts = fired.flatMap((i) => {
    const of = plan.gestures[i]?.of;
    return of?.kind === 'route' ? [of.id] : [];
  });
  w.attempts = w.attempts.map((attempt, i) => {
    // a longer way goes on from a part of it, wherever that leads
    if (parts.some((id) => plan.gestures[i]?.does.has(id))) return attempt;
    // and what is known not to work is told of, wherever the unit went meanwhile
    if (stays || plan.gestures[i]?.of.kind === 'known-not-to-work') return attempt;
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
    takeTest(turn, gesture);
    follow(turn, gesture.controller, {
      to: n === 0 ? gesture.to : null,
      effects: gesture.effects,
      by: { kind: 'gesture', of },
    });
    letGoOut(turn, gesture.controller);
  }
}

/** A gesture of a numbered test starts it, passes on from it, or begins it anew. */
function takeTest(turn: Turn, { of, controller }: Gesture): void {
  if (of.kind !== 'test') return;
  const own = turn.plan.modes.get(of.mode)?.tests.find((t) => t.number === of.number);
  // one that does not say how long it takes is over when the person says so
  if (own?.takes) runTest(turn, controller, of.does === 'skips' ? own.followedBy : of.number);
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
