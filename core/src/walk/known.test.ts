import { describe, expect, it } from 'vitest';
import {
  Chart,
  type Code,
  chartKnown,
  enteredBefore,
  entryOf,
  fillChart,
  foldWalk,
  ledgerOf,
  settingNumber,
  stepKey,
  timerKey,
  type Walk,
  WalkEvent,
  walkChart,
} from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { chart } from '../testing/charts.ts';

const walkId = '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11';
const eventId = (seq: number) => `0b9a7e52-41b3-4c6e-9d55-${String(seq).padStart(12, '0')}`;
const events = (walk: string, ...happenings: object[]): WalkEvent[] =>
  [{ kind: 'started', family: 'brindlewick-g4', bundle: 'x', from: { kind: 'code', code: 'k19' } }, ...happenings].map(
    (h, seq) =>
      WalkEvent.parse({
        ...h,
        id: eventId(seq + (walk === walkId ? 0 : 500)),
        walk,
        seq,
        at: `2031-01-01T08:${String(seq).padStart(2, '0')}:00.000Z`,
      }),
  );
const walkOf = (...happenings: object[]): Walk => foldWalk(events(walkId, ...happenings)) as Walk;
const setting = (did: string, value: string) => ({ kind: 'setting', setting: 'fill', did, value });

describe('the ledger of a machine', () => {
  const owed = { kind: 'owed', what: 'Pad pressure back', by: '2031-01-15' };
  const keys = (...walks: Walk[]) => ledgerOf(walks).map((o) => [o.kind, o.what, o.by]);
  it.each<[string, object[], unknown]>([
    ['nothing done', [], []],
    ['left limited', [owed], [['limited', 'Pad pressure back', '2031-01-15']]],
    ['a setting changed', [setting('noted', '2'), setting('set', '3')], [['setting', '3, was 2', null]]],
    ['a setting set to what it was', [setting('noted', '2'), setting('set', '2')], []],
    ['a setting put back', [setting('noted', '2'), setting('set', '3'), setting('put-back', '2')], []],
    [
      'locked out',
      [{ kind: 'locked-out', route: 'out', part: 'Zone', count: 2 }],
      [['locked-out', 'Zone: 2 locked out', null]],
    ],
    [
      'let in again',
      [
        { kind: 'locked-out', route: 'out', part: 'Zone', count: 2 },
        { kind: 'locked-out', route: 'out', part: 'Zone', count: 0 },
      ],
      [],
    ],
  ])('%s', (_, happenings, expected) => expect(keys(walkOf(...happenings))).toEqual(expected));

  it('what an earlier walk left is settled by a later one that names it, and nothing else is', () => {
    const first = walkOf(owed, setting('noted', '2'), setting('set', '3'));
    const second = (what: string) =>
      foldWalk(events('0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d22', { kind: 'put-back', of: walkId, what })) as Walk;
    expect(keys(first, second(eventId(1)))).toEqual([['setting', '3, was 2', null]]);
    expect(keys(first, second('setting:fill'))).toEqual([['limited', 'Pad pressure back', '2031-01-15']]);
    expect(keys(first, second('something'))).toHaveLength(2);
  });
});

describe('readings after a repair', () => {
  it('belong to a step of a chart: another chart may have a step of that name', () => {
    const reading = (value: number) => ({
      typed: String(value),
      quantity: 'resistance',
      value,
      atCelsius: null,
      least: null,
      most: null,
      verdict: 'pass',
    });
    const after = (chart: string, value: number) => ({
      kind: 'reading-after',
      chart,
      node: 'measure',
      reading: reading(value),
    });
    const walk = walkOf(after('one', 10), after('other', 20), after('one', 30));
    const at = (chart: string) => walk.after.get(stepKey({ chart: chart as never, node: 'measure' as never }))?.value;
    expect([at('one'), at('other'), at('third')]).toEqual([30, 20, undefined]);
  });
});

describe('timers', () => {
  const of = { kind: 'node', chart: 'c', node: 'n' } as const;
  it('stand where they were begun, and go with the answer', () => {
    const begun = walkOf({ kind: 'timer', of, ms: 600_000 }, { kind: 'timer', of: { kind: 'prove' }, ms: 5000 });
    expect(begun.timers.get(timerKey(of as never))).toEqual({ since: '2031-01-01T08:01:00.000Z', ms: 600_000 });
    expect(begun.timers.get('prove')?.ms).toBe(5000);
    const done = walkOf(
      { kind: 'timer', of, ms: 600_000 },
      { kind: 'answered', chart: 'c', node: 'n', answer: 'done', reading: null },
    );
    expect(done.timers.size).toBe(0);
  });
});

