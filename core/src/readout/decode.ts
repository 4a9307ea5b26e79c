import type { SignId, StageId } from '../base/ids.ts';
import type { LampState } from '../unit/signal.ts';
import { joinCode } from './encode.ts';
import { type Evidence, evidenceOf, likelihoodOf } from './evidence.ts';
import { expectedByStage, type Hypothesis, lampStates, specialHypothesis } from './hypothesis.ts';
import { isComplete, literalParts } from './literal.ts';
import type { Readout, Seen, SeenLamp } from './model.ts';

/** A code the table lists, with how often it comes (any positive scale). */
export type Listed = Readonly<{ text: string; frequency: number }>;

export type Misread = Readonly<{ stage: StageId; sign: SignId; seen: SeenLamp; shows: LampState }>;

export type Candidate = Readonly<{
  kind: 'listed' | 'unlisted' | 'special';
  /** The code's text, or the special's id. */
  code: string;
  /** Between 0 and 1; all candidates kept and left out add up to 1. */
  certainty: number;
  /** What must have been misread for this to be it. */
  misread: readonly Misread[];
}>;

export type Undecided = Readonly<{
  stage: StageId;
  sign: SignId;
  weight: number | null;
  bits: number;
  between: readonly string[];
}>;

export type Decoded = Readonly<{
  candidates: readonly Candidate[];
  /** Lamps a further look at which would tell most, most telling first. */
  undecided: readonly Undecided[];
  /** What was entered taken literally: null while something is missing or unsure, or where it stands for nothing. */
  literal: string | null;
  /** Everything was entered without doubt, and no code, listed or not, shows so. */
  noSuchPattern: boolean;
}>;

/** Share of what technicians read that no table lists, and that is a sign but no code. */
const unlistedShare = 0.02;
const specialShare = 0.08;

const entropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

/** What must have been misread for a hypothesis to hold, by the pattern that asks for the least. */
function misreadOf(hypothesis: Hypothesis, evidence: Evidence): Misread[] {
  return [...evidence.values()].flatMap(({ stage, lamps }) => {
    const { reads } = stage;
    if (reads.kind !== 'lamps') return [];
    const states = lamps.map((_, i) => lampStates(hypothesis, stage, i));
    const byPattern = (states[0] ?? []).map((_, p) =>
      reads.lamps.flatMap(({ sign }, i): Misread[] => {
        const seen = lamps[i]?.looks.at(-1);
        const shows = states[i]?.[p] ?? 'dark';
        return seen && seen !== 'unsure' && seen !== shows ? [{ stage: stage.id, sign, seen, shows }] : [];
      }),
    );
    return byPattern.sort((a, b) => a.length - b.length)[0] ?? [];
  });
}

/**
 * Ranks what a readout may be showing, given everything seen so far, doubtful lamps included.
 * Bayes over the listed codes (weighted by frequency), the signs that are no code, and the literal pattern where no
 * table lists it. Candidates under one part in a thousand are left out unless they are the first.
 */
export function decode(readout: Readout, listed: readonly Listed[], seen: Seen): Decoded {
  const parts = literalParts(readout, seen.looks);
  const literal = joinCode(readout, parts);
  const total = listed.reduce((sum, code) => sum + code.frequency, 0) || 1;
  const hypotheses: Hypothesis[] = [];
  for (const code of listed) {
    const stages = expectedByStage(readout, code.text);
    if (stages)
      hypotheses.push({
        kind: 'listed',
        code: code.text,
        prior: (1 - unlistedShare - specialShare) * (code.frequency / total),
        stages,
        signs: [],
      });
  }
  for (const special of readout.specials)
    hypotheses.push(specialHypothesis(special, specialShare / readout.specials.length));
  if (literal !== null && !listed.some((code) => code.text === literal)) {
    const stages = expectedByStage(readout, literal);
    if (stages) hypotheses.push({ kind: 'unlisted', code: literal, prior: unlistedShare, stages, signs: [] });
  }

  const evidence = evidenceOf(readout, seen.looks);
  const weights = hypotheses.map((h) => h.prior * likelihoodOf(h, evidence));
  const sum = weights.reduce((a, b) => a + b, 0);
  const posterior = weights.map((w) => (sum > 0 ? w / sum : 0));
  const ranked = hypotheses
    .map((h, i) => ({ h, certainty: posterior[i] ?? 0 }))
    .sort((a, b) => b.certainty - a.certainty || (a.h.code < b.h.code ? -1 : 1));

  const candidates = ranked
    .filter(({ certainty }, i) => i === 0 || certainty >= 0.001)
    .map(
      ({ h, certainty }): Candidate => ({
        kind: h.kind,
        code: h.code,
        certainty,
        misread: misreadOf(h, evidence),
      }),
    );
  return {
    candidates: seen.looks.length === 0 ? [] : candidates,
    undecided: undecidedLamps(evidence, ranked),
    literal,
    noSuchPattern:
      literal === null &&
      isComplete(readout, seen.looks) &&
      !candidates.some((c) => c.kind === 'special' && c.misread.length === 0),
  };
}

/** Expected information, in bits, of one more look at each lamp, over the candidates that are left. */
function undecidedLamps(evidence: Evidence, ranked: ReadonlyArray<{ h: Hypothesis; certainty: number }>): Undecided[] {
  const live = ranked.filter(({ certainty }) => certainty >= 0.01);
  if (live.length < 2) return [];
  const mass = live.reduce((m, { certainty }) => m + certainty, 0);
  const between = live.slice(0, 4).map(({ h }) => h.code);
  const found = [...evidence.values()].flatMap(({ stage, lamps }) => {
    const { reads } = stage;
    if (reads.kind !== 'lamps') return [];
    return reads.lamps.map((lamp, i): Undecided => {
      const on = live.reduce(
        (p, { h, certainty }) => p + (lampStates(h, stage, i)[0] === reads.offIs ? 0 : certainty),
        0,
      );
      // a lamp told already teaches less by being looked at again
      const told = lamps[i]?.looks.filter((look) => look !== 'unsure').length ?? 0;
      return {
        stage: stage.id,
        sign: lamp.sign,
        weight: lamp.weight ?? null,
        bits: entropy(on / mass) / (1 + told),
        between,
      };
    });
  });
  return found.filter((u) => u.bits > 0.05).sort((a, b) => b.bits - a.bits);
}
