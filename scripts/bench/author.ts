import { lampsLearnt } from '@wire-trail/core/testing';
import { type Row, row } from './row.ts';

/** How many made-up rows of lamps are learnt from three examples, how many wrongly, and how many from four. */
export function benchAuthor(): Row[] {
  const seeds = Array.from({ length: 300 }, (_, i) => 50_001 + 11 * i);
  const share = (most: number, fits: (x: ReturnType<typeof lampsLearnt>) => boolean): number =>
    seeds.filter((seed) => fits(lampsLearnt(seed, most))).length / seeds.length;
  const found = share(3, (x) => x.learned.is === 'found' && x.isRight);
  const wrong = share(3, (x) => x.learned.is === 'found' && !x.isRight);
  const byFour = share(4, (x) => x.learned.is === 'found' && x.isRight);
  return [
    row('author.readoutFromExamples', found, 'share', '≥ 0.95', found >= 0.95),
    row('author.readoutFromExamplesWrong', wrong, 'share', '≤ 0.01', wrong <= 0.01),
    row('author.readoutFromFour', byFour, 'share'),
  ];
}
