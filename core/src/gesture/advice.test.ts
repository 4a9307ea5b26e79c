import { describe, expect, it } from 'vitest';
import { entryOf, type Happened, type Route, type Step } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { stepsOf } from '../testing/routes.ts';
import { adviceAfter } from './advice.ts';
import { coachClock } from './beat.ts';
import { coachCards } from './coach.ts';

const route = entryOf(glasswasher(), 'route', 'enter-memory') as Route;
const other = { ...route, id: 'other' as Route['id'], name: 'By the remote' };
const told = (happened: Happened, failed = 1, retry = route.retry, others: readonly Route[] = []) =>
  adviceAfter({ route: { ...route, retry }, others, failed, happened, pace: 0.8, lastPace: 1 }).map((a) =>
    a.kind === 'again' ? `${a.why} ${a.pace}` : a.kind === 'other-way' ? a.route.name : a.kind,
  );

describe('adviceAfter', () => {
  it.each<[string, Happened, number, string]>([
    ['nothing, the first time: what the route says first', 'nothing', 1, 'faster 0.8'],
    ['nothing, the second time: what it says next', 'nothing', 2, 'again 0.8'],
    ['too slow', 'too-slow', 2, 'faster 0.8'],
    ['too quick', 'too-fast', 1, 'slower 1.2'],
    ['counted wrong', 'count-over', 4, 'again 0.8'],
    ['went somewhere else', 'other-mode', 1, 'reset-first'],
    ['nothing, the fourth time', 'nothing', 4, 'check-supply'],
    ['nothing, the fifth time', 'nothing', 5, 'suspect-board'],
    ['nothing, ever', 'nothing', 9, 'suspect-board'],
  ])('%s', (_, happened, failed, first) => expect(told(happened, failed)[0]).toBe(first));
  it('offers the other way in, last at first and next later on', () => {
    expect(told('nothing', 1, route.retry, [other]).at(-1)).toBe('By the remote');
    expect(told('nothing', 3, route.retry, [other])[1]).toBe('By the remote');
  });
  it('has an order of its own for a route that says nothing', () => {
    expect(told('nothing', 1, [])).toEqual(['again 0.8', 'reset-first', 'check-supply', 'suspect-board']);
  });
});

describe('coachClock', () => {
  const clock = (steps: readonly Step[], pace?: number) => coachClock(coachCards(steps), pace);
  it('beats once for each press, the last one apart', () => {
    const [card] = clock(stepsOf('press a 4 times'));
    expect(card?.beats.map((b) => b.kind)).toEqual(['act', 'act', 'act', 'last']);
  });
  it('beats closer together at a quicker pace', () => {
    const gap = (pace: number): number => {
      const beats = clock(stepsOf('press a 4 times'), pace)[0]?.beats ?? [];
      return (beats[1]?.atMs ?? 0) - (beats[0]?.atMs ?? 0);
    };
    expect(gap(0.6)).toBeCloseTo(gap(1) * 0.6);
  });
  it('ticks the seconds of a hold and says when to let go', () => {
    const [card] = clock(stepsOf('hold a for 4 s to 6 s usually 5 s'));
    expect(card?.beats.map((b) => b.kind)).toEqual(['start', 'tick', 'tick', 'tick', 'tick', 'end']);
  });
  it('cards follow each other without a gap, and beats lie within their card', () => {
    for (const entry of glasswasher().entries)
      if (entry.kind === 'route') {
        const times = clock(entry.steps);
        times.forEach((t, i) => {
          expect(t.fromMs).toBe(i === 0 ? 0 : times[i - 1]?.toMs);
          for (const b of t.beats) expect(b.atMs >= t.fromMs && b.atMs <= t.toMs).toBe(true);
        });
      }
  });
  it('beats both strokes of the hood, twice, inside its window', () => {
    const cards = coachCards(route.steps);
    const times = coachClock(cards);
    const strokes = cards.findIndex((c) => c.windowMs !== null);
    const beats = times[strokes]?.beats ?? [];
    expect(beats).toHaveLength(4);
    expect((beats.at(-1)?.atMs ?? 0) - (beats[0]?.atMs ?? 0)).toBeLessThan(cards[strokes]?.windowMs ?? 0);
  });
});
