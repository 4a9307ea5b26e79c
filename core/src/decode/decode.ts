import type { SignId, StageId } from '../base/ids.ts';
import type { LampState } from '../model/lamp.ts';
import type { Look, LookOf, Seen, SeenLamp } from '../model/look.ts';
import type { Readout } from '../model/readout.ts';
import { joinCode } from '../readout/encode.ts';
import { type SubPlace, subPlace } from '../readout/sub-code.ts';
import { type Parts, stageValue } from '../readout/values.ts';
import { evidenceOf, fitsOfLook, partsSeen, weigh } from './evidence.ts';
import { inAlphabet, isComplete, type TakenAs } from './literal.ts';
import { type Live, type NextLook, nextLooks } from './next-look.ts';
import { type Listed, type ShowRow, type ShowTable, showTable, withLiteral } from './table.ts';

export type { Listed } from './table.ts';

/** What must have been seen wrongly for a candidate to hold. */
export type Misread = Readonly<{ stage: StageId }> &
  (
    | Readonly<{ kind: 'lamp'; sign: SignId; seen: SeenLamp; shows: LampState }>
    | Readonly<{ kind: 'count'; seen: number; shows: number }>
    | Readonly<{ kind: 'pattern'; seen: string; shows: string }>
    | Readonly<{ kind: 'character'; position: number; seen: string; shows: string }>
  );

export type Candidate = Readonly<{
  kind: 'listed' | 'unlisted' | 'special';
  /** The code's text, or the special's id. */
  code: string;
  /** Between 0 and 1; all candidates kept and left out add up to 1. */
  certainty: number;
  /** How well what was seen goes with it, against the candidate it goes with best: from 0 to 1, whatever is frequent. */
  fit: number;
  misread: readonly Misread[];
}>;

/** Two looks at the same thing that do not agree. */
export type Disagreement = Readonly<{ stage: StageId; sign: SignId | null; told: readonly string[] }>;

export type Decoded = Readonly<{
  candidates: readonly Candidate[];
  /** Looks that would tell most, most telling first. */
  undecided: readonly NextLook[];
  /** What was entered taken literally: null while something is missing or unsure, or where it stands for nothing. */
  literal: string | null;
  /** Everything was entered without doubt, and no code, listed or not, shows so. */
  noSuchPattern: boolean;
  /** The one misreading that would explain an entry that is no code, or no listed one. */
  oneSlip: Candidate | null;
  disagreements: readonly Disagreement[];
  /** Characters a display cannot show, taken as the look-alike it can. */
  taken: ReadonlyArray<TakenAs & Readonly<{ stage: StageId }>>;
  /** Which unit and part the sub code names. */
  place: SubPlace | null;
}>;

/** A candidate stays while what was seen is no less likely under it than so small a share of under the likeliest. */
const leastShare = 1 / 400;

/** What must have been misread for a row to hold. */
function misreadOf(readout: Readout, table: ShowTable, row: ShowRow, last: ReadonlyMap<StageId, Look>): Misread[] {
  const lamps = table.columns.flatMap(({ stage, sign }, i): Misread[] => {
    const look = last.get(stage);
    const seen = look?.kind === 'lamps' ? look.lamps[sign] : undefined;
    const cell = row.cells[i] ?? 'either';
    if (seen === undefined || seen === 'unsure' || seen === 'dim' || cell === 'either' || seen === cell.state)
      return [];
    return [{ kind: 'lamp', stage, sign, seen, shows: cell.state }];
  });
  const others = [...last.values()].flatMap((look): Misread[] => {
    const shape = row.shapes.get(look.stage);
    if (look.kind === 'blinks' && shape?.kind === 'pulses') {
      const shows = shape.pattern.length;
      return look.count === shows || look.maybe?.includes(shows)
        ? []
        : [{ kind: 'count', stage: look.stage, seen: look.count, shows }];
    }
    if ((look.kind === 'pulses' || look.kind === 'trace') && shape?.kind === 'pulses')
      return misreadPulses(readout, table.hypotheses[row.of]?.parts ?? new Map(), look, shape.pattern);
    if (look.kind === 'rhythm' && shape?.kind === 'pulses')
      return look.pattern === shape.pattern
        ? []
        : [{ kind: 'pattern', stage: look.stage, seen: look.pattern, shows: shape.pattern }];
    if (look.kind === 'text' && shape?.kind === 'text' && look.text.trim().length === shape.text.length)
      return [...look.text.trim()].flatMap((seen, position): Misread[] => {
        const shows = shape.text[position] ?? '';
        const same =
          seen.toUpperCase() === shows.toUpperCase() || seen === '?' || (/[-./\s]/.test(seen) && /[-./\s]/.test(shows));
        return same ? [] : [{ kind: 'character', stage: look.stage, position, seen, shows }];
      });
    return [];
  });
  return [...lamps, ...others];
}

