import type { SignId, StageId } from '../base/ids.ts';
import type { Look, Seen } from '../model/look.ts';
import type { Readout } from '../model/readout.ts';
import { joinCode } from '../readout/encode.ts';
import { type LiveValue, liveValues } from '../readout/live-value.ts';
import { type SubPlace, subPlace } from '../readout/sub-code.ts';
import { type ConfusionKind, confusionsOf } from './confusions.ts';
import { type Evidence, evidenceOf, partsSeen, weigh } from './evidence.ts';
import { strangeness } from './likelihood.ts';
import { inAlphabet, isComplete, type TakenAs } from './literal.ts';
import { isBeside, type Last, lastOf, type Misread, misreadOf, slipsIn, tooManySlips } from './misread.ts';
import { type Live, type NextLook, nextLooks } from './next-look.ts';
import {
  type Listed,
  type ShowTable,
  showTable,
  strangeShare,
  type Unlisted,
  unlistedTable,
  usualOfCode,
} from './table.ts';
import { unlistedFitting } from './unlisted.ts';

export type { Listed } from './table.ts';

export type Candidate = Readonly<{
  kind: 'listed' | 'unlisted' | 'special';
  /** The code's text, or the special's id. */
  code: string;
  /** Between 0 and 1; all candidates kept and left out add up to 1. */
  certainty: number;
  /** How well what was seen goes with it, against the candidate it goes with best: from 0 to 1, whatever is frequent. */
  fit: number;
  misread: readonly Misread[];
  /** What was done with the whole look for it to hold; null where it is taken as told. */
  confusion: ConfusionKind | null;
  /** How many single slips it takes, a confusion being one. */
  slips: number;
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
  /** How likely it is nothing that can be named here: neither listed nor shown by this readout. */
  rest: number;
  /** Live values told beside, each with what it is and whether it can show at all. */
  values: readonly LiveValue[];
  /** How well all of it goes with what was told, in natural logarithms: to be held against another readout’s. */
  evidence: number;
  /** Characters a display cannot show, taken as the look-alike it can. */
  taken: ReadonlyArray<TakenAs & Readonly<{ stage: StageId }>>;
  /** Which unit and part the sub code names. */
  place: SubPlace | null;
}>;

/** Share kept for what nobody thought of, a slip the model does not know: nothing is ever more certain than the rest. */
const unthoughtOf = 0.028;
/** A candidate stays while what was seen is no less likely under it than so small a share of under the likeliest. */
const leastShare = 1 / 400;

/** One slip costs no more than this, whatever it is: what fits worse need not be looked at for it. */
const oneSlipShare = 1 / 4000;

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
 * goes nearly as well with what was seen; and it does not take three misreadings.
 */
export function isTold({ candidates, rest }: Pick<Decoded, 'candidates' | 'rest'>): boolean {
  const [first, ...others] = candidates;
  if (!first || first.slips >= tooManySlips || rest > 0.5) return false;
  return first.certainty >= 0.5 || others.every((c) => c.fit * standsOut < first.fit);
}

/** One way of taking what was told: as it was told, or set right where somebody confused it as a whole. */
type Way = Readonly<{ confusion: ConfusionKind | null; looks: readonly Look[]; odds: number }>;

/** What can show and is not listed, however the looks are taken. */
function unlistedIn(
  readout: Readout,
  listed: ShowTable,
  ways: readonly Way[],
): { named: Unlisted[]; restFits: number } {
  const [plain, ...confused] = ways;
  const found = unlistedFitting(readout, plain?.looks ?? [], listed.usual, (code) => listed.listed.has(code));
  const isPlain = joinCode(readout, partsSeen(readout, plain?.looks ?? [])) !== null;
  // what can show as it was told is not looked for in another way, unless a table lists it
  const more = isPlain
    ? []
    : confused.flatMap(({ looks }): Unlisted[] => {
        const parts = partsSeen(readout, looks);
        const code = joinCode(readout, parts);
        return code === null ? [] : [{ code, parts, usual: usualOfCode(readout, listed.usual, parts) }];
      });
  return { named: [...found.named, ...more], restFits: found.restFits };
}

type WeighedWays = Readonly<{
  table: ShowTable;
  total: Float64Array;
  of: Int32Array;
  row: Int32Array;
  evidences: readonly Evidence[];
}>;

/** By hypothesis: what all ways of taking the looks make of it together, and the way and row that fit best. */
function weighWays(table: ShowTable, readout: Readout, ways: readonly Way[], alive: Seen['alive']): WeighedWays {
  const total = new Float64Array(table.hypotheses.length);
  const best = new Float64Array(table.hypotheses.length);
  const of = new Int32Array(table.hypotheses.length);
  const row = new Int32Array(table.hypotheses.length).fill(-1);
  const evidences = ways.map((way) => evidenceOf(readout, table, { looks: [...way.looks], ...(alive && { alive }) }));
  ways.forEach(({ odds }, w) => {
    const weighed = weigh(table, evidences[w] as Evidence);
    for (let i = 0; i < total.length; i++) {
      const p = odds * (weighed.likelihood[i] as number);
      total[i] = (total[i] as number) + p;
      if (p <= (best[i] as number) && (row[i] as number) >= 0) continue;
      best[i] = p;
      of[i] = w;
      row[i] = weighed.row[i] as number;
    }
  });
  return { table, total, of, row, evidences };
}

