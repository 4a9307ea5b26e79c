import type { StageId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Readout, Stage } from '../model/readout.ts';
import type { ReadsOf } from '../model/reads.ts';
import { type Parts, valuesOf } from '../readout/values.ts';

/** How likely a stage says a text in a code that no table lists. */
export type Usual = (stage: Stage, text: string, earlier: Parts) => number;

/** What the listed codes have, and what could as well be: half of it each. */
const asListed = 0.5;
/** A display shows what its listed codes are like: the same letters, some figure where they have figures. */
const likeListed = 0.8;
/** Some two thousand number pairs are in use. */
const onePair = 5e-4;

const isFigure = (c: string): boolean => c >= '0' && c <= '9';

/** Counts of what stood at a place of the texts of one length. */
type Place = { figures: number; letters: Map<string, number>; all: number };

function usualText(reads: ReadsOf<'text'>, texts: readonly string[]): (text: string) => number {
  const byLength = new Map<number, Place[]>();
  for (const text of texts) {
    const places = byLength.get(text.length) ?? [...text].map(() => ({ figures: 0, letters: new Map(), all: 0 }));
    byLength.set(text.length, places);
    [...text].forEach((c, i) => {
      const place = places[i];
      if (!place) return;
      place.all++;
      if (isFigure(c)) place.figures++;
      else place.letters.set(c, (place.letters.get(c) ?? 0) + 1);
    });
  }
  const alphabet = reads.characters.length;
  const figures = Math.max(1, [...reads.characters].filter(isFigure).length);
  const lengths = reads.length - (reads.shortest ?? reads.length) + 1;
  return (text) => {
    if (reads.words.includes(text)) return asListed / (reads.words.length + alphabet);
    const places = byLength.get(text.length);
    const ofLength = asListed / lengths + asListed * ((places?.[0]?.all ?? 0) / Math.max(1, texts.length));
    return [...text].reduce((p, c, i) => {
      const place = places?.[i];
      const like = !place
        ? 1 / alphabet
        : isFigure(c)
          ? place.figures / place.all / figures
          : (place.letters.get(c) ?? 0) / place.all;
      return p * (likeListed * like + (1 - likeListed) / alphabet);
    }, ofLength);
  };
}

/** What is usual on a readout, learnt from what its listed codes say stage by stage. */
export function usualOf(readout: Readout, listed: readonly Parts[]): Usual {
  const said = new Map<StageId, string[]>();
  for (const parts of listed)
    for (const [stage, text] of parts) {
      const texts = said.get(stage);
      if (texts) texts.push(text);
      else said.set(stage, [text]);
    }
  const counts = new Map(
    [...said].map(([stage, texts]) => {
      const of = new Map<string, number>();
      for (const text of texts) of.set(text, (of.get(text) ?? 0) + 1);
      return [stage, { of, all: texts.length }] as const;
    }),
  );
  const displays = new Map(
    readout.stages.flatMap((s) =>
      s.reads.kind === 'text' ? [[s.id, usualText(s.reads, said.get(s.id) ?? [])] as const] : [],
    ),
  );
  return (stage, text, earlier) => {
    const { reads } = stage;
    switch (reads.kind) {
      case 'text':
        return displays.get(stage.id)?.(text) ?? 0;
      case 'pair':
      case 'bytes':
        return onePair;
      case 'value':
        return 0;
      case 'blinks':
      case 'lamps':
      case 'rhythm':
      case 'which': {
        const own = counts.get(stage.id);
        const could = 1 / Math.max(1, valuesOf(stage, earlier).size);
        return own ? (1 - asListed) * could + asListed * ((own.of.get(text) ?? 0) / own.all) : could;
      }
      default:
        return assertNever(reads);
    }
  };
}