describe('what a chart may go by', () => {
  const bundle = glasswasher();
  const known = (walk: Walk) =>
    chartKnown({
      bundle,
      walk,
      subject: entryOf(bundle, 'code', walk.code) ?? null,
      variants: ['single-late' as never],
    });
  it('is the code, its controller, the variant, the options, and what settings stand at', () => {
    const walk = walkOf(
      { kind: 'code-taken', code: 'k19', slot: 1, controller: 'main' },
      setting('noted', '70 %'),
      setting('set', '75 %'),
    );
    expect(known(walk)).toMatchObject({
      code: 'K19',
      controller: 'main',
      variants: ['single-late'],
      settings: new Map([['fill', 75]]),
    });
    expect(
      known(walkOf(setting('noted', '70 %'), setting('set', '75 %'), setting('put-back', '70 %'))).settings?.get(
        'fill' as never,
      ),
    ).toBe(70);
  });
  it.each([
    ['80 %', 80],
    ['2,5 bar', 2.5],
    ['3', 3],
    ['10 psi', 0.689475729],
    ['trot', null],
  ])('%s as a number is %s', (text, value) => expect(settingNumber(text)).toBe(value));

  it('going back keeps what was entered, the newest of it, also where it was taken back', () => {
    const answer = (a: string) => ({
      kind: 'answered',
      chart: 'rinse-heat',
      node: 'look-scale',
      answer: a,
      reading: null,
    });
    const all = events(walkId, answer('yes'), { kind: 'taken-back', event: eventId(1) }, answer('no'), {
      kind: 'taken-back',
      event: eventId(3),
    });
    expect(foldWalk(all)?.answers).toEqual([]);
    expect(enteredBefore(all, 'rinse-heat' as never, 'look-scale' as never)?.answer).toBe('no');
    expect(enteredBefore(all, 'rinse-heat' as never, 'sensor' as never)).toBeNull();
  });

  it('a chart is followed as it stands for the code', () => {
    const own = entryOf(bundle, 'chart', 'supply-check') as Chart;
    const code = entryOf(bundle, 'code', 'v28') as Code;
    const walk = walkChart(fillChart(own, code.chartUse, known(walkOf()).partNames), [], known(walkOf()));
    const rest = walk.chart.nodes.find((n) => n.id === 'rest');
    expect(rest).toMatchObject({
      probes: ['L of Mains supply', 'N of Mains supply'],
      about: ['supply'],
      band: { least: 207, most: 253 },
    });
  });
});

describe('filling a shared chart', () => {
  const shared = chart(
    [
      {
        id: 'a',
        kind: 'measure',
        title: 'Measure {heater}',
        quantity: 'resistance',
        probes: ['{heater} left', '{other}'],
        supply: 'dead',
        about: ['heater'],
        band: {
          kind: 'element',
          powerWatt: { parameter: 'watt' },
          supplyVolt: { parameter: 'volt' },
          toleranceRatio: { parameter: 'own' },
        },
        pass: 'b',
        low: 'b',
        high: 'b',
      },
      {
        id: 'b',
        kind: 'call',
        title: 'More',
        chart: 'more',
        use: { values: { x: { parameter: 'watt' } }, parts: { y: 'heater' } },
        nothingFound: 'c',
      },
      { id: 'c', kind: 'verdict', verdict: 'cause-found', cause: 'heater', title: 'Broken' },
    ],
    {
      parameters: [
        { id: 'watt', name: 'Power', quantity: 'power' },
        { id: 'volt', name: 'Supply', quantity: 'voltage', value: 230 },
      ],
      roles: [{ id: 'heater', name: 'the heater' }],
    },
  );
  const use = { values: { watt: { parameter: 'pan-power' } }, parts: { heater: 'pan' } } as never;
  const filled = fillChart(shared, use, new Map([['pan' as never, 'Steam pan']]));
  it('puts in what is given, what it has by itself, and leaves the family’s own alone', () => {
    expect(filled.nodes).toMatchObject([
      {
        title: 'Measure Steam pan',
        probes: ['Steam pan left', '{other}'],
        about: ['pan'],
        band: { powerWatt: { parameter: 'pan-power' }, supplyVolt: 230, toleranceRatio: { parameter: 'own' } },
      },
      { use: { values: { x: { parameter: 'pan-power' } }, parts: { y: 'pan' } } },
      { cause: 'pan' },
    ]);
  });
  it('twice is once', () => expect(fillChart(filled, use, new Map([['pan' as never, 'Steam pan']]))).toEqual(filled));
  it('keeps the chart one that can be kept', () => expect(Chart.safeParse(filled).success).toBe(true));
});