/**
 * Ranks what a readout may be showing, given everything seen so far, doubtful lamps included.
 * Bayes over the listed codes (weighted by frequency), the signs that are no code, and what can show though no table lists
 * it; each as it was told, or after one of the usual confusions of a whole look. Who stays among the candidates depends on
 * what was seen alone, not on how frequent a code is: what agrees with it is among them, and so is what is one misreading
 * away, and a look that agrees never brings one back. What nothing explains well is said to be none of them (`rest`).
 */
export function decode(readout: Readout, listed: readonly Listed[], seen: Seen): Decoded {
  const parts = partsSeen(readout, seen.looks);
  const literal = joinCode(readout, parts);
  const confusions = confusionsOf(readout, seen.looks);
  const ways: Way[] = [
    { confusion: null, looks: seen.looks, odds: 1 - confusions.reduce((sum, c) => sum + c.odds, 0) },
    ...confusions.map(({ kind, looks, odds }) => ({ confusion: kind, looks, odds })),
  ];
  const known = showTable(readout, listed);
  const unlisted = unlistedIn(readout, known, ways);
  // what is listed was put together once; what is not is little, and goes beside it
  const tables = [known, unlistedTable(readout, known, unlisted.named)];
  const weighed = tables.map((table) => weighWays(table, readout, ways, seen.alive));
  const strange = strangeShare * strangeness(readout, seen.looks) + known.unlistedShare * unlisted.restFits;
  let [sum, top] = [strange, 0];
  for (const { table, total } of weighed)
    for (let i = 0; i < total.length; i++) {
      const p = total[i] as number;
      sum += (table.priors[i] as number) * p;
      if (p > top) top = p;
    }
  const evidence = Math.log(sum);
  sum /= 1 - unthoughtOf;
  const last = ways.map(({ looks }) => lastOf(known, looks));
  let rest = unthoughtOf + strange / sum;
  const kept: Array<Live & { candidate: Candidate }> = [];
  for (const { table, total, of, row: rows } of weighed)
    for (let i = 0; i < total.length && top > 0; i++) {
      const p = total[i] as number;
      if (p < top * oneSlipShare) continue;
      const hypothesis = table.hypotheses[i];
      const row = table.rows[rows[i] as number];
      if (!hypothesis || !row) continue;
      const likely = p >= top * leastShare;
      if (!likely && hypothesis.kind !== 'listed') continue;
      const w = of[i] as number;
      const misread = misreadOf(readout, table, row, last[w] as Last);
      const confusion = ways[w]?.confusion ?? null;
      const cannot = ways[w]?.looks.some((look) => isBeside(look, hypothesis, row)) ? tooManySlips : 0;
      const slips = misread.reduce((n, m) => n + slipsIn(m), cannot + (confusion ? 1 : 0));
      const { kind, code, prior } = hypothesis;
      const certainty = (prior * p) / sum;
      // of what nobody lists only what goes with everything seen is named, unless nothing is listed at all
      if (kind === 'unlisted' && slips > (known.listed.size > 0 ? 0 : 1) && code !== literal) {
        rest += certainty;
        continue;
      }
      if (!likely && slips > 1) continue;
      const fit = p / top;
      const candidate = { kind, code, certainty, fit, misread, confusion, slips };
      kept.push({ hypothesis, row, certainty, fit, confusion, candidate });
    }
  const ranked = kept.sort((a, b) => b.certainty - a.certainty || (a.hypothesis.code < b.hypothesis.code ? -1 : 1));
  const candidates = ranked.map((live) => live.candidate);
  const exact = candidates.some((c) => c.kind !== 'unlisted' && c.slips === 0);
  const complete = isComplete(readout, seen.looks);
  const any = seen.looks.length > 0;
  return {
    candidates: any ? candidates : [],
    undecided: any ? nextLooks(readout, known, weighed[0]?.evidences[0] as Evidence, ranked) : [],
    literal,
    noSuchPattern: literal === null && complete && !candidates.some((c) => c.kind === 'special' && c.slips === 0),
    oneSlip: complete && !exact ? (candidates.find((c) => c.kind !== 'unlisted' && c.slips === 1) ?? null) : null,
    disagreements: disagreementsIn(seen.looks),
    rest: any ? rest : 0,
    values: liveValues(readout, seen.looks, parts),
    evidence,
    taken: seen.looks.flatMap((look) => {
      const stage = readout.stages.find((s) => s.id === look.stage);
      return look.kind === 'text' && stage?.reads.kind === 'text'
        ? inAlphabet(look.text, stage.reads).taken.map((t) => ({ ...t, stage: stage.id }))
        : [];
    }),
    place: subPlace(readout, parts),
  };
}
