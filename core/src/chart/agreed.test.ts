import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Band,
  bandsHere,
  familyEntry,
  judgedCaseWords,
  judgeWatch,
  type MeasureNode,
  measure,
  type NodeOf,
  plateTells,
  plateTellsWords,
  rightValues,
  rightWords,
  type VariantCase,
  variantCases,
  walkChart,
  watchedAmounts,
} from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { chart } from '../testing/charts.ts';

const node = (band: unknown, more: object = {}): MeasureNode =>
  chart([
    {
      id: 'm',
      kind: 'measure',
      title: 'M',
      quantity: 'resistance',
      probes: ['a', 'b'],
      supply: 'dead',
      band: band as Band,
      pass: null,
      low: null,
      high: null,
      ...more,
    },
  ]).nodes[0] as MeasureNode;
const watts = (by: Readonly<Record<string, number>>): VariantCase[] =>
  Object.entries(by).map(([variant, watt]) => ({
    variants: [variant as never],
    parameters: new Map([['watt' as never, watt]]),
  }));
const element = node({ kind: 'element', powerWatt: { parameter: 'watt' }, supplyVolt: 230, toleranceRatio: 0.05 });
const judge = (typed: string, cases: readonly VariantCase[], of = element) =>
  measure({
    node: of,
    typed: { readings: [{ typed, afterMs: 0 }] },
    known: { parameters: new Map([['watt' as never, 2000]]), cases },
  });

describe('a reading while the plate leaves several variants', () => {
  // 230² ÷ 2000 = 26.45 Ω, ÷ 3000 = 17.63 Ω
  const two = watts({ small: 2000, large: 3000 });
  it.each([
    ['26.4', 'needs-plate'],
    ['17.6', 'needs-plate'],
    ['22', 'needs-plate'],
    ['12', 'low'],
    ['33', 'high'],
    ['OL', 'high'],
    ['0.1', 'low'],
  ])('%s Ω is %s', (typed, means) => {
    const judged = judge(typed, two);
    expect(judged.ok ? judged.value.answer : judged.error.error.code).toBe(means);
  });
  it('says on which variant it means what, and what is good there', () => {
    const judged = judge('17.6', two);
    if (judged.ok || judged.error.field !== 'variant') throw new Error('judged');
    expect(judged.error.error.cases.map((c) => judgedCaseWords(c, (id) => id.toUpperCase()))).toEqual([
      'LARGE: good; there 16.8 Ω to 18.5 Ω is good.',
      'SMALL: too low; there 25.1 Ω to 27.8 Ω is good.',
    ]);
  });
  it('one variant, or several with the same values, is judged as ever', () => {
    for (const cases of [watts({ small: 2000 }), watts({ small: 2000, slim: 2000 }), []])
      expect(judge('26.4', cases)).toEqual(judge('26.4', []));
  });
  it('what is good on all of them is good within what is good on all', () => {
    const fixed = node({ kind: 'fixed', least: { parameter: 'watt' }, most: 5000 });
    const good = judge('4 k', two, fixed);
    expect(good.ok && good.value).toMatchObject({
      answer: 'pass',
      band: { least: 3000, most: 5000 },
      offByRatio: null,
    });
    const low = judge('1 k', two, fixed);
    expect(low.ok && low.value).toMatchObject({ answer: 'low', taken: { least: 2000, most: 5000 } });
    const open = node({ kind: 'insulation', leastOhm: { parameter: 'watt' }, testVolt: 500 });
    expect(judge('9 k', two, open)).toMatchObject({ value: { answer: 'pass', band: { least: 3000, most: null } } });
  });
  it('what was typed wrong is said before anything of variants', () => {
    expect(judge('twelve', two)).toMatchObject({ error: { field: 'reading' } });
    expect(judge('', two)).toMatchObject({ error: { field: 'reading' } });
  });
  it('bands stand beside each other, each with its variants', () => {
    const bands = bandsHere(
      element,
      { readings: [] },
      { parameters: new Map(), cases: watts({ a: 2000, b: 3000, c: 2000 }) },
    );
    expect(bands.ok && bands.value.map((b) => [b.variants.join(' '), Math.round(b.band.middle ?? 0)])).toEqual([
      ['a c', 26],
      ['b', 18],
    ]);
  });
  it('never depends on which variant stands first', () => {
    const someWatts = fc.dictionary(fc.constantFrom('a', 'b', 'c', 'd', 'e'), fc.constantFrom(1500, 2000, 2200, 3000), {
      minKeys: 1,
    });
    const bands = fc.constantFrom(
      element,
      node({ kind: 'fixed', least: { parameter: 'watt' }, most: 3900 }),
      node({ kind: 'thermistor', r25Ohm: { parameter: 'watt' }, betaK: 3740, toleranceRatio: 0.1 }),
    );
    fc.assert(
      fc.property(someWatts, bands, fc.integer({ min: 0, max: 4000 }), (by, of, ohm) => {
        const judged = (cases: readonly VariantCase[]) =>
          measure({
            node: of,
            typed: { readings: [{ typed: String(ohm), afterMs: 0 }], temperature: '25' },
            known: { parameters: new Map(), cases },
          });
        const cases = watts(by);
        const alone = new Set(cases.map((c) => JSON.stringify(answerOf(judged([c])))));
        const together = judged(cases);
        for (const turned of [cases.toReversed(), [...cases.slice(1), ...cases.slice(0, 1)]])
          expect(judged(turned)).toEqual(together);
        expect(answerOf(together)).toBe(alone.size === 1 ? answerOf(judged(cases.slice(0, 1))) : 'needs-plate');
      }),
      { numRuns: 300 },
    );
  });
});

