import type { SignId, StageId } from '../base/ids.ts';
import type { Readout, Stage } from '../model/readout.ts';
import { isRhythmic } from '../model/reads.ts';
import { rowsOfStages, type Segment, segmentsOfRun } from '../readout/schedule.ts';
import { mapsOf, type Parts, type StageValue, valuesOf } from '../readout/values.ts';

/** One thing a lamp may be doing over and over: what it says, and its light and dark over one round. */
export type PulsePattern = Readonly<{
  /** By stage; a special is told as `!` and its id. */
  parts: Readonly<Record<string, string>>;
  sign: SignId;
  segments: readonly Segment[];
}>;

/** More combinations of stages than this are not told apart at once. */
const mostPatterns = 600;

/** The rhythmic stages told in one go with this one: they follow each other by themselves on the same signs. */
export function runOfStage(readout: Readout, stage: Stage): Stage[] {
  const row = rowsOfStages(readout.stages).find((r) => r.some((s) => s.id === stage.id)) ?? [stage];
  if (!isRhythmic(stage.reads)) return [stage];
  const own = new Set<string>(stage.reads.kind === 'which' ? stage.reads.lamps.map((l) => l.sign) : [stage.reads.sign]);
  return row.filter(({ reads }) =>
    reads.kind === 'which' ? reads.lamps.some((l) => own.has(l.sign)) : isRhythmic(reads) && own.has(reads.sign),
  );
}

/** Every value of a stage, whatever stages outside the run may have said. */
function allValues(stage: Stage, earlier: Parts): StageValue[] {
  const { reads } = stage;
  if (!('to' in reads) || reads.to.kind !== 'by-stage' || earlier.has(reads.to.stage))
    return [...valuesOf(stage, earlier).values()];
  const { stage: of, maps } = reads.to;
  const cases = [...maps.map((m) => m.when[0] ?? ''), ' '];
  const found =
    mapsOf(reads.to).length > 0 ? cases.flatMap((c) => [...valuesOf(stage, new Map([[of, c]])).values()]) : [];
  return [...new Map(found.map((v) => [JSON.stringify(v), v] as const)).values()];
}

const cache = new WeakMap<Readout, Map<StageId, readonly PulsePattern[]>>();

/** Everything the lamp of a rhythmic stage may be doing, specials included; made once for each readout and stage. */
export function patternsOf(readout: Readout, stage: Stage): readonly PulsePattern[] {
  const known = cache.get(readout) ?? new Map<StageId, readonly PulsePattern[]>();
  cache.set(readout, known);
  const before = known.get(stage.id);
  if (before) return before;
  type Draft = { parts: Map<StageId, string>; sign: SignId | null; segments: Segment[] };
  let drafts: Draft[] = [{ parts: new Map(), sign: null, segments: [] }];
  for (const next of runOfStage(readout, stage)) {
    const { reads } = next;
    if (!isRhythmic(reads)) continue;
    drafts = drafts
      .flatMap((draft) =>
        allValues(next, draft.parts).flatMap(({ text, shapes }) =>
          shapes.flatMap((shape): Draft[] =>
            shape.kind === 'pulses'
              ? [
                  {
                    parts: new Map([...draft.parts, [next.id, text]]),
                    sign: shape.sign,
                    segments: [...draft.segments, ...segmentsOfRun(reads, shape.pattern)],
                  },
                ]
              : [],
          ),
        ),
      )
      .slice(0, mostPatterns);
  }
  const { reads } = stage;
  const specials = readout.specials.flatMap((special): PulsePattern[] =>
    special.rhythm?.stage === stage.id && (reads.kind === 'blinks' || reads.kind === 'rhythm')
      ? [
          {
            parts: { [stage.id]: `!${special.id}` },
            sign: reads.sign,
            segments: segmentsOfRun(reads, special.rhythm.pattern),
          },
        ]
      : [],
  );
  const patterns = [
    ...drafts.flatMap((d) =>
      d.sign === null ? [] : [{ parts: Object.fromEntries(d.parts), sign: d.sign, segments: d.segments }],
    ),
    ...specials,
  ];
  known.set(stage.id, patterns);
  return patterns;
}
