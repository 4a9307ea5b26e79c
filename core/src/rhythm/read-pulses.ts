import type { Pulse } from '../model/look.ts';

export type RhythmDoubt =
  /** No pulse at all, or one alone: nothing to tell a tempo from. */
  | Readonly<{ code: 'too-few'; pulses: number }>
  /** Every pulse is as long as the next: long cannot be told from short. */
  | Readonly<{ code: 'one-length' }>
  /** No pause was seen, so that where a run begins and ends is not known. */
  | Readonly<{ code: 'no-pause' }>
  /** Repetitions disagree: what was read each time. */
  | Readonly<{ code: 'repetitions-differ'; read: readonly string[] }>
  | Readonly<{ code: 'too-many'; pulses: number; most: number }>;

/** What pulses say with no readout at hand. */
export type RhythmRead = Readonly<{
  /** The runs of one round, each as `s` and `l`. */
  runs: readonly string[];
  /** Where a long steady light stands before the runs. */
  leadIn: boolean;
  /** Between 0 and 1. */
  certainty: number;
  /** Every round as it was read. */
  rounds: ReadonlyArray<readonly string[]>;
  /** Usual time from one light to the next within a run; null with fewer than two. */
  beatMs: number | null;
  doubts: readonly RhythmDoubt[];
}>;

const mostPulses = 4000;
/** Lights closer than this are one light that bounced. */
const bounceMs = 30;
/** SuccessRate that one round is read wrong by one. */
const roundSlip = 0.06;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
};

/**
 * The value that best divides numbers into a lower and a higher kind: in the middle of the widest jump between
 * neighbours, as a ratio. Null where no jump reaches `least`.
 */
function divide(values: readonly number[], least: number): number | null {
  const sorted = values.map((v) => Math.max(v, 1)).sort((a, b) => a - b);
  let best = { ratio: 1, at: 0 };
  for (let i = 1; i < sorted.length; i++) {
    const [low, high] = [sorted[i - 1] ?? 1, sorted[i] ?? 1];
    if (high / low > best.ratio) best = { ratio: high / low, at: Math.sqrt(low * high) };
  }
  return best.ratio >= least ? best.at : null;
}

/** Pulses in order, with bounces put together and nothing that ends before it begins. */
export function tidyPulses(pulses: readonly Pulse[]): Pulse[] {
  const tidy: Pulse[] = [];
  for (const [from, to] of [...pulses].sort((a, b) => a[0] - b[0])) {
    const last = tidy.at(-1);
    if (last && from - last[1] < bounceMs) tidy[tidy.length - 1] = [last[0], Math.max(last[1], to)];
    else if (to >= from) tidy.push([from, to]);
  }
  return tidy;
}

/** Cuts a list wherever `ends` says that an item is the last of its group. */
function cut<T>(items: readonly T[], ends: (item: T, index: number) => boolean): T[][] {
  const groups: T[][] = [[]];
  items.forEach((item, i) => {
    groups.at(-1)?.push(item);
    if (ends(item, i) && i < items.length - 1) groups.push([]);
  });
  return groups.filter((g) => g.length > 0);
}

/**
 * Makes symbols of pulses: tempo, long and short, pauses within and between rounds are found from the data. Agreement
 * of rounds raises the certainty. Times in milliseconds.
 */
