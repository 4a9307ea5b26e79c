import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Chart,
  type ChartKnown,
  causesAhead,
  choicesOf,
  entriesOf,
  entryOf,
  type Given,
  lintCharts,
  minutesAhead,
  walkChart,
} from '../index.ts';
import { dryer, glasswasher } from '../testing/bundles.ts';
import { anyChart, chart } from '../testing/charts.ts';

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
      'borderline stays to be measured again',
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
    expect([walk.minutes, walk.wentRound]).toEqual([2 + 3 + 4 + 9, true]);
  });

  it('every chart ends under any answers that make progress', () => {
    fc.assert(
      fc.property(fc.constantFrom(...charts), fc.infiniteStream(fc.nat(11)), (chart, picks) => {
        const answers: Given[] = [];
        for (let i = 0; i < 60; i++) {
          const { at, ended } = walkChart(chart, answers);
          if (ended) return;
          const forward = choicesOf(at, chart).filter((c) => c.next !== null);
          const choice = forward[(picks.next().value ?? 0) % forward.length];
          answers.push({ node: at.id, answer: choice?.answer ?? '' });
        }
        throw new Error(`${chart.id} did not end`);
      }),
    );
  });

  it('the minutes of any walk lie between least and most', () => {
    expect(minutesAhead(drain, drain.start)).toEqual({ least: 2, most: 19 + 3 + 4 - 4 });
  });
});