const answerOf = (judged: ReturnType<typeof measure>): string =>
  judged.ok ? judged.value.answer : judged.error.error.code;

describe('what goes by itself while the plate leaves several variants', () => {
  const reading = {
    typed: '20',
    quantity: 'resistance',
    value: 20,
    atCelsius: null,
    least: null,
    most: null,
    verdict: 'pass',
  } as const;
  const bound = { parameter: 'watt' };
  const measured = {
    id: 'm',
    kind: 'measure',
    title: 'M',
    quantity: 'resistance',
    supply: 'dead',
    band: { kind: 'fixed', least: 1, most: null },
    pass: 'next',
    low: null,
    high: null,
  };
  const end = (id: string) => ({ id, kind: 'verdict', title: id, verdict: 'nothing-found' });
  const walk = (next: object, cases: readonly VariantCase[]) =>
    walkChart(
      chart([measured, { id: 'next', title: 'next', ...next }, end('good'), end('bad')] as never),
      [{ node: 'm' as never, answer: 'pass', reading: reading as never }],
      { cases },
    ).at.id;
  const compare = {
    kind: 'compare',
    reading: 'm',
    against: { kind: 'amount', amount: 1 },
    as: 'ratio',
    least: bound,
    most: null,
    pass: 'good',
    low: 'bad',
    high: 'bad',
  };
  const split = {
    kind: 'split',
    by: { kind: 'reading', node: 'm' },
    cases: [{ is: 'enough', within: { least: bound, most: null }, next: 'good' }],
    otherwise: 'bad',
  };
  it.each([
    ['both take', { a: 10, b: 15 }, 'good'],
    ['neither takes', { a: 30, b: 35 }, 'bad'],
    ['only one takes', { a: 10, b: 35 }, 'next'],
    ['only the other takes', { a: 35, b: 10 }, 'next'],
  ])('a comparison and a split that %s', (_, by, at) => {
    expect([walk(compare, watts(by)), walk(split, watts(by))]).toEqual([at, at]);
  });
  it('a unit that is watched must reach what its variant wants', () => {
    const operate = {
      id: 'o',
      kind: 'operate',
      title: 'o',
      watchFor: 'heat',
      answers: [],
    } as unknown as NodeOf<'operate'>;
    const watch = { kind: 'reach', quantity: 'temperature', value: bound, way: 'up', withinMs: 600_000 } as never;
    const typed = { readings: [20, 45, 70].map((v, i) => ({ typed: String(v), afterMs: i * 250_000 })) };
    const under = (by: Record<string, number>) => ({ parameters: new Map(), cases: watts(by) });
    const means = (by: Record<string, number>) => answerOf(judgeWatch(operate, watch, typed, under(by)));
    expect([means({ a: 60, b: 65 }), means({ a: 60, b: 150 }), means({ a: 150, b: 200 })]).toEqual([
      'pass',
      'needs-plate',
      'high',
    ]);
    expect(watchedAmounts(watch, under({ a: 60, b: 60, c: 95 }))).toEqual([60, 95]);
  });
});

describe('what of the plate would tell', () => {
  const variant = (id: string, more: object) =>
    ({ id, name: id, models: [], serials: [], options: {}, values: {}, ...more }) as never;
  const family = {
    variants: [
      variant('gas', { options: { fuel: 'gas' }, models: ['G-*'] }),
      variant('oil', { options: { fuel: 'oil' }, models: ['O-*'] }),
      variant('old', {
        options: { fuel: 'oil' },
        models: ['O-*'],
        serials: [{ from: '1', to: '500' }],
        software: { below: '2' },
      }),
    ],
  };
  const blank = { model: null, serial: null, software: null };
  it.each([
    [[['gas'], ['oil']], blank, 'What tells: the model number, or fuel (gas or oil).'],
    [[['gas'], ['oil']], { ...blank, model: 'X' }, 'What tells: fuel (gas or oil).'],
    [[['oil'], ['old']], blank, 'What tells: the serial number, or the software version.'],
    [[['oil'], ['old']], { ...blank, serial: '7' }, 'What tells: the software version.'],
    [
      [['oil'], ['old']],
      { model: 'O-1', serial: '7', software: '1' },
      'Nothing on the plate tells them apart: ask the trainer.',
    ],
    [
      [['gas', 'oil'], ['old']],
      { ...blank, options: { fuel: 'oil' } },
      'What tells: the model number, or the serial number, or the software version.',
    ],
  ])('%j %j', (groups, plate, words) => {
    expect(plateTellsWords(plateTells(family, plate, groups as never))).toBe(words);
  });
});

describe('what is right on which variant', () => {
  const right = [
    { variant: null, value: '3' },
    { variant: 'late', value: '5' },
  ] as never;
  it.each([
    [['early'], '3'],
    [['late'], '5'],
    [['early', 'late'], '3 on Early; 5 on Late'],
    [['early', 'middle'], '3'],
    [[], '3; 5 on Late'],
  ])('%j', (alive, words) => {
    const names = {
      variants: ['early', 'middle', 'late'].map((id) => ({ id, name: id[0]?.toUpperCase() + id.slice(1) })),
    };
    expect(rightWords(rightValues({ right }, alive as never), names as never)).toBe(words);
  });
  it('values of the family, and a case for each variant that has others', () => {
    const family = familyEntry(glasswasher());
    const all = variantCases(
      family,
      family.variants.map((v) => v.id),
    );
    expect(all.map((c) => c.variants.join(' '))).toEqual(['single-early', 'single-late', 'three-phase']);
    expect(variantCases(family, ['three-phase' as never])[0]?.parameters.get('rinse-power' as never)).toBe(4500);
    expect(variantCases(family, [])).toHaveLength(1);
  });
});
