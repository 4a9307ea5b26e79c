import type { StageId } from '../base/ids.ts';
import type { LampState } from '../unit/signal.ts';
import { type Hypothesis, lampStates } from './hypothesis.ts';
import { characterLikelihood, countLikelihood, lampLikelihood } from './likelihood.ts';
import type { Look, Readout, SeenLamp, Stage } from './model.ts';

/** What was seen of one lamp, and how likely that is for each thing it may be showing. */
type LampEvidence = Readonly<{ looks: readonly SeenLamp[]; likely: Readonly<Record<LampState, number>> }>;
type StageEvidence = Readonly<{ stage: Stage; looks: readonly Look[]; lamps: readonly LampEvidence[] }>;
/** Everything seen, sorted out once, so that every hypothesis is only a product of look-ups. */
export type Evidence = ReadonlyMap<StageId, StageEvidence>;

export function evidenceOf(readout: Readout, looks: readonly Look[]): Evidence {
  return new Map(
    readout.stages.map((stage) => {
      const mine = looks.filter((look) => look.stage === stage.id && look.kind === stage.reads.kind);
      const lamps = stage.reads.kind === 'lamps' ? stage.reads.lamps : [];
      const seen = lamps.map(({ sign }): LampEvidence => {
        const told = mine.flatMap((look) => (look.kind === 'lamps' && look.lamps[sign] ? [look.lamps[sign]] : []));
        const likely = (is: LampState) => lampLikelihood(told, is);
        return {
          looks: told,
          likely: { dark: likely('dark'), lit: likely('lit'), slow: likely('slow'), fast: likely('fast') },
        };
      });
      return [stage.id, { stage, looks: mine, lamps: seen }];
    }),
  );
}

/** How likely everything seen is, if the hypothesis holds. */
export function likelihoodOf(hypothesis: Hypothesis, evidence: Evidence): number {
  let product = 1;
  for (const seen of evidence.values()) if (seen.looks.length > 0) product *= stageLikelihood(hypothesis, seen);
  return product;
}

function stageLikelihood(hypothesis: Hypothesis, { stage, looks, lamps }: StageEvidence): number {
  const expected = hypothesis.stages.get(stage.id);
  if (stage.reads.kind === 'lamps') {
    const states = lamps.map((_, i) => lampStates(hypothesis, stage, i));
    // where several patterns mean the same, the one that fits best counts
    let best = 0;
    for (let p = 0; p < (states[0]?.length ?? 1); p++)
      best = Math.max(
        best,
        lamps.reduce((product, lamp, i) => product * lamp.likely[states[i]?.[p] ?? 'dark'], 1),
      );
    return best;
  }
  if (hypothesis.kind === 'special') return 0.0001;
  return looks.reduce((product, look) => {
    if (look.kind === 'blinks')
      return product * countLikelihood(look.count, expected?.kind === 'blinks' ? expected.count : -1);
    if (look.kind === 'text' && expected?.kind === 'text') {
      const seen = look.text.trim();
      if (seen.length !== expected.text.length) return product * 0.0005;
      return [...seen].reduce((p, c, i) => p * characterLikelihood(c, expected.text[i] ?? ''), product);
    }
    return product;
  }, 1);
}
