import { existsSync, readFileSync } from 'node:fs';
import { lampsLearnt } from '@wire-trail/core/testing';
import { z } from 'zod';
import { type Row, row } from './row.ts';

const Hands = z.object({ clicks: z.number(), fields: z.number(), characters: z.number() });
/** What hands did in the last run of a journey that builds a unit, by its own report; null where none was run here. */
function handsOf(journey: string): z.infer<typeof Hands> | null {
  const report = new URL(`../../.cache/reports/hands-${journey}.json`, import.meta.url);
  return existsSync(report) ? Hands.parse(JSON.parse(readFileSync(report, 'utf8'))) : null;
}

/** How many clicks, fields and typed characters put a unit on the Shelf, published, in the end-to-end journeys. */
function benchHands(): Row[] {
  const [dryer, chiller] = [handsOf('dryer'), handsOf('chiller')];
  return [
    ...(dryer
      ? [
          row('author.clicks', dryer.clicks, 'clicks', '≤ 90', dryer.clicks <= 90),
          row('author.fields', dryer.fields, 'fields', '≤ 35', dryer.fields <= 35),
          row('author.characters', dryer.characters, 'letters', '≤ 450', dryer.characters <= 450),
        ]
      : []),
    ...(chiller ? [row('author.clicksOfMenu', chiller.clicks, 'clicks', '≤ 120', chiller.clicks <= 120)] : []),
  ];
}

/** How many made-up rows of lamps are learnt from three examples, how many wrongly, and how many from four. */
export function benchAuthor(): Row[] {
  const seeds = Array.from({ length: 300 }, (_, i) => 50_001 + 11 * i);
  const share = (most: number, fits: (x: ReturnType<typeof lampsLearnt>) => boolean): number =>
    seeds.filter((seed) => fits(lampsLearnt(seed, most))).length / seeds.length;
  const found = share(3, (x) => x.learned.is === 'found' && x.isRight);
  const wrong = share(3, (x) => x.learned.is === 'found' && !x.isRight);
  const byFour = share(4, (x) => x.learned.is === 'found' && x.isRight);
  return [
    ...benchHands(),
    row('author.readoutFromExamples', found, 'share', '≥ 0.95', found >= 0.95),
    row('author.readoutFromExamplesWrong', wrong, 'share', '≤ 0.01', wrong <= 0.01),
    row('author.readoutFromFour', byFour, 'share'),
  ];
}
