import { seeded } from '../base/random.ts';
import type { MissCode } from '../play/attempt-state.ts';
import type { Program } from '../play/op.ts';
import { perform, Solo } from '../play/perform.ts';
import type { Stands } from '../play/track.ts';
import { tryProgram } from '../play/try.ts';
import type { UnitFacts } from '../unit/facts.ts';
import { type Aid, aids, drawHands, type HandKind, helpsAgainst, type SlipKind } from './hands.ts';

export type SuccessAsked = Readonly<{
  program: Program;
  facts: UnitFacts;
  /** Where the controls stand as it begins; as delivered where nothing is said. */
  standing?: Stands;
  hands: HandKind;
  runs: number;
  seed: number;
}>;
/** At which step tries failed, how, and how large a share of all tries that was. */
export type FailedAt = Readonly<{ at: string; code: MissCode; share: number }>;
export type SuccessRate = Readonly<{
  runs: number;
  /** Share of the tries that took, with the bounds of its 95 % interval (Wilson). */
  share: number;
  low: number;
  high: number;
  failed: readonly FailedAt[];
  /** The step that fails most; null where none does. */
  worstStep: string | null;
  /** What to do the usual tempo times, to succeed most often; 1 where it makes no odds. */
  pace: number;
  usualMs: number;
  /** What people did wrong where tries failed, as shares of all tries, the commonest first; one try may have several. */
  errors: ReadonlyArray<Readonly<{ kind: SlipKind; share: number }>>;
  /** What would help, and to which share; the most helpful first. */
  helps: ReadonlyArray<Readonly<{ aid: Aid; share: number }>>;
}>;
/** What helps by less than this is not worth saying. */
const worthSaying = 0.01;

/** Wilson's interval of a share at 95 %. */
export function shareInterval(took: number, runs: number): { low: number; high: number } {
  if (runs === 0) return { low: 0, high: 1 };
  const z = 1.959964;
  const p = took / runs;
  const middle = p + (z * z) / (2 * runs);
  const half = z * Math.sqrt((p * (1 - p)) / runs + (z * z) / (4 * runs * runs));
  const under = 1 + (z * z) / runs;
  return { low: Math.max(0, (middle - half) / under), high: Math.min(1, (middle + half) / under) };
}

/** Where a try begins, so that what was done before it lies behind. */
const beginsMs = 20_000;
const paces = [0.6, 0.7, 0.8, 0.9, 1, 1.15, 1.3];

/** Tries run one by one, so that long work can show its progress and be stopped between two steps of it. */
export class SuccessRun {
  private took = 0;
  private done = 0;
  private usual = 0;
  private readonly errors = new Map<SlipKind, number>();
  private readonly failedAt = new Map<string, { at: string; code: MissCode; n: number }>();
  private readonly asked: SuccessAsked;
  private readonly random: () => number;

