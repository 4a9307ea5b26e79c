import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Chart, choicesOf, entriesOf, entryOf, type Given, minutesAhead, walkChart } from '../index.ts';
import { dryer, glasswasher } from '../testing/bundles.ts';

const drain = entryOf(glasswasher(), 'chart', 'drain') as Chart;
const charts = [...entriesOf(glasswasher(), 'chart'), ...entriesOf(dryer(), 'chart')];
const given = (...pairs: Array<[string, string]>): Given[] =>
  pairs.map(([node, answer]) => ({ node: node as never, answer }));

describe('walkChart', () => {
  it.each<[string, Given[], string, boolean]>([
    ['nothing answered', [], 'filter', false],
    [
      'a dirty filter that was the cause',
      given(['filter', 'no'], ['clean-filter', 'done'], ['run-again', 'falls in time']),
      'filter-cause',
      true,
    ],
    [
      'a coil that reads high',
      given(['filter', 'yes'], ['hose', 'yes'], ['isolate', 'done'], ['coil', 'high']),
      'pump-bad',
      true,
    ],
    [
      'too close to call stays to be measured again',
      given(['filter', 'yes'], ['hose', 'yes'], ['isolate', 'done'], ['coil', 'too-close']),
      'coil',
      false,
    ],
    ['an answer for another node is passed over', given(['coil', 'high'], ['filter', 'yes']), 'hose', false],
    ['an answer the node does not have is passed over', given(['filter', 'perhaps']), 'filter', false],
  ])('%s', (_, answers, at, ended) => {
    const walk = walkChart(drain, answers);
    expect([walk.at.id, walk.ended]).toEqual([at, ended]);
  });

  it('counts minutes, and notices going round', () => {
    const walk = walkChart(
      drain,
      given(
        ['filter', 'yes'],
        ['hose', 'yes'],
        ['isolate', 'done'],
        ...Array.from({ length: 5 }, () => ['coil', 'too-close'] as [string, string]),
      ),
    );
    expect([walk.minutes, walk.wentRound]).toEqual([2 + 3 + 4 + 15, true]);
  });

  it('every chart ends under any answers that make progress', () => {
    fc.assert(
      fc.property(fc.constantFrom(...charts), fc.infiniteStream(fc.nat(11)), (chart, picks) => {
        const answers: Given[] = [];
        for (let i = 0; i < 60; i++) {
          const { at, ended } = walkChart(chart, answers);
          if (ended) return;
          const forward = choicesOf(at).filter((c) => c.next !== null);
          const choice = forward[(picks.next().value ?? 0) % forward.length];
          answers.push({ node: at.id, answer: choice?.answer ?? '' });
        }
        throw new Error(`${chart.id} did not end`);
      }),
    );
  });

  it('the minutes of any walk lie between least and most', () => {
    expect(minutesAhead(drain, drain.start)).toEqual({ least: 5, most: 19 + 3 + 4 - 4 });
  });
});