describe('what goes by itself', () => {
  const end = (id: string, verdict = 'nothing-found', more: object = {}) => ({
    id,
    kind: 'verdict',
    verdict,
    title: id,
    ...more,
  });
  const measured = (id: string, next: string) => ({
    id,
    kind: 'measure',
    title: id,
    quantity: 'resistance',
    probes: ['a', 'b'],
    supply: 'dead',
    band: { kind: 'fixed', least: 1, most: 9 },
    pass: next,
    low: next,
    high: next,
  });
  const reading = (value: number) =>
    ({
      typed: String(value),
      quantity: 'resistance',
      value,
      atCelsius: null,
      least: 1,
      most: 9,
      verdict: 'pass',
    }) as const;
  const splitBy = (by: object, more: object = {}) =>
    chart([
      {
        id: 's',
        kind: 'split',
        title: 's',
        by,
        cases: [
          { is: 'one', next: 'x' },
          { is: 'two', next: 'y' },
        ],
        ...more,
      },
      end('x'),
      end('y'),
      end('z'),
    ]);
  const at = (of: Chart, known: ChartKnown, ...answers: Given[]) => walkChart(of, answers, known).at.id;

  it.each<[string, Chart, ChartKnown, string]>([
    ['a code', splitBy({ kind: 'code' }), { code: 'two' }, 'y'],
    ['a sub code', splitBy({ kind: 'sub-code' }), { subCode: 'one' }, 'x'],
    ['a controller', splitBy({ kind: 'controller' }), { controller: 'two' }, 'y'],
    ['an option read off the plate', splitBy({ kind: 'option', option: 'fuel' }), { options: { fuel: 'two' } }, 'y'],
    ['a variant', splitBy({ kind: 'variant' }), { variants: ['one'] }, 'x'],
    [
      'variants that lead the same way',
      splitBy({ kind: 'variant' }, { otherwise: 'z' }),
      { variants: ['three', 'four'] },
      'z',
    ],
    ['variants that do not agree: it is asked', splitBy({ kind: 'variant' }), { variants: ['one', 'two'] }, 's'],
    ['nothing known: it is asked', splitBy({ kind: 'code' }), {}, 's'],
    ['what no case names', splitBy({ kind: 'code' }, { otherwise: 'z' }), { code: 'three' }, 'z'],
  ])('a split goes by %s', (_, of, known, expected) => expect(at(of, known)).toBe(expected));

  it('a split that was asked goes on by the answer', () => {
    expect(at(splitBy({ kind: 'code' }), {}, { node: 's' as never, answer: 'two' })).toBe('y');
  });

  it('a split goes by an earlier answer, and by an earlier reading within its spans', () => {
    const byReading = chart([
      measured('m', 's'),
      {
        id: 's',
        kind: 'split',
        title: 's',
        by: { kind: 'reading', node: 'm' },
        cases: [
          { is: 'small', within: { least: null, most: 4 }, next: 'x' },
          { is: 'large', within: { least: 4, most: null }, next: 'y' },
        ],
      },
      end('x'),
      end('y'),
    ]);
    expect(at(byReading, {}, { node: 'm' as never, answer: 'pass', reading: reading(3) })).toBe('x');
    expect(at(byReading, {}, { node: 'm' as never, answer: 'pass', reading: reading(5) })).toBe('y');
    const byAnswer = chart([
      {
        id: 'q',
        kind: 'ask',
        title: 'q',
        answers: [
          { answer: 'one', next: 's' },
          { answer: 'two', next: 's' },
        ],
      },
      {
        id: 's',
        kind: 'split',
        title: 's',
        by: { kind: 'answer', node: 'q' },
        cases: [{ is: 'one', next: 'x' }],
        otherwise: 'y',
      },
      end('x'),
      end('y'),
    ]);
    expect(at(byAnswer, {}, { node: 'q' as never, answer: 'two' })).toBe('y');
  });

  const compared = chart([
    measured('m', 'n'),
    measured('n', 'c'),
    {
      id: 'c',
      kind: 'compare',
      title: 'c',
      reading: 'm',
      against: { kind: 'reading', node: 'n' },
      as: 'ratio',
      least: 0.9,
      most: 1.1,
      pass: 'x',
      low: 'y',
      high: 'z',
    },
    end('x'),
    end('y'),
    end('z'),
  ]);
  it.each([
    [4, 4.2, 'x'],
    [2, 4, 'y'],
    [8, 4, 'z'],
    [8, 0, 'z'],
  ])('%d Ω over %d Ω leads to %s', (first, second, expected) => {
    const walk = walkChart(compared, [
      { node: 'm' as never, answer: 'pass', reading: reading(first) },
      { node: 'n' as never, answer: 'pass', reading: reading(second) },
    ]);
    expect([walk.at.id, walk.path.at(-1)?.byItself]).toEqual([expected, true]);
  });

  const called = chart(
    [
      { id: 'a', kind: 'look', title: 'Is {heater} white?', yes: 'bad', no: 'good', about: ['heater'] },
      end('bad', 'cause-found', { cause: 'heater' }),
      end('good'),
      end('stop', 'unsafe-stop'),
    ],
    { id: 'called', roles: [{ id: 'heater', name: 'the heater' }] },
  );
  const caller = (more: object = {}) =>
    chart([
      {
        id: 'c',
        kind: 'call',
        title: 'c',
        chart: 'called',
        use: { parts: { heater: 'steam-pan' } },
        nothingFound: 'x',
        ...more,
      },
      end('x'),
      end('y'),
    ]);
  const charts = (id: string) => (id === 'called' ? called : undefined);
  const say = (answer: string): Given => ({ chart: 'called' as never, node: 'a' as never, answer });
  it('a called chart asks in the words of this family, and comes back where it finds nothing', () => {
    const known: ChartKnown = { charts, partNames: new Map([['steam-pan' as never, 'Steam pan element']]) };
    const walk = walkChart(caller(), [], known);
    expect([walk.chart.id, walk.at.title, walk.at.about]).toEqual([
      'called',
      'Is Steam pan element white?',
      ['steam-pan'],
    ]);
    expect(walkChart(caller(), [say('no')], known).at.id).toBe('x');
    expect(walkChart(caller(), [say('yes')], known).end).toMatchObject({
      kind: 'verdict',
      verdict: { cause: 'steam-pan' },
    });
    expect(walkChart(caller({ causeFound: 'y' }), [say('yes')], known).at.id).toBe('y');
  });
  it('a step of a called chart is not taken for one of the same name in the chart that calls it', () => {
    const inner = chart([measured('m', 'i'), end('i')], { id: 'called' });
    const outer = chart([
      measured('m', 'c'),
      { id: 'c', kind: 'call', title: 'c', chart: 'called', nothingFound: 's' },
      {
        id: 's',
        kind: 'split',
        title: 's',
        by: { kind: 'reading', node: 'm' },
        cases: [{ is: 'small', within: { least: null, most: 4 }, next: 'x' }],
        otherwise: 'y',
      },
      end('x'),
      end('y'),
    ]);
    const take = (of: string, value: number): Given => ({
      chart: of as never,
      node: 'm' as never,
      answer: 'pass',
      reading: reading(value),
    });
    const walk = walkChart(outer, [take('made', 3), take('called', 8)], { charts: () => inner });
    expect(walk.at.id).toBe('x');
  });
  it('a chart that is not there, or calls itself through another, ends the walk and says so', () => {
    expect(walkChart(caller(), [], {}).end).toEqual({ kind: 'chart-missing', chart: 'called' });
    const back = chart([{ id: 'b', kind: 'call', title: 'b', chart: 'made', nothingFound: 'x' }, end('x')], {
      id: 'called',
    });
    expect(walkChart(caller(), [], { charts: (id) => (id === 'called' ? back : caller()) }).end).toEqual({
      kind: 'call-circle',
      chart: 'made',
    });
  });

  it('going round ends where the node, or the chart, says; else it ends there', () => {
    const loop = (more: object, chartMore: object = {}) =>
      chart(
        [
          { id: 'l', kind: 'look', title: 'l', yes: 'a', no: 'x' },
          { id: 'a', kind: 'act', act: 'clean', title: 'a', next: 'l', ...more },
          end('x'),
          end('z'),
        ],
        chartMore,
      );
    const round = Array.from({ length: 20 }, () => [
      { node: 'l' as never, answer: 'yes' },
      { node: 'a' as never, answer: 'done' },
    ]).flat();
    expect(walkChart(loop({ retries: { times: 2, after: 'z' } }), round)).toMatchObject({
      at: { id: 'z' },
      wentRound: true,
      ended: true,
    });
    expect(walkChart(loop({}, { afterRetries: 'z' }), round)).toMatchObject({ at: { id: 'z' }, minutes: 6 });
    expect(walkChart(loop({}), round).end).toEqual({ kind: 'went-round' });
  });

  it('a step passed over costs no minutes, and keeps why', () => {
    const walk = walkChart(compared, [{ node: 'm' as never, answer: 'pass', skipped: 'no meter' }]);
    expect([walk.minutes, walk.path[0]?.skipped, walk.at.id]).toEqual([0, 'no meter', 'n']);
  });
});

