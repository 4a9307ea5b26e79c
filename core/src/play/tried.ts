import type { ModeId } from '../base/ids.ts';
import { whyNotFrom, wrongBeginning } from './beginning.ts';
import { type Candidate, type Explained, explainTry } from './explain/explain.ts';
import type { Standing } from './explain/run-over.ts';
import type { Gesture, GestureOf } from './gestures.ts';
import { controlOfOp, type Hand } from './op.ts';
import { letGoOut } from './signs.ts';
import { type LoggedHand, type Nearest, nothingTried, type UnitState } from './state.ts';
import type { Turn } from './turn.ts';

/** A try is over when nothing is done for so long: sooner where it has come to nothing. */
const quietMs = 1500;
const stillOpenMs = 8000;
/** Longer ago is another try. */
const longAgoMs = 60_000;
const mostHands = 200;
/** So many gestures are looked at closely, the likeliest first. */
const mostCandidates = 12;
const mostOthers = 5;

/** Keeps a hand for the account of the try; letting go begins none. */
export function logHand(turn: Turn, hand: Hand, before: UnitState): void {
  const { w } = turn;
  const { hands } = w.tried;
  const last = hands.at(-1)?.hand.at ?? hand.at;
  const anew = hands.length >= mostHands || hand.at - last > longAgoMs;
  if (hand.kind === 'up' && (anew || hands.length === 0)) return;
  const kept = anew ? nothingTried : w.tried;
  w.tried = { ...kept, hands: [...kept.hands, { hand, before: { ...before, tried: nothingTried } }] };
}

/** A gesture that was under way has come to nothing. A way known not to work is nothing anybody meant. */
export function cameToNothing(turn: Turn, index: number): void {
  if (turn.plan.gestures[index]?.of.kind !== 'known-not-to-work') turn.w.tried = { ...turn.w.tried, died: true };
}

/** Whether a control is held in a place it springs back from. */
export const isSprung = ({ w, plan }: Turn): boolean =>
  [...plan.facts.controls.values()].some((c) => {
    const place = w.places.get(c.control.id);
    return place !== undefined && c.springs.has(place);
  });

const isDown = (turn: Turn): boolean => turn.w.pushed.size > 0 || isSprung(turn);

/** Whether a longer way that does this one, or was just carried on by it, is still under way. */
const goesOn = ({ w, plan }: Turn, { of, from, to }: Gesture): boolean => {
  const stays = to === null || (from !== 'any' && from.includes(to));
  return w.attempts.some((a, i) => {
    const longer = plan.gestures[i];
    if (!a || !longer || longer.of.kind === 'known-not-to-work') return false;
    return (of.kind === 'route' && longer.does.has(of.id)) || (stays && a.begun && a.lastActAt === w.at);
  });
};

/** After a hand, or what was due: the try has come to something, is told of now, or later when nothing more is done. */
export function triedAfter(turn: Turn, fired: Gesture | null): void {
  const { w, plan } = turn;
  if (fired && !goesOn(turn, fired)) {
    w.tried = nothingTried;
    return;
  }
  if (fired) w.tried = { ...w.tried, died: false, came: w.tried.hands.length };
  const { tried } = w;
  if (tried.hands.length === 0) return;
  const alive = w.attempts.filter((a, i) => a !== null && plan.gestures[i]?.of.kind !== 'known-not-to-work');
  const dues = alive.flatMap((a) => (a && Number.isFinite(a.due) ? [a.due] : []));
  const last = tried.hands.at(-1)?.hand.at ?? w.at;
  if (alive.length === 0 && tried.died && !isDown(turn)) {
    tellTry(turn);
    return;
  }
  const over = tried.died || alive.length === 0;
  const tellAt = over && dues.length === 0 ? last + quietMs : Math.max(w.at, ...dues) + stillOpenMs;
  w.tried = { ...tried, tellAt };
}

/** When a try is told of by itself. */
export function takeTellAt(turn: Turn): void {
  const { w } = turn;
  if (isDown(turn)) {
    // whoever still holds something is not done
    w.tried = { ...w.tried, tellAt: w.at + stillOpenMs };
    return;
  }
  tellTry(turn);
}

