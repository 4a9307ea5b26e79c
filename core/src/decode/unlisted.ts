import { assertNever } from '../base/result.ts';
import type { Look } from '../model/look.ts';
import type { Readout, Stage } from '../model/readout.ts';
import type { ReadsOf } from '../model/reads.ts';
import { joinCode } from '../readout/encode.ts';
import { canShowText, type Parts, type Shape, valuesOf } from '../readout/values.ts';
import { fitsOfLook, ofShape } from './evidence.ts';
import { characterLikelihood, deadShare, oneLook } from './likelihood.ts';
import { inAlphabet, literalOf } from './literal.ts';
import type { Unlisted } from './table.ts';
import type { Usual } from './usual.ts';

/** What a stage may have said, with how well that goes with what was seen of it. */
type Guess = Readonly<{ text: string; fits: number }>;

/** Ways of reading on from here that are followed; further ones are too unlikely to be named. */
const mostWays = 16;
/** A way so much less likely than the best one is not followed. */
const leastShare = 1 / 400;

function ofLamps(reads: ReadsOf<'lamps'>, looks: readonly Look[], shape: Shape): number {
  if (shape.kind !== 'lamps') return 0;
  let product = 1;
  reads.lamps.forEach(({ sign }, i) => {
    const cell = shape.cells[i] ?? 'either';
    if (cell === 'either') return;
    let [alive, dead] = [1, 1];
    for (const look of looks) {
      const told = look.kind === 'lamps' ? look.lamps[sign] : undefined;
      if (told === undefined) continue;
      alive *= oneLook(told, cell.state);
      dead *= oneLook(told, 'dark');
    }
    product *= (1 - deadShare) * alive + deadShare * dead;
  });
  return product;
}

/** Texts a display may have shown when this was typed: itself, and what one place may be taken for. */
function textsNear(reads: ReadsOf<'text'>, typed: string): string[] {
  const { text } = inAlphabet(typed, reads);
  let found = [''];
  for (const c of text) {
    const near =
      c === '?'
        ? [...reads.characters]
        : [...new Set([c, ...[...reads.characters].filter((x) => characterLikelihood(c, x, reads.face) >= 0.01)])];
    found = found.flatMap((f) => near.map((x) => f + x)).slice(0, 4000);
  }
  const whole = found.filter((t) => canShowText(reads, t));
  if (whole.length > 0) return whole;
  // a place was left out, or there is one too many
  const longer = [...text, ''].flatMap((_, i) =>
    [...reads.characters].map((c) => text.slice(0, i) + c + text.slice(i)),
  );
  const shorter = [...text].map((_, i) => text.slice(0, i) + text.slice(i + 1));
  return [...new Set([...longer, ...shorter])].filter((t) => canShowText(reads, t));
}

function guessesOf(readout: Readout, stage: Stage, looks: readonly Look[], earlier: Parts): Guess[] {
  const { reads } = stage;
  const ofAll = (shape: Shape): number => looks.reduce((p, look) => p * ofShape(stage, look, shape), 1);
  switch (reads.kind) {
    case 'lamps':
    case 'blinks':
    case 'rhythm':
    case 'which': {
      const timed = looks.flatMap((look) =>
        look.kind === 'pulses' || look.kind === 'trace' ? [fitsOfLook(readout, stage, look)] : [],
      );
      const told = looks.filter((look) => look.kind !== 'pulses' && look.kind !== 'trace');
      return [...valuesOf(stage, earlier).values()].map(({ text, shapes }) => {
        const best = shapes.reduce(
          (p, shape) =>
            Math.max(
              p,
              reads.kind === 'lamps'
                ? ofLamps(reads, told, shape)
                : told.reduce((q, look) => q * ofShape(stage, look, shape), 1),
            ),
          0,
        );
        const fits = timed.reduce(
          (p, list) => p * Math.exp(Math.max(-9, ...list.filter((f) => f.parts[stage.id] === text).map((f) => f.log))),
          best,
        );
        return { text, fits };
      });
    }
    case 'text': {
      const typed = looks.flatMap((look) => (look.kind === 'text' ? [look.text] : []));
      return [...new Set(typed.flatMap((t) => textsNear(reads, t)))].map((text) => ({
        text,
        fits: ofAll({ kind: 'text', text }),
      }));
    }
    case 'pair':
    case 'bytes': {
      const text = literalOf(stage, looks, earlier);
      return text === null ? [] : [{ text, fits: 0.8 }];
    }
    case 'value':
      return [];
    default:
      return assertNever(reads);
  }
}

/**
 * What can show, stands in no table and goes with what was seen, the likeliest first; and how much all of it together
 * weighs that could not be named: where a part of the code was not looked at yet, or is too unlikely to be followed.
 */
export function unlistedFitting(
  readout: Readout,
  looks: readonly Look[],
  usual: Usual,
  isListed: (code: string) => boolean,
): { named: Unlisted[]; restFits: number } {
  type Way = Readonly<{ parts: Parts; usual: number; fits: number }>;
  let ways: Way[] = [{ parts: new Map(), usual: 1, fits: 1 }];
  let restFits = 0;
  const composed = new Set(readout.compose.flatMap((p) => (p.kind === 'stage' ? [p.stage] : [])));
  for (const stage of readout.stages) {
    const own = looks.filter((l) => l.stage === stage.id);
    if (!composed.has(stage.id) || own.length === 0) continue;
    const guesses = new Map<string, Array<Guess & { usual: number }>>();
    const { reads } = stage;
    const by = 'to' in reads && reads.to.kind === 'by-stage' ? reads.to.stage : null;
    const next: Array<Readonly<{ way: Way; text: string; usual: number; fits: number }>> = [];
    for (const way of ways) {
      const context = by === null ? '' : (way.parts.get(by) ?? '');
      let known = guesses.get(context);
      if (!known) {
        const all = guessesOf(readout, stage, own, way.parts);
        const best = all.reduce((p, g) => Math.max(p, g.fits), 0);
        known = all.flatMap((g) =>
          g.fits >= best * leastShare ? [{ ...g, usual: usual(stage, g.text, way.parts) }] : [],
        );
        known.sort((x, y) => y.usual * y.fits - x.usual * x.fits).splice(mostWays);
        guesses.set(context, known);
      }
      for (const guess of known)
        next.push({ way, text: guess.text, usual: way.usual * guess.usual, fits: way.fits * guess.fits });
    }
    const least = next.reduce((p, w) => Math.max(p, w.usual * w.fits), 0) * leastShare;
    ways = next
      .filter((w) => w.usual * w.fits >= least)
      .sort((x, y) => y.usual * y.fits - x.usual * x.fits)
      .slice(0, mostWays)
      .map(({ way, text, ...w }) => ({ ...w, parts: new Map([...way.parts, [stage.id, text]]) }));
  }
  const named: Unlisted[] = [];
  for (const { parts, usual: share, fits } of ways) {
    const code = joinCode(readout, parts);
    if (code === null) restFits += share * fits;
    else if (!isListed(code)) named.push({ code, parts, usual: share });
  }
  return { named, restFits: looks.length === 0 ? 0 : restFits };
}
