import { describe, expect, it } from 'vitest';
import type { SignId } from '../../base/ids.ts';
import { runVectors } from '../../decode/vectors.ts';
import type { Readout } from '../../model/readout.ts';
import { lampsLearnt } from '../../testing/made-lamp-ways.ts';
import { encode } from '../encode.ts';
import { countsOpen, type Example, learnLamps, looksOf, misfitsOf, writtenAs } from './learn.ts';
import { examplesKept, stagesOf } from './stages.ts';

const lamps = ['fan', 'heat', 'filter', 'lock'] as SignId[];
const example = (text: string, ...looks: string[]): Example => ({
  text,
  looks: looks.map((lit) => lit.split(' ').filter(Boolean) as SignId[]),
});
const three = [
  example('M32', 'fan filter lock', 'filter'),
  example('M54', 'fan heat lock', 'heat'),
  example('M61', 'fan heat filter', 'lock'),
];

describe('a row of lamps is learnt from examples', () => {
  it('which lamp marks the part, what the others count, and what can be shown', () => {
    const learned = learnLamps(lamps, three);
    expect(learned.is).toBe('found');
    if (learned.is !== 'found') return;
    expect(learned.way.marker).toEqual({ lamp: 'fan', litIn: [0] });
    expect(Object.fromEntries(learned.way.weights)).toEqual({ heat: 4, filter: 2, lock: 1 });
    expect(learned.way.shape).toEqual({ prefix: 'M', parts: [1, 1] });
    expect([learned.shows.length, learned.shows[0], learned.shows.at(-1)]).toEqual([64, 'M00', 'M77']);
  });

  it('stages that were there keep their ids and names, and the examples are tests that hold', () => {
    const learned = learnLamps(lamps, three);
    if (learned.is !== 'found') throw new Error('not found');
    const [first, second] = stagesOf(learned.way, lamps).stages;
    const before = [first, second].flatMap((s, i) =>
      s ? [{ ...s, id: `was-${i}` as typeof s.id, label: `was ${i}` }] : [],
    );
    const { stages, compose } = stagesOf(learned.way, lamps, before);
    expect(stages.map((s) => [s.id, s.label])).toEqual([
      ['was-0', 'was 0'],
      ['was-1', 'was 1'],
    ]);
    expect(compose.flatMap((c) => (c.kind === 'stage' ? [c.stage] : []))).toEqual(['was-0', 'was-1']);
    const readout = {
      stages,
      compose,
      vectors: examplesKept(three, lamps, stages),
      specials: [],
    } as unknown as Readout;
    const listed = three.map(({ text }) => ({ text, frequency: 1 }));
    expect(runVectors(readout, listed).map((r) => [r.vector.expect, r.holds])).toEqual(
      three.map((e) => [e.text, true]),
    );
  });

  it('it asks for what most of the ways that are open can show', () => {
    const asked = Array.from({ length: 60 }, (_, i) => lampsLearnt(51_001 + 7 * i, 2).learned).flatMap((l) =>
      l.is === 'open' && l.next !== null ? [{ ways: l.ways, next: l.next }] : [],
    );
    expect(asked.length).toBeGreaterThan(15);
    for (const { ways, next } of asked)
      expect(ways.filter((way) => looksOf(way, next) !== null).length * 2).toBeGreaterThan(ways.length);
  });

  it('what it asks for is a code the unit has, if any decides', () => {
    const [one] = three;
    if (!one) throw new Error('no example');
    const asks = (listed: string[]) => {
      const learned = learnLamps(lamps, [one], listed);
      return learned.is === 'open' ? learned.next : null;
    };
    expect(asks(['M32', 'M54'])).toBe('M54');
    // what is known already decides nothing
    expect(asks(['M32'])).not.toBe('M32');
  });

  it('what is open says what each lamp may count', () => {
    const learned = learnLamps(lamps, three.slice(0, 1));
    if (learned.is !== 'open') throw new Error(learned.is);
    const open = countsOpen(lamps, learned.ways);
    expect(open.map((o) => o.lamp)).toEqual(lamps);
    expect(open.some((o) => o.counts.length > 1)).toBe(true);
  });

  it('where none fits, the one that was read wrong is among those named', () => {
    const wrong = [...three, example('M11', 'fan lock', 'lock'), example('M24', 'fan heat lock', 'heat filter')];
    expect(learnLamps(lamps, wrong).is).not.toBe('found');
    expect(misfitsOf(lamps, wrong)).toContain(4);
    expect(misfitsOf(lamps, three.slice(0, 2))).toEqual([]);
  });

  it('a five is written as it is answered to be', () => {
    const learned = learnLamps(lamps, [
      example('E14', 'fan heat filter'),
      example('E11', 'fan filter lock'),
      example('E12', 'fan heat'),
    ]);
    if (learned.is !== 'found') throw new Error(learned.is);
    expect(learned.written).toEqual(['E5', 'E05']);
    expect(learned.written.map((five) => writtenAs(learned.way, five).shape.parts)).toEqual([['figures'], [2]]);
  });

  it('becomes stages that show the same', () => {
    const learned = learnLamps(lamps, three);
    if (learned.is !== 'found') throw new Error('not found');
    const readout = { ...stagesOf(learned.way, lamps) } as Parameters<typeof encode>[0];
    for (const { text, looks } of three) {
      const shown = encode(readout, text);
      expect(
        shown.ok &&
          shown.value.map((s) =>
            s.shown.flatMap((x) => (x.kind === 'lamp' && x.state === 'lit' ? [x.sign] : [])).sort(),
          ),
      ).toEqual(looks.map((lit) => [...lit].sort()));
    }
  });

  it.each<[string, Example[], [number, number]]>([
    ['one look of two codes', [example('E1', 'fan'), example('E2', 'fan')], [0, 1]],
    ['one code with two looks', [example('E1', 'fan'), example('E4', 'heat'), example('E1', 'lock')], [0, 2]],
    ['other numbers of looks', [example('E12', 'fan', 'heat'), example('E1', 'fan')], [0, 1]],
  ])('examples that cannot both be so are named: %s', (_, examples, clash) => {
    expect(learnLamps(lamps, examples)).toEqual({ is: 'contradiction', examples: clash });
  });

  it.each<[string, Example[]]>([
    ['no sum fits', [example('E9', 'fan'), example('E8', 'fan heat'), example('E9', 'lock filter')]],
    ['nothing is shown', []],
  ])('none is made up: %s', (_, examples) => {
    expect(learnLamps(lamps, examples).is).not.toBe('found');
  });

  it('one example leaves it open and asks for the code that tells most', () => {
    const learned = learnLamps(lamps, three.slice(0, 1));
    expect(learned.is).toBe('open');
    if (learned.is !== 'open') return;
    expect(learned.next).not.toBeNull();
    const looks = new Set(learned.ways.map((way) => JSON.stringify(looksOf(way, learned.next ?? ''))));
    expect(looks.size).toBeGreaterThan(1);
  });

  it('made-up rows: three examples do for most, a fourth for the rest, and none is found wrong', () => {
    const all = Array.from({ length: 60 }, (_, i) => ({ seed: 1000 + 7 * i, ...lampsLearnt(1000 + 7 * i, 5) }));
    expect(all.filter((x) => x.learned.is !== 'found' || !x.isRight).map((x) => x.seed)).toEqual([]);
    const byThree = all.filter((x) => x.used <= 3).length;
    expect(byThree / all.length).toBeGreaterThan(0.87);
  });

  it('whether five is written M5 or M05 is said to be open, where no example tells', () => {
    const learned = learnLamps(lamps, [
      example('M10', 'fan lock'),
      example('M11', 'fan lock heat'),
      example('M12', 'fan filter'),
    ]);
    expect(learned).toMatchObject({ is: 'found', written: ['M5', 'M05'] });
  });
});