  constructor(asked: SuccessAsked) {
    this.asked = asked;
    this.random = seeded(asked.seed);
  }
  private once(random: () => number, pace: number, aid: Aid | null = null) {
    const { program, facts, hands, standing } = this.asked;
    const solo = new Solo(facts, standing?.places, standing?.clicks);
    const drawn = drawHands(hands, facts, random, { pace, aid });
    const done = perform(program, facts, drawn, beginsMs, solo);
    const tried = tryProgram(program, facts, done, 0, standing);
    return { tried, slipped: drawn.slipped, lastMs: (done.at(-1)?.event.at ?? beginsMs) - beginsMs };
  }
  /** Does so many more tries; true once all are done. */
  step(runs: number): boolean {
    const until = Math.min(this.asked.runs, this.done + runs);
    for (; this.done < until; this.done += 1) {
      const { tried, slipped, lastMs } = this.once(this.random, 1);
      if (tried.took) {
        this.took += 1;
        this.usual += lastMs;
        continue;
      }
      // where nothing slipped it was the pace
      for (const kind of slipped.size > 0 ? slipped : (['pace'] as const))
        this.errors.set(kind, (this.errors.get(kind) ?? 0) + 1);
      const { at, code } = tried.miss;
      const key = `${at} ${code}`;
      const known = this.failedAt.get(key) ?? { at, code, n: 0 };
      known.n += 1;
      this.failedAt.set(key, known);
    }
    return this.done >= this.asked.runs;
  }
  get progress(): number {
    return this.asked.runs === 0 ? 1 : this.done / this.asked.runs;
  }
  /** The share of tries that take at another pace, on the same draws for every pace. */
  private shareAt(pace: number, runs: number, aid: Aid | null = null): number {
    const random = seeded(this.asked.seed ^ 0x9e37);
    let took = 0;
    for (let n = 0; n < runs; n += 1) if (this.once(random, pace, aid).tried.took) took += 1;
    return took / runs;
  }
  private advisedPace(): number {
    const runs = Math.min(400, Math.max(50, Math.floor(this.done / 40)));
    const shares = paces.map((pace) => ({ pace, share: this.shareAt(pace, runs) }));
    const usual = shares.find((s) => s.pace === 1)?.share ?? 0;
    const best = shares.reduce((a, b) => (b.share > a.share ? b : a));
    // another pace is advised only where it clearly helps
    return best.share > usual + 0.02 ? best.pace : 1;
  }
  /** What would help against what goes wrong, on the same draws with and without it. */
  private helps(): SuccessRate['helps'] {
    const runs = Math.min(600, Math.max(100, Math.floor(this.done / 20)));
    const without = this.shareAt(1, runs);
    return aids
      .filter((aid) => helpsAgainst[aid].some((kind) => (this.errors.get(kind) ?? 0) > 0))
      .map((aid) => ({ aid, share: this.shareAt(1, runs, aid) }))
      .filter(({ share }) => share > without + worthSaying)
      .sort((a, b) => b.share - a.share);
  }
  result(): SuccessRate {
    const failed = [...this.failedAt.values()]
      .map(({ at, code, n }) => ({ at, code, share: n / Math.max(1, this.done) }))
      .sort((a, b) => b.share - a.share);
    const byStep = new Map<string, number>();
    for (const f of failed) byStep.set(f.at, (byStep.get(f.at) ?? 0) + f.share);
    const worst = [...byStep].sort((a, b) => b[1] - a[1])[0];
    return {
      runs: this.done,
      // nobody gets it right every time, however few tries failed
      share: this.done === 0 ? 0 : Math.min(this.took / this.done, (this.done + 1) / (this.done + 2)),
      ...shareInterval(this.took, this.done),
      failed,
      worstStep: worst?.[0] ?? null,
      pace: this.done === 0 ? 1 : this.advisedPace(),
      usualMs: this.took === 0 ? 0 : this.usual / this.took,
      errors: [...this.errors]
        .map(([kind, n]) => ({ kind, share: n / Math.max(1, this.done) }))
        .sort((a, b) => b.share - a.share),
      helps: this.done === 0 ? [] : this.helps(),
    };
  }
}

/** How likely a person is to hit a route, by so many tries of a model of hands. Seeded: the same question, the same answer. */
export function successRateOf(asked: SuccessAsked): SuccessRate {
  const run = new SuccessRun(asked);
  run.step(asked.runs);
  return run.result();
}

/** How many tries the model counts for beside recorded ones, and from how many recorded on it is called calibrated. */
const modelWeight = 10;
export const calibratedFrom = 20;

/** What was said of tries that failed, where it says which sort of slip it was. */
type Wrong = Readonly<{ pace: number; count: number }>;

/** What goes wrong by the model, drawn towards what was said of recorded tries. */
export function calibrateErrors(
  errors: SuccessRate['errors'],
  { of, wrong }: Readonly<{ of: number; wrong: Wrong }>,
): SuccessRate['errors'] {
  const said: Partial<Record<SlipKind, number>> = wrong;
  const kinds = new Set<SlipKind>([...errors.map((e) => e.kind), ...(['pace', 'count'] as const)]);
  return [...kinds]
    .map((kind) => {
      const model = errors.find((e) => e.kind === kind)?.share ?? 0;
      const tries = said[kind];
      return { kind, share: tries === undefined ? model : (model * modelWeight + tries) / (modelWeight + of) };
    })
    .filter((e) => e.share > 0)
    .sort((a, b) => b.share - a.share);
}

/** The model's share drawn towards what recorded tries say; a model it stays until there are enough of those. */
export function calibrate(
  rate: SuccessRate,
  tries: Readonly<{ took: number; of: number }>,
): Readonly<{ share: number; from: 'model' | 'tries' }> {
  const share = (rate.share * modelWeight + tries.took) / (modelWeight + tries.of);
  return { share: tries.of === 0 ? rate.share : share, from: tries.of >= calibratedFrom ? 'tries' : 'model' };
}