/** Where taps or a trace fit something else best: how often, or how, they say it blinked. */
function misreadPulses(
  readout: Readout,
  parts: Parts,
  look: LookOf<'pulses'> | LookOf<'trace'>,
  shows: string,
): Misread[] {
  const stage = readout.stages.find((s) => s.id === look.stage);
  const best = stage && fitsOfLook(readout, stage, look)[0]?.parts[stage.id];
  if (!stage || best === undefined || parts.get(stage.id) === best) return [];
  const shape = stageValue(stage, best, parts)?.shapes[0];
  if (shape?.kind !== 'pulses') return [];
  const alike = /^s*$/.test(shape.pattern + shows);
  return [
    alike
      ? { kind: 'count', stage: stage.id, seen: shape.pattern.length, shows: shows.length }
      : { kind: 'pattern', stage: stage.id, seen: shape.pattern, shows },
  ];
}

/** Looks at one thing that disagree: both are kept, and it is said. */
function disagreementsIn(looks: readonly Look[]): Disagreement[] {
  const told = new Map<string, { stage: StageId; sign: SignId | null; told: Set<string> }>();
  const add = (stage: StageId, sign: SignId | null, what: string) => {
    const key = `${stage} ${sign ?? ''}`;
    const entry = told.get(key) ?? { stage, sign, told: new Set<string>() };
    entry.told.add(what);
    told.set(key, entry);
  };
  for (const look of looks) {
    if (look.kind === 'lamps') {
      for (const [sign, seen] of Object.entries(look.lamps))
        if (seen !== 'unsure' && seen !== 'dim') add(look.stage, sign as SignId, seen);
    } else if (look.kind === 'blinks') add(look.stage, null, String(look.count));
    else if (look.kind === 'text' && !look.text.includes('?')) add(look.stage, null, look.text.trim().toUpperCase());
    else if (look.kind === 'rhythm' && !look.pattern.includes('?')) add(look.stage, null, look.pattern);
  }
  return [...told.values()].flatMap((t) => (t.told.size > 1 ? [{ ...t, told: [...t.told] }] : []));
}

/** What the rest must fit worse by, for a candidate to stand out by what was seen. */
const standsOut = 8;

/**
 * Whether the first candidate stands out enough to be offered as the answer: it is more likely than not, or nothing else
 * goes nearly as well with what was seen.
 */
export function isTold({ candidates }: Pick<Decoded, 'candidates'>): boolean {
  const [first, ...others] = candidates;
  if (!first) return false;
  return first.certainty >= 0.5 || others.every((c) => c.fit * standsOut < first.fit);
}

/**
 * Ranks what a readout may be showing, given everything seen so far, doubtful lamps included.
 * Bayes over the listed codes (weighted by frequency), the signs that are no code, and the literal pattern where no
 * table lists it. Who stays among the candidates depends on what was seen alone, not on how frequent a code is: the
 * truth is among them whenever it agrees with what was seen, and a look that agrees never brings one back.
 */
export function decode(readout: Readout, listed: readonly Listed[], seen: Seen): Decoded {
  const parts = partsSeen(readout, seen.looks);
  const literal = joinCode(readout, parts);
  const table = withLiteral(readout, showTable(readout, listed), parts);
  const evidence = evidenceOf(readout, table, seen);
  const weighed = weigh(table, evidence);
  let [sum, top] = [0, 0];
  for (let i = 0; i < weighed.likelihood.length; i++) {
    const likelihood = weighed.likelihood[i] as number;
    sum += (table.hypotheses[i]?.prior ?? 0) * likelihood;
    if (likelihood > top) top = likelihood;
  }
  const live: Live[] = [];
  for (let i = 0; i < weighed.likelihood.length; i++) {
    const likelihood = weighed.likelihood[i] as number;
    if (top === 0 || likelihood < top * leastShare) continue;
    const hypothesis = table.hypotheses[i];
    const row = table.rows[weighed.row[i] as number];
    if (hypothesis && row)
      live.push({ hypothesis, row, certainty: (hypothesis.prior * likelihood) / sum, fit: likelihood / top });
  }
  const ranked = live.sort((a, b) => b.certainty - a.certainty || (a.hypothesis.code < b.hypothesis.code ? -1 : 1));
  const last = new Map<StageId, Look>();
  for (const look of seen.looks) last.set(look.stage, look);
  const candidates = ranked.map(
    ({ hypothesis, row, certainty, fit }): Candidate => ({
      kind: hypothesis.kind,
      code: hypothesis.code,
      certainty,
      fit,
      misread: misreadOf(readout, table, row, last),
    }),
  );
  const exact = candidates.some((c) => c.kind !== 'unlisted' && c.misread.length === 0);
  const complete = isComplete(readout, seen.looks);
  return {
    candidates: seen.looks.length === 0 ? [] : candidates,
    undecided: seen.looks.length === 0 ? [] : nextLooks(readout, table, evidence, ranked),
    literal,
    noSuchPattern:
      literal === null && complete && !candidates.some((c) => c.kind === 'special' && c.misread.length === 0),
    oneSlip:
      complete && !exact ? (candidates.find((c) => c.kind !== 'unlisted' && c.misread.length === 1) ?? null) : null,
    disagreements: disagreementsIn(seen.looks),
    taken: seen.looks.flatMap((look) => {
      const stage = readout.stages.find((s) => s.id === look.stage);
      return look.kind === 'text' && stage?.reads.kind === 'text'
        ? inAlphabet(look.text, stage.reads).taken.map((t) => ({ ...t, stage: stage.id }))
        : [];
    }),
    place: subPlace(readout, parts),
  };
}
