import { segmentsOf } from '../readout/segments.ts';
import { characterLikelihood } from './likelihood.ts';

/** What was done to a text on its way from the display to what was typed: place by place, counted in what shows. */
export type TextSlip =
  | Readonly<{ kind: 'character'; position: number; seen: string; shows: string }>
  /** A place that shows and was not told. */
  | Readonly<{ kind: 'place-missing'; position: number; shows: string }>
  /** A character that was told and does not show; it was told before this place. */
  | Readonly<{ kind: 'place-extra'; position: number; seen: string }>;

/** How a told text goes with one that shows: how likely it is told so, and what was otherwise. */
export type Aligned = Readonly<{ likelihood: number; slips: readonly TextSlip[] }>;

/** Whether two characters are the same there: small and large, and on seven segments what lights the same. */
const looksSame = (a: string, b: string, face: 'segments' | 'text'): boolean =>
  a.toUpperCase() === b.toUpperCase() ||
  (face === 'segments' && segmentsOf(a) !== null && segmentsOf(a) === segmentsOf(b));

const isGapIn = (text: string): ((c: string) => boolean) => {
  // of two dashes alone nothing stands between
  const parts = /[^-./_\s]/.test(text);
  return (c) => parts && /[-./_\s]/.test(c);
};

/** How often a place is left out or told twice; what stands between is left out, or put in, as one likes. */
const [missingPlace, missingGap, extraPlace, extraGap, toldTwice] = [0.006, 0.2, 0.001, 0.1, 0.004];

type Step = Readonly<{ p: number; from: Step | null; slip: TextSlip | null }>;

/**
 * The likeliest way a text that shows was told as another one: characters confused, places left out or one too many, what
 * stands between left out. A gap, dash or point that differs is no slip. `?` stands for one place that could not be told.
 */
export function alignTexts(told: string, is: string, face: 'segments' | 'text'): Aligned {
  const [a, b] = [[...told], [...is]];
  const isGap = isGapIn(is);
  const missing = (c: string): number => (isGap(c) ? missingGap : missingPlace);
  const extra = (c: string, before: string | undefined): number =>
    isGap(c) ? extraGap : c === before ? toldTwice : extraPlace;
  const start: Step = { p: 1, from: null, slip: null };
  let row: Step[] = [start];
  const better = (x: Step | undefined, y: Step): Step => (x && x.p >= y.p ? x : y);
  for (let j = 1; j <= b.length; j++) {
    const shows = b[j - 1] as string;
    const from = row[j - 1] as Step;
    const slip: TextSlip | null = isGap(shows) ? null : { kind: 'place-missing', position: j - 1, shows };
    row[j] = { p: from.p * missing(shows), from, slip };
  }
  for (let i = 1; i <= a.length; i++) {
    const seen = a[i - 1] as string;
    const above = row;
    const put = (j: number): Step => {
      const from = above[j] as Step;
      const slip: TextSlip | null = isGap(seen) ? null : { kind: 'place-extra', position: j, seen };
      return { p: from.p * extra(seen, a[i - 2]), from, slip };
    };
    row = [put(0)];
    for (let j = 1; j <= b.length; j++) {
      const shows = b[j - 1] as string;
      const along = above[j - 1] as Step;
      const left = row[j - 1] as Step;
      const gaps = isGap(seen) && isGap(shows);
      const same = gaps || seen === '?' || looksSame(seen, shows, face);
      const p = gaps ? 0.93 : characterLikelihood(seen, shows, face);
      let best = better(undefined, {
        p: along.p * p,
        from: along,
        slip: same ? null : { kind: 'character', position: j - 1, seen, shows },
      });
      best = better(best, put(j));
      best = better(best, {
        p: left.p * missing(shows),
        from: left,
        slip: isGap(shows) ? null : { kind: 'place-missing', position: j - 1, shows },
      });
      row.push(best);
    }
  }
  const end = row[b.length] as Step;
  const slips: TextSlip[] = [];
  for (let step: Step | null = end; step; step = step.from) if (step.slip) slips.unshift(step.slip);
  return { likelihood: end.p, slips };
}
