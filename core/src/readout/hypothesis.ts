import type { SignId, StageId } from '../base/ids.ts';
import type { LampState, Shown } from '../unit/signal.ts';
import { type Expected, expectedOf, splitCode } from './encode.ts';
import type { Readout, Special, Stage } from './model.ts';

/** One thing the readout may be showing: a listed code, the literal pattern, or a sign that is no code. */
export type Hypothesis = Readonly<{
  kind: 'listed' | 'unlisted' | 'special';
  code: string;
  prior: number;
  stages: ReadonlyMap<StageId, Expected>;
  signs: readonly Shown[];
}>;

const expectedCache = new WeakMap<Readout, Map<string, ReadonlyMap<StageId, Expected> | null>>();

/** What every stage shows for a code; worked out once for each readout and text. Null where the readout cannot show it. */
export function expectedByStage(readout: Readout, text: string): ReadonlyMap<StageId, Expected> | null {
  const known = expectedCache.get(readout) ?? new Map<string, ReadonlyMap<StageId, Expected> | null>();
  expectedCache.set(readout, known);
  const before = known.get(text);
  if (before !== undefined) return before;
  const parts = splitCode(readout, text);
  const expected = readout.stages.flatMap((stage) => {
    const part = parts?.get(stage.id);
    const shown = part === undefined ? null : expectedOf(stage, part);
    return shown ? [[stage.id, shown] as const] : [];
  });
  const made = parts ? new Map(expected) : null;
  known.set(text, made);
  return made;
}

export const specialHypothesis = (special: Special, share: number): Hypothesis => ({
  kind: 'special',
  code: special.id,
  prior: share,
  stages: new Map(),
  signs: special.signs,
});

const specialState = (signs: readonly Shown[], sign: SignId): LampState => {
  const shown = signs.find((s) => s.kind === 'lamp' && s.sign === sign);
  return shown?.kind === 'lamp' ? shown.state : 'dark';
};

/** The states one lamp may show in a stage under a hypothesis, one for each pattern that means the same. */
export function lampStates(hypothesis: Hypothesis, stage: Stage, index: number): readonly LampState[] {
  const { reads } = stage;
  if (reads.kind !== 'lamps') return ['dark'];
  const sign = reads.lamps[index]?.sign;
  if (hypothesis.kind === 'special' && sign) return [specialState(hypothesis.signs, sign)];
  const expected = hypothesis.stages.get(stage.id);
  if (expected?.kind !== 'lamps') return [reads.offIs];
  return expected.patterns.map((pattern) => (pattern[index] ? reads.onIs : reads.offIs));
}
