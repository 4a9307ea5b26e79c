import type { SignId, StageId } from '../../base/ids.ts';
import type { Look } from '../../model/look.ts';
import type { Readout, Stage, TestVector } from '../../model/readout.ts';
import type { Example, LampWay } from './learn.ts';
import type { PartShape } from './shape.ts';

const alphabet = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';
const mostOf = (part: PartShape, sum: number): number =>
  Math.min(sum, part === 'letter' ? 26 : part === 'figures' ? 999 : 10 ** part - 1);

/**
 * What was learnt, as the stages of a readout and how its text is put together; lamps in their order on the panel. Stages that
 * were there keep their ids and names, part by part, so that what refers to them goes on doing so.
 */
export function stagesOf(
  { shape, marker, weights }: LampWay,
  lamps: readonly SignId[],
  before: readonly Stage[] = [],
): Pick<Readout, 'stages' | 'compose'> {
  const sum = [...weights.values()].reduce((n, w) => n + w, 0);
  const stages = shape.parts.map((part, i): Stage => {
    const id = before[i]?.id ?? (`part-${i + 1}` as StageId);
    const isLit = marker?.litIn.includes(i) ?? false;
    return {
      id,
      label: before[i]?.label ?? (shape.parts.length === 1 ? 'the code' : `part ${i + 1}`),
      comes: marker
        ? {
            kind: 'sign',
            shown: { kind: 'lamp', sign: marker.lamp, state: isLit ? 'lit' : 'dark' },
            everyMs: 3000,
          }
        : before.length === shape.parts.length && before[i]?.comes.kind !== 'sign'
          ? (before[i]?.comes ?? { kind: 'at-once' })
          : shape.parts.length === 1
            ? { kind: 'at-once' }
            : { kind: 'alternates', everyMs: 3000 },
      reads: {
        kind: 'lamps',
        lamps: lamps.flatMap((sign) => {
          const weight = weights.get(sign);
          return weight === undefined ? [] : [{ sign, weight }];
        }),
        onIs: 'lit',
        offIs: 'dark',
        to:
          part === 'letter'
            ? { kind: 'characters', characters: alphabet.slice(0, mostOf(part, sum)), first: 1 }
            : { kind: 'number', least: 0, most: mostOf(part, sum), digits: part === 'figures' ? 1 : part },
      },
    };
  });
  return {
    stages,
    compose: [
      ...(shape.prefix === '' ? [] : [{ kind: 'literal' as const, text: shape.prefix }]),
      ...stages.map((stage) => ({ kind: 'stage' as const, stage: stage.id })),
    ],
  };
}

/** Examples as tests of a readout that are tried again at every save: every lamp of the row as it was, in each of its parts. */
export const examplesKept = (
  examples: readonly Example[],
  lamps: readonly SignId[],
  stages: readonly Stage[],
): TestVector[] =>
  examples.map(({ text, looks }) => ({
    name: `${text} as it was seen`,
    looks: looks.flatMap((lit, i): Look[] => {
      const stage = stages[i]?.id;
      if (stage === undefined) return [];
      return [
        {
          kind: 'lamps',
          stage,
          lamps: Object.fromEntries(
            lamps.map((lamp) => [lamp, lit.includes(lamp) ? ('lit' as const) : ('dark' as const)]),
          ),
        },
      ];
    }),
    expect: text,
  }));
