import type { ControlId, PlaceId } from '../../base/ids.ts';
import type { UnitFacts } from '../../unit/facts.ts';
import { type Attempt, actsDone, type Miss, type Outcome, type UnitView } from '../attempt-state.ts';
import type { Hand, Program } from '../op.ts';
import { Solo } from '../perform.ts';
import { beginAttempt, feedDue, feedHand } from '../recognise.ts';

/** How the unit stood before the first of some hands, and since when nothing had been done. */
export type Standing = Readonly<{
  facts: UnitFacts;
  places: ReadonlyMap<ControlId, PlaceId>;
  clicks: ReadonlyMap<ControlId, number>;
  poweredAt: number | null;
  quietSince: number;
}>;

/** What came of a program over some hands: how it ended, at which of them, and when each operation was passed. */
export type RanOver = Readonly<{
  end: 'took' | 'died' | 'open';
  miss: Miss | null;
  /** The hand it ended with; as many as there are where none was. */
  index: number;
  /** The first hand it had no need of, once it took. */
  left: number;
  attempt: Attempt;
  done: number;
  passedAt: ReadonlyArray<number | undefined>;
}>;

export type Asked = Readonly<{
  program: Program;
  standing: Standing;
  hands: readonly Hand[];
  /** Hands that are passed over, by their place. */
  skipped: ReadonlySet<number>;
  /** Run as if the unit had its supply. */
  powered: boolean;
  until: number;
}>;

/** Holds hands against one program alone, from how the unit stood. */
export function runOver({ program, standing, hands, skipped, powered, until }: Asked): RanOver {
  const solo = new Solo(standing.facts, standing.places, standing.clicks, standing.poweredAt);
  const view: UnitView = powered ? { ...solo.view, poweredAt: () => solo.view.poweredAt() ?? 0 } : solo.view;
  let attempt = beginAttempt(program, standing.quietSince, view);
  const passedAt: Array<number | undefined> = [];
  const ended = (outcome: Outcome, index: number, at: number, byHand: boolean): RanOver | null => {
    // a count that was sure to be the last has no need of the hand that said so
    const left = byHand && program.ops[attempt.pc]?.op !== 'guard' ? index + 1 : index;
    const next = outcome.kind === 'on' || outcome.kind === 'fires' ? outcome.attempt : attempt;
    for (let pc = attempt.pc; pc < next.pc; pc += 1) passedAt[pc] = at;
    attempt = next;
    if (outcome.kind === 'fires')
      return { end: 'took', miss: null, index, left, attempt, done: program.acts.at(-1) ?? 0, passedAt };
    return outcome.kind === 'dies'
      ? { end: 'died', miss: outcome.miss, index, left: index, attempt, done: outcome.miss.done, passedAt }
      : null;
  };
  const runTo = (at: number, index: number): RanOver | null => {
    // what is due by itself comes to an end: a program has so many operations
    for (let n = 0; attempt.due <= at && n < 10_000; n += 1) {
      const { due } = attempt;
      solo.now = due;
      const end = ended(feedDue(program, attempt, view, solo.tell), index, due, false);
      if (end) return end;
    }
    return null;
  };
  // what stands as it should already is done before anybody does anything
  if (attempt.pc > program.lastWanted)
    return { end: 'took', miss: null, index: 0, left: 0, attempt, done: program.acts.at(-1) ?? 0, passedAt };
  for (const [index, hand] of hands.entries()) {
    const due = runTo(hand.at, index);
    if (due) return due;
    solo.takeHand(hand);
    if (skipped.has(index)) continue;
    const end = ended(feedHand(program, attempt, hand, view, solo.tell), index, hand.at, true);
    if (end) return end;
  }
  return (
    runTo(until, hands.length) ?? {
      end: 'open',
      miss: null,
      index: hands.length,
      left: hands.length,
      attempt,
      done: actsDone(program, attempt),
      passedAt,
    }
  );
}

/** How the unit stood before the hand at `index`, given how it stood before the first. */
export function standingAt(standing: Standing, hands: readonly Hand[], index: number): Standing {
  if (index === 0) return standing;
  const solo = new Solo(standing.facts, standing.places, standing.clicks, standing.poweredAt);
  for (const hand of hands.slice(0, index)) solo.takeHand(hand);
  return {
    facts: standing.facts,
    places: solo.places,
    clicks: solo.clicks,
    poweredAt: solo.view.poweredAt(),
    quietSince: hands[index - 1]?.at ?? standing.quietSince,
  };
}
