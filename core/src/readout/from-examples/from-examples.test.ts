import { describe, expect, it } from 'vitest';
import type { SignId } from '../../base/ids.ts';
import { lampsLearnt } from '../../testing/made-lamp-ways.ts';
import { encode } from '../encode.ts';
import { type Example, learnLamps, looksOf } from './learn.ts';
import { stagesOf } from './stages.ts';

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
    expect(byThree / all.length).toBeGreaterThan(0.8);
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