describe('any chart', () => {
  const washer = glasswasher();
  const bundleOf = (of: Chart) => ({ ...washer, entries: [...entriesOf(washer, 'family'), of] as never });
  it('without an error of its own ends, whatever is answered, by a verdict', () => {
    fc.assert(
      fc.property(anyChart({ closed: true }), fc.infiniteStream(fc.nat(11)), (of, picks) => {
        const errors = lintCharts(bundleOf(of)).filter((f) => f.severity === 'error' && f.code !== 'unit-impossible');
        fc.pre(errors.length === 0);
        const answers: Given[] = [];
        // at most so often each node, and once more at each end
        for (let i = 0; i <= of.nodes.length * of.mostVisits * 2 + 2; i++) {
          const walk = walkChart(of, answers);
          if (walk.ended) {
            expect(walk.end?.kind).toBe('verdict');
            return;
          }
          const choices = choicesOf(walk.at, walk.chart);
          answers.push({ node: walk.at.id, answer: choices[(picks.next().value ?? 0) % choices.length]?.answer ?? '' });
        }
        throw new Error('did not end');
      }),
      { numRuns: 300 },
    );
  });

  it('of the demo: every verdict has answers that lead to it', () => {
    for (const of of charts)
      for (const verdict of of.nodes.filter((n) => n.kind === 'verdict')) {
        const open: Given[][] = [[]];
        let found = false;
        for (let tries = 0; tries < 5000 && open.length > 0 && !found; tries++) {
          const answers = open.shift() ?? [];
          const walk = walkChart(of, answers);
          found = walk.end?.kind === 'verdict' && walk.end.verdict.id === verdict.id;
          if (!walk.ended && answers.length < of.nodes.length + 2)
            for (const c of choicesOf(walk.at, walk.chart))
              if (!c.again) open.push([...answers, { node: walk.at.id, answer: c.answer }]);
        }
        expect([of.id, verdict.id, found]).toEqual([of.id, verdict.id, true]);
      }
  });
});

it('causes that may still be found are those of verdicts ahead', () => {
  expect([...causesAhead(drain, 'isolate' as never)].sort()).toEqual(['drain-pump']);
});