export function readPulses(given: readonly Pulse[]): RhythmRead {
  const none = (doubt: RhythmDoubt): RhythmRead => ({
    runs: [],
    leadIn: false,
    certainty: 0,
    rounds: [],
    beatMs: null,
    doubts: [doubt],
  });
  if (given.length > mostPulses) return none({ code: 'too-many', pulses: given.length, most: mostPulses });
  const pulses = tidyPulses(given);
  if (pulses.length === 0) return none({ code: 'too-few', pulses: 0 });
  const doubts: RhythmDoubt[] = [];
  const lengths = pulses.map(([from, to]) => to - from);
  const usual = median(lengths);
  // a lead-in is far longer than everything else, and a long pause or nothing stands before it
  const isLead = (i: number): boolean =>
    (lengths[i] ?? 0) >= 1400 && (lengths[i] ?? 0) >= 2.4 * usual && (lengths[i] ?? 0) >= 1.6 * secondLength;
  const rest = [...lengths].sort((a, b) => b - a).filter((l) => l < 1400 || l < 2.4 * usual);
  const secondLength = rest[0] ?? 0;
  const marks = pulses.flatMap((pulse, i) => (isLead(i) ? [] : [{ pulse, i }]));
  const markLengths = marks.map(({ i }) => lengths[i] ?? 0);
  const longFrom = divide(markLengths, 1.7);
  if (longFrom === null && marks.length > 1) doubts.push({ code: 'one-length' });
  const symbol = (i: number): string => ((lengths[i] ?? 0) > (longFrom ?? Number.POSITIVE_INFINITY) ? 'l' : 's');

  const gapAfter = (k: number): number => {
    const [a, b] = [marks[k], marks[k + 1]];
    return a && b ? b.pulse[0] - a.pulse[1] : 0;
  };
  const gaps = marks.slice(0, -1).map((_, k) => gapAfter(k));
  // taps leave hardly any gap when they are held: then the time from one to the next tells more
  const pauseFrom = divide(gaps, 1.6);
  const runs = cut(marks, (_, k) => pauseFrom !== null && gapAfter(k) > pauseFrom);
  if (pauseFrom === null && marks.length > 1 && !pulses.some((_, i) => isLead(i))) doubts.push({ code: 'no-pause' });
  const pauses = gaps.filter((g) => pauseFrom !== null && g > pauseFrom);
  const roundFrom = pauses.length >= 2 ? divide(pauses, 1.5) : null;
  const leadBefore = (run: (typeof runs)[number]): boolean => {
    const i = run[0]?.i ?? 0;
    return i > 0 && isLead(i - 1);
  };
  const hasLead = runs.some(leadBefore);
  const rounds = cut(runs, (run, r) => {
    const next = runs[r + 1];
    if (hasLead) return next !== undefined && leadBefore(next);
    const last = run.at(-1);
    const first = next?.[0];
    const gap = last && first ? first.pulse[0] - last.pulse[1] : 0;
    return roundFrom === null || gap > roundFrom;
  }).map((round) => round.map((run) => run.map(({ i }) => symbol(i)).join('')));

  const spelled = rounds.map((r) => r.join(' '));
  const tally = new Map<string, number>();
  for (const s of spelled) tally.set(s, (tally.get(s) ?? 0) + 1);
  const ranked = [...tally].sort((a, b) => b[1] - a[1]);
  const [best] = ranked;
  if (ranked.length > 1) doubts.push({ code: 'repetitions-differ', read: ranked.map(([s]) => s) });
  const odds = ranked.map(([, n]) => (1 - roundSlip) ** n * (roundSlip / 3) ** (spelled.length - n));
  const other = roundSlip ** spelled.length / 4;
  const certainty = (odds[0] ?? 0) / (odds.reduce((a, b) => a + b, 0) + other);
  const beats = marks
    .slice(1)
    .flatMap(({ pulse }, k) =>
      pauseFrom === null || gapAfter(k) <= pauseFrom ? [pulse[0] - (marks[k]?.pulse[0] ?? 0)] : [],
    );
  return {
    runs: best ? best[0].split(' ') : [],
    leadIn: hasLead,
    certainty: pulses.length === 1 ? 0.5 : doubts.some((d) => d.code === 'no-pause') ? certainty * 0.6 : certainty,
    rounds,
    beatMs: beats.length > 0 ? median(beats) : null,
    doubts: pulses.length === 1 ? [...doubts, { code: 'too-few', pulses: 1 }] : doubts,
  };
}