/** What people mean to do: routes and numbered tests, wherever they begin, and what can be done in this very mode. */
const meant = (gesture: Gesture, mode: ModeId | undefined): boolean =>
  gesture.of.kind === 'route' ||
  gesture.of.kind === 'test' ||
  (gesture.of.kind === 'transition' && mode !== undefined && gesture.from !== 'any' && gesture.from.includes(mode));

/** Says which gesture a try came nearest to, and what was otherwise. */
function tellTry(turn: Turn): void {
  const { w, effects } = turn;
  const { tried } = w;
  w.tried = { ...tried, died: false, told: tried.hands.length, tellAt: Number.POSITIVE_INFINITY };
  // what came to something is not told of, whatever longer way it might have begun
  if (tried.hands.length <= Math.max(tried.told, tried.came)) return;
  for (const id of w.controllers.keys()) letGoOut(turn, id);
  const [first, ...others] = explained(turn, tried.hands, tried.told);
  if (!first) return;
  const near = ({ of, explained: { miss } }: Account): Nearest => ({ of, miss });
  const shown = others.slice(0, mostOthers);
  effects.push({ at: w.at, kind: 'missed', nearest: near(first), others: shown.map(near) });
}

type Account = Readonly<{ of: GestureOf; explained: Explained; cost: number }>;
type Of = Candidate & Readonly<{ gesture: Gesture }>;

/** Every gesture with the likeliest account of the try beside it, the nearest first; each once. */
function explained(turn: Turn, log: readonly LoggedHand[], told: number): Account[] {
  const { w, plan } = turn;
  const hands = log.map((l) => l.hand);
  const before = log[0]?.before;
  if (!before) return [];
  const standing: Standing = {
    facts: plan.facts,
    places: before.places,
    clicks: before.clicks,
    poweredAt: before.poweredAt,
    quietSince: before.lastHandAt,
  };
  const likely = likeliest(turn, hands, before);
  const accounts = explainTry(hands, standing, w.at, told, (index) => {
    const then = log[index]?.before ?? before;
    return likely.map(
      (gesture): Of => ({ gesture, program: gesture.program, wrong: wrongBeginning(turn, gesture, then) }),
    );
  });
  const seen = new Set<Gesture>();
  return accounts.flatMap(({ candidate, explained }): Account[] => {
    if (seen.has(candidate.gesture)) return [];
    seen.add(candidate.gesture);
    return [{ of: candidate.gesture.of, explained, cost: explained.cost }];
  });
}

/** The gestures that work most of the controls that were worked. */
function likeliest(turn: Turn, hands: readonly Hand[], before: UnitState): Gesture[] {
  const worked = hands.flatMap((h) =>
    h.kind === 'up' ? [] : [h.kind === 'choose' ? `${h.on} ${h.words}` : h.control],
  );
  const share = (gesture: Gesture): number => {
    const own = controlsIn(gesture);
    const hits = worked.filter((c) => own.has(c) || own.has('any')).length / Math.max(1, worked.length);
    const mine = new Set(worked.filter((c) => own.has(c))).size / Math.max(1, own.size);
    return hits + mine + (whyNotFrom(turn, gesture, before) === null ? 0.3 : 0);
  };
  return turn.plan.gestures
    .filter((g) => meant(g, before.controllers.get(g.controller)?.mode))
    .map((g) => [share(g), g] as const)
    .sort((a, b) => b[0] - a[0])
    .slice(0, mostCandidates)
    .map(([, g]) => g);
}

const known = new WeakMap<Gesture, ReadonlySet<string>>();
function controlsIn(gesture: Gesture): ReadonlySet<string> {
  const had = known.get(gesture);
  if (had) return had;
  const made = new Set(
    gesture.program.ops.flatMap((op): string[] => {
      if (op.op === 'hold' || op.op === 'grip') return op.grips.map((g) => g.control);
      if (op.op === 'choose') return [`${op.on} ${op.words}`];
      const own = controlOfOp(op);
      return own === null ? [] : [own];
    }),
  );
  known.set(gesture, made);
  return made;
}
