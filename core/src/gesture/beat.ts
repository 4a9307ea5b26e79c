import type { CoachCard } from './coach.ts';
import { signGapMs } from './timing.ts';

/** What the coach does at an instant: a beat to act on, the last of a count, the start or the end of a hold, a warning tick. */
export type Beat = Readonly<{ atMs: number; kind: 'act' | 'last' | 'start' | 'end' | 'tick' }>;
/** When a card is up, by the clock that began with the first one, and its beats. */
export type CardTime = Readonly<{ card: number; fromMs: number; toMs: number; beats: readonly Beat[] }>;

/** Before the first act of a card there is time to read or hear it. */
const readMs = 1600;
/** How long a sign is looked for where the route does not say. */
const lookMs = 2500;
const glanceMs = 600;

function beatsOf(card: CoachCard, pace: number): { lengthMs: number; beats: Beat[] } {
  // what only may show holds nobody up
  if (card.must === 'may') return { lengthMs: glanceMs, beats: [] };
  if (card.watch.length > 0) return { lengthMs: Math.max(card.withinMs ?? 0, lookMs), beats: [] };
  // a fork is looked at; what it then asks for is done by whoever meets it
  if (card.step.kind === 'branch')
    return { lengthMs: card.step.on.kind === 'nothing-done' ? card.step.on.withinMs : lookMs, beats: [] };
  if (card.step.kind === 'rest') {
    const ms = card.step.span.usualMs;
    return { lengthMs: ms, beats: [...ticks(ms), { atMs: ms, kind: 'end' }] };
  }
  if (card.holdMs !== null)
    return {
      lengthMs: card.holdMs + 400,
      beats: [{ atMs: 0, kind: 'start' }, ...ticks(card.holdMs), { atMs: card.holdMs, kind: 'end' }],
    };
  if (card.holdUntil) {
    const nth = card.holdUntil.kind === 'sign' ? card.holdUntil.nth : 1;
    return { lengthMs: nth * signGapMs + 1000, beats: [{ atMs: 0, kind: 'start' }] };
  }
  // an act with several repeats beats once for each hand movement
  const perRound = card.acts.reduce((sum, a) => sum + a.times, 0);
  const count = Math.max(1, perRound * card.times);
  const rounds = Math.max(1, card.times);
  const each = (card.usualMs * pace) / Math.max(1, count / rounds) || 600;
  const beats = Array.from(
    { length: count },
    (_, i): Beat => ({ atMs: i * each, kind: i === count - 1 && count > 1 ? 'last' : 'act' }),
  );
  return { lengthMs: Math.max(500, count * each), beats };
}

/** A tick each second of a wait, so that nobody has to count; the last seconds only of a long one. */
function ticks(ms: number): Beat[] {
  const seconds = Math.floor((ms - 1) / 1000);
  const first = Math.max(1, seconds - 9);
  return Array.from(
    { length: Math.max(0, seconds - first + 1) },
    (_, i): Beat => ({ atMs: (first + i) * 1000, kind: 'tick' }),
  );
}

/**
 * The clock of a hands-free try: when each card is up and when it beats, at `pace` times the usual tempo. Inside a
 * window cards follow each other without time to read; before it there is.
 */
export function coachClock(cards: readonly CoachCard[], pace = 1): CardTime[] {
  let at = 0;
  return cards.map((card, i): CardTime => {
    const before = cards[i - 1];
    const inWindow = card.windowMs !== null && before?.windowMs !== null && before !== undefined;
    const lead = i === 0 || inWindow || card.step.kind === 'rest' || card.holdUntil !== null ? 400 : readMs;
    const { lengthMs, beats } = beatsOf(card, pace);
    const fromMs = at;
    at += lead + lengthMs;
    return { card: i, fromMs, toMs: at, beats: beats.map((b) => ({ ...b, atMs: fromMs + lead + b.atMs })) };
  });
}
